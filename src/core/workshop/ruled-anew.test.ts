import { describe, expect, test } from '@jest/globals';
import { NOW, shelfOfDemo, stateOfDemo, workedUntil } from '@tests/support/demo-brief';
import { MISHAPS } from '@/core/bench/mishaps';
import { BENCH_MASK_RATES } from '@/core/work/mask-order';
import type { BriefState } from '@/core/kept/state';
import { colourOrders } from './colour-orders';
import { deriveBrief } from '@/core/derive/derive';
import { madeOf } from './how-made';
import { mend } from './mend';
import { turnedBetween } from './turned';

/** A colour that is ruled anew after it was sprayed: what lies there stays, and the new one goes over it. */

const shelf = shelfOfDemo();
const viewOf = (state: BriefState) => deriveBrief(state, shelf, { nowUtc: NOW, effort: 0 });
const unpainted = stateOfDemo(shelf);
const painted = workedUntil(unpainted, viewOf(unpainted), 'seal');
const before = viewOf(painted);
const ZONE = 'tailplane-lower-port';
const [WAS, IS] = ['TCS 14', 'TCS 27'];

/** The state with one zone ruled to another code. */
const ruled = (state: BriefState, zone: string, value: string): BriefState => {
  const question = state.questions.find((own) => own.zone === zone && own.aspect === 'colour' && own.item === '')!;
  return {
    ...state,
    rulings: state.rulings.map((own) =>
      own.questionId === question.id ? { ...own, value, version: own.version + 1 } : own,
    ),
  };
};
const anew = ruled(painted, ZONE, IS!);
const after = viewOf(anew);
const steps = (of: typeof after) => new Map(of.route.steps.map((step) => [step.key, step]));

describe('a zone that was sprayed and is ruled anew', () => {
  test('keeps its coat, and gets the new one over it, on that zone alone', () => {
    const laid = (of: typeof after) =>
      of.standing.laid.get(ZONE)!.map(({ entryId, what, code, paint }) => [entryId, what, code, paint]);
    expect(laid(after)).toEqual(laid(before));
    const spray = after.standing.progress.get(`spray:${IS}`)!;
    expect(spray.toDo).toEqual([ZONE]);
    expect(spray.minutesLeft).toBeLessThan(steps(after).get(`spray:${IS}`)!.minutes);
    const stack = after.standing.stacks.get(ZONE)!;
    expect(stack.findLast(({ laid: lies, what }) => lies && what === 'colour')!.code).toBe(WAS);
    expect(stack.find(({ laid: lies, what }) => !lies && what === 'colour')!.code).toBe(IS);
  });
  test('is masked there: against its neighbours, which are done', () => {
    expect(after.standing.progress.get(`mask:${IS}`)!.toDo).toEqual([ZONE]);
    expect(after.standing.progress.get(`unmask:${IS}`)!.toDo).toEqual([ZONE]);
  });
  test('has what lay over the old coat to do again, and nothing anywhere else', () => {
    const open = after.route.steps.filter(({ key }) => {
      const [was, is] = [before.standing.progress.get(key), after.standing.progress.get(key)!];
      return was && is.toDo.length > was.toDo.length;
    });
    expect(open.map(({ key }) => key)).toEqual(expect.arrayContaining(['gloss', 'seal', `spray:${IS}`]));
    for (const { key } of open) {
      const was = new Set(before.standing.progress.get(key)!.toDo);
      expect([key, after.standing.progress.get(key)!.toDo.filter((zone) => !was.has(zone))]).toEqual([key, [ZONE]]);
    }
  });
  test('says so before it is ruled: what lies there since when, coats, minutes and mask, or to strip it', () => {
    const [first] = turnedBetween(before, after).filter(({ strip }) => strip);
    expect(first!.strip).toEqual([ZONE]);
    expect(first!.says).toMatch(
      /lies on 1 zone since \d+ \w+ 2026: .* goes over it in \d coats? \(.* min, mask .* min\)/,
    );
    expect(turnedBetween(after, after)).toEqual([]);
  });
  test('waits for what really lies there, by the paint that was used', () => {
    const [wait] = after.standing.waits.get(`spray:${IS}`)!;
    const top = after.standing.laid.get(ZONE)!.at(-1)!;
    expect(wait).toMatchObject({ zone: ZONE, entry: top.entry });
    expect(Date.parse(wait!.until)).toBe(Date.parse(top.endedAt) + wait!.minutes * 60_000);
  });
  test('shows the coat that nobody wants any more where it is told how it was made', () => {
    expect(
      madeOf(after, ZONE)
        .filter(({ isUnwanted }) => isUnwanted)
        .map(({ code }) => code),
    ).toEqual([WAS]);
    expect(madeOf(before, ZONE).some(({ isUnwanted }) => isUnwanted)).toBe(false);
  });
  test('stripped, it is done anew from the primer on; the old coat does not come back', () => {
    const cure = MISHAPS.ruledAnew.ladder.find(({ down }) => down === 'primer')!;
    const { run } = mend(after, 'ruledAnew', cure, [ZONE], 'strip');
    expect(run.steps.map(({ lays }) => lays)).toEqual([null]);
    const mishap = {
      id: 'm',
      version: 1,
      kind: 'ruledAnew' as const,
      zones: [ZONE],
      cure: cure.title,
      down: cure.down,
      happenedAt: NOW,
      note: '',
      pictureId: null,
      run,
    };
    const taken = { ...anew, mishaps: [mishap] };
    const told = viewOf(taken);
    // While the stripping is still to come, the new colour is planned behind it.
    expect(told.standing.progress.get(`spray:${IS}`)!.toDo).toContain(ZONE);
    const repair = {
      ...taken.log.at(-1)!,
      id: 'repair',
      stepKey: run.steps[0]!.key,
      what: '' as const,
      zones: [ZONE],
      startedAt: NOW,
      endedAt: NOW,
    };
    const stripped = viewOf({ ...taken, log: [...taken.log, repair] });
    expect(
      stripped.standing.laid
        .get(ZONE)!
        .filter(({ goneBy }) => goneBy === 0)
        .map(({ code }) => code),
    ).toContain(WAS);
    expect(stripped.standing.stacks.get(ZONE)!.flatMap(({ what, code }) => (what === 'colour' ? [code] : []))).toEqual([
      IS,
    ]);
  });
  test('ruled back before anything was done, all is as it was', () => {
    const back = viewOf(ruled(anew, ZONE, WAS!));
    expect([...back.standing.progress]).toEqual([...before.standing.progress]);
  });
});

