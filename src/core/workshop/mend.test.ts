import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { NOW, shelfOfDemo, stateOfDemo, workedUntil } from '@tests/support/demo-brief';
import { MISHAP_NAMES, MISHAPS } from '@/core/bench/mishaps';
import { inOrder } from '@/core/laid/stack';
import { waitingCircle } from '@/core/route/schedule/network';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import { madeOf, mixedInWords } from './how-made';
import { mend } from './mend';

const shelf = shelfOfDemo();
const state = stateOfDemo(shelf);
const viewOf = (given: typeof state): BriefView => deriveBrief(given, shelf, { nowUtc: NOW, effort: 0 });
/** The demo worked up to a step, with all that lies under it done. */
const worked = (until: string) => workedUntil(state, viewOf(state), until);
const glued = worked('seal');
const view = viewOf(glued);
const SIDE = 'fuselage-rear-port';

const withMishap = (
  given: typeof state,
  own: BriefView,
  zones: string[],
  rung: number,
  kind: (typeof MISHAP_NAMES)[number] = 'glue',
) => {
  const cure = MISHAPS[kind].ladder[rung % MISHAPS[kind].ladder.length]!;
  const mending = mend(own, kind, cure, zones, 'm1');
  const mishap = {
    id: 'mishap',
    version: 1,
    kind,
    zones,
    cure: cure.title,
    down: cure.down,
    happenedAt: NOW,
    note: '',
    pictureId: null,
    run: mending.run,
  };
  return { mending, after: viewOf({ ...given, mishaps: [mishap] }) };
};
const carried = (of: BriefView) =>
  [...of.standing.stacks].map(([zone, stack]) => [
    zone,
    stack.filter(({ comesOff }) => !comesOff).map(({ what, chemistry, paint }) => `${what} ${chemistry} ${paint}`),
  ]);

/** Whether all of some layers lie among others, in their order. */
const isWithin = (some: readonly string[], all: readonly string[]): boolean => {
  let at = 0;
  for (const layer of all) if (layer === some[at]) at += 1;
  return at === some.length;
};

describe('a glue drip on a side that was sealed already', () => {
  test('down to the colour: what lay over it comes back, as it was mixed, on that side alone', () => {
    const { mending } = withMishap(glued, view, [SIDE], 1);
    const laid = mending.run.steps.filter(({ lays }) => lays);
    expect(laid.map(({ lays }) => lays!.what).slice(-1)).toEqual(['clear']);
    expect(laid.every(({ zones }) => zones.join() === SIDE)).toBe(true);
    expect(mending.run.lost.every(({ zones }) => zones.join() === SIDE)).toBe(true);
    const gloss = laid.find(({ lays }) => lays!.what === 'clear')!;
    expect(gloss.mixed).toEqual({ parts: [{ label: 'as tried', drops: 3 }], thinner: 1.5 });
  });
  test('of a spray over many zones it takes a part of the minutes only', () => {
    const { mending } = withMishap(glued, view, [SIDE], 2);
    const again = mending.rework.steps.find(({ layer }) => layer?.what === 'colour')!;
    const whole = view.route.steps.find(({ key }) => key === again.again)!;
    expect(again.minutes).toBeLessThan(whole.minutes);
  });
  test('what comes next on the model waits until it is whole again', () => {
    const { mending, after } = withMishap(glued, view, [SIDE], 1);
    const last = mending.run.steps.at(-1)!.key;
    const waiting = after.route.links.filter(({ from }) => from === last).map(({ to }) => to);
    expect(waiting).toContain('wash:port');
    const place = (key: string) => after.plan.work.find((work) => work.key === key)!;
    expect(place('wash:port').start > place(last).end).toBe(true);
    expect(after.plan.finish! > view.plan.finish!).toBe(true);
  });
  test('how the side was made says what the mishap took', () => {
    const { after } = withMishap(glued, view, [SIDE], 1);
    const layers = madeOf(after, SIDE);
    // It lies there until the repair is done.
    expect(layers.find(({ step }) => step === 'gloss')).toMatchObject({ lostTo: null, comesOff: 'glue drip' });
    const [repair] = after.state.mishaps[0]!.run!.steps;
    const mended = viewOf(workedUntil(after.state, after, repair!.key));
    expect(madeOf(mended, SIDE).find(({ step }) => step === 'gloss')).toMatchObject({
      lostTo: 'glue drip',
      comesOff: null,
    });
    expect(layers.find(({ step }) => step === 'prime')!.lostTo).toBeNull();
    expect(madeOf(after, 'fuselage-rear-starboard').every(({ lostTo }) => lostTo === null)).toBe(true);
  });
  test('a cure that takes nothing off is one step', () => {
    const { mending, after } = withMishap(glued, view, [SIDE], 0);
    expect(mending.run.steps).toHaveLength(1);
    expect(mending.run.lost).toEqual([]);
    expect(carried(after)).toEqual(carried(view));
  });
  test('the second mishap on the same place takes the work of the first', () => {
    const { mending, after } = withMishap(glued, view, [SIDE], 1);
    const first = mending.run.steps.map((step) => step.key);
    const log = workedUntil(after.state, after, first.at(-1)!);
    const again = mend(viewOf(log), 'dust', MISHAPS.dust.ladder[2]!, [SIDE], 'm2');
    expect(again.run.lost.some(({ step }) => first.includes(step))).toBe(true);
    expect(again.run.lost.some(({ step }) => step === 'gloss')).toBe(false);
  });
});

