import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyBrief, DEMO } from '@tests/support/any-brief';
import { earliest, leastBetween, leastWait, type Answer } from '@tests/support/route-rules';
import { CONTRACTS } from '@/core/interchange/contracts/commands';
import type { BriefFile } from '@/core/interchange/brief-file';
import { isSeen } from '@/core/kit/seen';
import { buildOutline } from '@/core/outline/outline';
import { formOf } from '@/core/outline/presets';
import { waitFor } from '@/core/paint/drying';
import { layOver, type Chemistry } from '@/core/paint/chemistry';

/** What `route` owes every brief, on briefs that nobody made by hand: other machines, options, paints, markings, rulings and finishes. */

const NOW = '2026-11-23T18:00';
const run = (brief: BriefFile) => CONTRACTS.route.run({ brief, now: NOW }) as Answer;

const BRIEFS = fc.sample(anyBrief, { seed: 20261126, numRuns: 24 });
const ANSWERS = [DEMO, ...BRIEFS].map((file) => ({ file, answer: run(file) }));
const each = (check: (answer: Answer, file: BriefFile) => void) =>
  ANSWERS.forEach(({ file, answer }) => check(answer, file));
const outlineOf = ({ airframe, brief }: BriefFile) =>
  buildOutline({
    preset: airframe.preset,
    dimensions: airframe.dimensions,
    landing: brief.options.landing,
    folded: brief.options.wings === 'folded',
    swept: brief.options.sweep === 'swept',
  });