describe('a zone that joins a colour after that was sprayed', () => {
  test('is planned alone', () => {
    const [zone, code] = ['fin-starboard', 'TCS 27'];
    const open = painted.questions.find((own) => own.zone === zone && own.aspect === 'colour' && own.item === '');
    const question = open ?? { ...painted.questions[0]!, id: 'q', zone, aspect: 'colour' as const, item: '' };
    const ruling = { ...painted.rulings[0]!, id: 'new', questionId: question.id, value: code };
    const widened = viewOf({
      ...painted,
      mirrors: [],
      questions: open ? painted.questions : [...painted.questions, question],
      rulings: [...painted.rulings.filter(({ questionId }) => questionId !== question.id), ruling],
    });
    const { done, toDo } = widened.standing.progress.get(`spray:${code}`)!;
    expect(toDo).toEqual([zone]);
    expect(done.length).toBeGreaterThan(2);
  });
});

test('another school of priming does not prime again what is primed', () => {
  const options = { ...painted.brief.options, priming: 'paint as primer' as const };
  const other = viewOf({ ...painted, brief: { ...painted.brief, options } });
  const { toDo, done } = other.standing.progress.get('prime-paint')!;
  expect([toDo, done.length > 10]).toEqual([[], true]);
});

describe('one truth for masking', () => {
  const view = viewOf(unpainted);
  test('Route plans the minutes by which Markings puts the colours in order, to the minute', () => {
    const orders = colourOrders(view)!;
    const custom = orders.find(({ names }) => names.includes('light to dark'))!;
    const { cleanOutMinutes } = BENCH_MASK_RATES;
    custom.steps.forEach(({ colour, minutes }, i) => {
      const masked = view.route.steps.find(({ key }) => key === `mask:${colour}`)?.masking?.minutes ?? 0;
      expect([colour, masked]).toEqual([
        colour,
        Math.max(0, Math.ceil(minutes - (i > 0 ? cleanOutMinutes : 0) - 1e-9)),
      ]);
    });
  });
  test('a title says what is masked off', () => {
    for (const { title, masking } of view.route.steps)
      for (const code of masking?.against ?? []) expect(title).toContain(view.official.get(code)!.record.name);
  });
});