test('whatever goes wrong, wherever, however far the build is: all zones carry afterwards what they carried before, if need be under what covers it, and nothing waits in a circle', () => {
  const until = ['prime', 'gloss', 'seal', 'matt', 'last-look'].map((key) => worked(key));
  const views = until.map(viewOf);
  const zones = view.outline.zones.map(({ key }) => key);
  fc.assert(
    fc.property(
      fc.nat(views.length - 1),
      fc.subarray(zones, { minLength: 1, maxLength: 3 }),
      // What stays off is laid anew as it is wanted, not as it was.
      fc.constantFrom(...MISHAP_NAMES.filter((name) => !MISHAPS[name].staysOff)),
      fc.nat(5),
      (i, on, kind, rung) => {
        const { after } = withMishap(until[i]!, views[i]!, on, rung, kind);
        const cure = MISHAPS[kind].ladder[rung % MISHAPS[kind].ladder.length]!;
        // What is covered stays, and lies under what covers it.
        if (cure.lays)
          carried(views[i]!).forEach(([zone, before], at) => {
            expect([zone, isWithin(before as string[], carried(after)[at]![1] as string[])]).toEqual([zone, true]);
          });
        else expect(carried(after)).toEqual(carried(views[i]!));
        const { steps, links } = after.route;
        expect(waitingCircle({ steps: steps.map(({ key }) => ({ id: key })), links })).toBeNull();
        expect(inOrder(after.route)).toHaveLength(steps.length);
      },
    ),
    { numRuns: 40 },
  );
});

test('a cup in words', () => {
  expect(mixedInWords({ parts: [{ label: 'Fen green', drops: 12 }], thinner: 1.5 })).toBe('Fen green; thinned 1.5 : 1');
  expect(
    mixedInWords({
      parts: [
        { label: 'Fen green', drops: 3 },
        { label: 'White', drops: 1 },
      ],
      thinner: 0,
    }),
  ).toBe('3 drops of Fen green, 1 of White; not thinned');
  expect(mixedInWords(null)).toBe('');
});

describe('a colour that is off after spraying', () => {
  const ladder = MISHAPS.offColour.ladder;
  const cureThat = (lays: string) => ladder.find((cure) => cure.lays === lays)!;
  const codeOn = (own: BriefView, zone: string) =>
    madeOf(own, zone).findLast(({ what, entry }) => what === 'colour' && entry)!.code;

  test('the filter is reckoned from how it looks: what goes in the cup, how often, and how far off it is then', () => {
    const looked = { looks: 'a little too dark', paints: shelf.paints };
    const { run, filter } = mend(view, 'offColour', cureThat('filter'), [SIDE], 'm', looked);
    expect(filter!.now).toBeLessThan(filter!.was);
    expect(run.steps).toHaveLength(1);
    expect(run.steps[0]).toMatchObject({ kind: 'spray', zones: [SIDE], lays: { what: 'tone', code: null } });
    expect(run.steps[0]!.lays!.paint).toContain(filter!.paint.number);
    expect(run.lost).toEqual([]);
    // The other way round it takes another paint.
    const light = mend(view, 'offColour', cureThat('filter'), [SIDE], 'm', { ...looked, looks: 'a little too light' });
    expect(light.filter!.paint.id).not.toBe(filter!.paint.id);
  });

  test('nobody said how it looks, or it is as called: no filter is made up', () => {
    for (const looks of ['', 'spot on', 'like a Tuesday'])
      expect(
        mend(view, 'offColour', cureThat('filter'), [SIDE], 'm', { looks, paints: shelf.paints }).filter,
      ).toBeNull();
  });

  test('sprayed over, the called paint goes on and not the one that was logged; what is covered stays', () => {
    const wrong = {
      ...glued,
      log: glued.log.map((entry) => (entry.code ? { ...entry, paint: 'The wrong bottle', mixed: null } : entry)),
    };
    const own = viewOf(wrong);
    const code = codeOn(own, SIDE);
    const called = own.calls.find((call) => call.code === code)!.choice!.paint;
    const { mending, after } = withMishap(wrong, own, [SIDE], ladder.indexOf(cureThat('called colour')), 'offColour');
    expect(mending.run.lost).toEqual([]);
    const colours = mending.run.steps.filter(({ lays }) => lays?.what === 'colour');
    expect(colours).toHaveLength(1);
    expect(colours[0]!.lays).toMatchObject({ code, chemistry: called.chemistry });
    expect(colours[0]!.lays!.paint).toContain(called.number);
    expect(colours[0]!.lays!.paint).not.toContain('wrong');
    // The clear that lay over it comes back over the new colour, and no primer under it.
    const laid = mending.run.steps.flatMap(({ lays }) => (lays ? [lays.what] : []));
    expect(laid.at(-1)).toBe('clear');
    expect(laid).not.toContain('primer');
    const stays = (view_: BriefView) => view_.standing.laid.get(SIDE)!.filter(({ goneBy }) => goneBy === null).length;
    expect(stays(after)).toBe(stays(own));
  });
});