describe('every route', () => {
  test('is made for briefs of several machines and paints', () => {
    expect(new Set(BRIEFS.map(({ airframe }) => airframe.preset)).size).toBeGreaterThan(4);
    expect(ANSWERS.some(({ answer }) => answer.conflicts.some(({ verdict }) => verdict === 'no'))).toBe(true);
    expect(ANSWERS[0]!.answer.steps.length).toBeGreaterThan(100);
  });

  test('1: has no cycle, and links only steps that there are, with waits that can be', () =>
    each((answer) => {
      const keys = new Set(answer.steps.map(({ key }) => key));
      expect(keys.size).toBe(answer.steps.length);
      for (const { from, to, minLag, maxLag } of answer.links) {
        expect([from, keys.has(from), to, keys.has(to)]).toEqual([from, true, to, true]);
        if (maxLag !== null) expect(minLag).toBeLessThanOrEqual(maxLag);
      }
      expect(() => earliest(answer)).not.toThrow();
    }));

  test('2: every zone that will be seen is coloured, or its step says that the colour is open, behind a gate', () =>
    each((answer, file) => {
      const seen = outlineOf(file).zones.filter((zone) => isSeen(zone, file.brief.options));
      for (const { key, group } of seen) {
        if (group === 'subject') continue;
        const coats = answer.stacks[key]!.filter(({ what }) => what === 'colour');
        expect([key, coats.length > 0]).toEqual([key, true]);
        const films = answer.stacks[key]!.map(({ what }) => what);
        const colour = films.indexOf('colour');
        for (const late of ['wash', 'oil', 'chip', 'decal'])
          if (films.includes(late)) expect([key, films.indexOf(late) > colour]).toEqual([key, true]);
      }
      const open = answer.steps.filter((step) => step.open);
      for (const { title, stage, key } of open) {
        expect(title).toMatch(/: colour open$/);
        if (stage === 'colours') expect(leastBetween(answer, 'gate:colour', key)).not.toBeNull();
      }
    }));

  test('3, 4: what lies on a zone is in the order of the steps, each layer waiting for the one under it', () =>
    each((answer, file) => {
      const { tempC, humidity } = file.brief;
      const checked = new Set<string>();
      for (const stack of Object.values(answer.stacks))
        stack.slice(1).forEach((over, i) => {
          const under = stack[i]!;
          const pair = `${under.step} ${over.step}`;
          if (checked.has(pair)) return;
          checked.add(pair);
          const least = leastBetween(answer, under.step, over.step);
          expect([pair, least]).toEqual([pair, expect.any(Number)]);
          if (under.what === 'pigment' || under.what === 'chip') return;
          expect([pair, least! >= leastWait(over, under, { tempC, humidity })]).toEqual([pair, true]);
        });
    }));

  test('5: every pair of layers that does not bear another is named, with what helps', () =>
    each((answer) => {
      const FILM = ['decal', 'pigment', 'chip'];
      for (const [zone, stack] of Object.entries(answer.stacks)) {
        const films = stack.filter(({ what }) => !FILM.includes(what));
        films.slice(1).forEach((over, i) => {
          const under = films[i]!;
          const crazes = over.what === 'clear' && over.chemistry === 'AL' && under.chemistry === 'ML';
          if (layOver(over.chemistry, under.chemistry).verdict === 'ok' && !crazes) return;
          const named = answer.conflicts.find(
            (one) => one.zone === zone && one.over === over.step && one.under === under.step,
          );
          expect([zone, over.step, named !== undefined]).toEqual([zone, over.step, true]);
          expect(named!.remedies.length).toBeGreaterThan(0);
        });
      }
    }));

  test('6: every mask comes off, while the paint over it still gives', () =>
    each((answer) => {
      const MOST: Partial<Record<Chemistry, number>> = { WA: 240, SA: 1440, AL: 720, ML: 720, EN: 2880 };
      for (const mask of answer.steps.filter(({ kind, stage }) => kind === 'mask' && stage === 'colours')) {
        const off = answer.steps.find(({ key }) => key === mask.key.replace(/^mask:/, 'unmask:'))!;
        expect([mask.key, off?.kind]).toEqual([mask.key, 'unmask']);
        const into = answer.links.find(({ to, maxLag }) => to === off.key && maxLag !== null)!;
        const coat = answer.steps.find(({ key }) => key === into.from)!;
        expect(into.maxLag!).toBeLessThanOrEqual(MOST[coat.layer!.chemistry]!);
        expect(leastBetween(answer, mask.key, coat.key)).not.toBeNull();
      }
      for (const mask of answer.steps.filter(({ key }) => key.startsWith('marking-mask:')))
        expect(answer.steps.some(({ key }) => key === mask.key.replace('mask', 'unmask'))).toBe(true);
      if (answer.steps.some(({ key }) => key === 'mask-canopy'))
        expect(answer.steps.find(({ key }) => key === 'mask-canopy')!.why).toMatch(/7 days/);
    }));

  test('7: a wash is wiped section by section, each in its own window', () =>
    each((answer, file) => {
      const washes = answer.steps.filter(({ key }) => key.startsWith('wash:'));
      for (const wash of washes) {
        const link = answer.links.find(({ from, to }) => from === wash.key && to === wash.key.replace('wash', 'wipe'))!;
        const { minutes, most } = waitFor('washWindow', file.brief);
        expect([link.minLag, link.maxLag]).toEqual([minutes, most]);
        // Nothing else comes between laying and wiping that would outlast the window.
        expect(leastBetween(answer, wash.key, link.to)!).toBeLessThanOrEqual(most!);
        for (const other of washes)
          if (other !== wash)
            expect(
              leastBetween(answer, link.to, other.key) ?? leastBetween(answer, other.key, wash.key),
            ).not.toBeNull();
      }
      const washed = washes.flatMap(({ zones }) => zones);
      expect(new Set(washed).size).toBe(washed.length);
    }));

  test('8: nothing is primed before glass, wells and openings are covered; frames are coloured inside first', () =>
    each((answer, file) => {
      const covers = answer.steps.filter(({ key }) =>
        ['mask-canopy', 'mask-windows', 'plug-bays', 'plug-intakes', 'plug-cockpit'].includes(key),
      );
      const prime = answer.steps.find(({ key }) => key === 'prime' || key === 'prime-paint')!.key;
      for (const { key } of covers) expect([key, leastBetween(answer, key, prime)]).toEqual([key, expect.any(Number)]);
      const frames = answer.stacks.canopy?.map(({ step }) => step) ?? [];
      if (frames.length > 0 && isSeenHere('canopy', file)) expect(frames[0]).toBe('frames-inside');
    }));

  test('9: every joint of a main part has its dry fit, and what a gate hides lies before it', () =>
    each((answer) => {
      const has = (key: string) => answer.steps.some((step) => step.key === key);
      for (const [fit, glue] of [
        ['dry-fit-cockpit', 'fit-cockpit'],
        ['dry-fit-fuselage', 'gate:fuselage'],
        ['dry-fit-wings', 'gate:wings'],
        ['dry-fit-wings-on', 'join-wings'],
        ['dry-fit-tail', 'join-tail'],
        ['dry-fit-canopy', 'fit-canopy'],
        ['dry-fit-canopy', 'close-canopy'],
        ['scrape-fuselage', 'gate:fuselage'],
      ] as const)
        if (has(glue)) expect([glue, leastBetween(answer, fit, glue)]).toEqual([glue, expect.any(Number)]);
      for (const { key } of answer.steps.filter(
        ({ key: own, layer }) => layer && /^(interior:|open:interior)/.test(own),
      ))
        expect([key, leastBetween(answer, key, 'gate:fuselage')]).toEqual([key, expect.any(Number)]);
    }));

  test('10: options leave their consequences', () =>
    each((answer, file) => {
      // A ship and a base have none of these.
      if (formOf(file.airframe.preset) !== 'aircraft') return;
      const { gear, wings, flaps, doors, stores, stand, landing } = file.brief.options;
      const has = (key: string) => answer.steps.some((step) => step.key === key);
      const comesBefore = (from: string, to: string) => {
        if (has(from) && has(to))
          expect([from, to, leastBetween(answer, from, to)]).toEqual([from, to, expect.any(Number)]);
      };
      const prime = has('prime') ? 'prime' : 'prime-paint';
      if (gear === 'up') {
        for (const wheels of ['build-gear', 'fit-gear', 'legs-first', 'flat-tyres', 'chocks'])
          expect([wheels, has(wheels)]).toEqual([wheels, false]);
        expect(has('close-bays')).toBe(true);
        comesBefore('close-bays', prime);
        if (stand === 'a rod') expect(has('rod-socket')).toBe(true);
      } else if (landing === 'wheels') expect(has('close-bays')).toBe(false);
      expect(has('fit-folded')).toBe(wings === 'folded');
      comesBefore('matt', 'fit-folded');
      if (flaps === 'down' && has('gate:wings')) expect(has('flaps') && has('fit-flaps')).toBe(true);
      comesBefore('matt', 'fit-flaps');
      expect(has('open-doors')).toBe(doors === 'open');
      comesBefore('matt', 'open-doors');
      comesBefore('unmask-canopy', 'open-canopy');
      const hung = answer.steps.filter(({ key }) => key === 'fit-stores' || /^store:.*:hang$/.test(key));
      expect(hung.length > 0).toBe(stores !== 'none');
      // What hangs in a bay is out of reach by then.
      for (const { key } of hung) if (key !== 'store:bay:hang') comesBefore('matt', key);
    }));

  test('11: oils and washes are dry before the last clear, which comes before any pigment', () =>
    each((answer) => {
      const oils = answer.steps.filter(({ layer }) => layer?.what === 'oil');
      for (const { key } of oils) expect(leastBetween(answer, key, 'matt')!).toBeGreaterThanOrEqual(24 * 60);
      for (const { key } of answer.steps.filter(({ kind, stage }) => kind === 'pigment' && stage === 'weathering'))
        expect(leastBetween(answer, 'matt', key)).not.toBeNull();
      for (const stack of Object.values(answer.stacks)) {
        const films = stack.map(({ what }) => what);
        if (films.includes('pigment')) expect(films.lastIndexOf('clear')).toBeLessThan(films.indexOf('pigment'));
      }
    }));

  test('12: a temporary finish lies over the markings that it covered, and wearing it is a step', () => {
    const winter = ANSWERS.filter(({ answer }) => answer.steps.some(({ key }) => key.startsWith('temporary:')));
    expect(winter.length).toBeGreaterThan(0);
    for (const { answer } of winter) {
      const white = answer.steps.find(({ key }) => key.startsWith('temporary:'))!;
      expect(leastBetween(answer, 'seal', white.key)).not.toBeNull();
      expect(leastBetween(answer, white.key, 'wear-temporary')).not.toBeNull();
      expect(leastBetween(answer, 'wear-temporary', 'matt')).not.toBeNull();
    }
  });

  test('keys are stable: a marking more changes no other step', () => {
    const more: BriefFile = {
      ...DEMO,
      markings: [...DEMO.markings, { ...DEMO.markings[0]!, title: 'One more', method: 'mask' }],
    };
    const before = new Set(run(DEMO).steps.map(({ key }) => key));
    const after = new Set(run(more).steps.map(({ key }) => key));
    expect([...before].filter((key) => !after.has(key))).toEqual([]);
  });
});

const isSeenHere = (zone: string, file: BriefFile) => {
  const found = outlineOf(file).zones.find(({ key }) => key === zone);
  return found !== undefined && isSeen(found, file.brief.options);
};
