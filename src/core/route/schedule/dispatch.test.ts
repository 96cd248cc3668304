import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { link, step } from '@tests/support/plan-problem';
import { Dispatcher, type Rule } from './dispatch';
import { leastCleaning } from './loads';
import { networkOf } from './network';
import type { PlanLink, PlanProblem, PlanStep } from './problem';
import { Sequencer } from './sequence';
import { violations } from './validate';

const DAY = 1440;
const COLOURS = ['c0', 'c1', 'c2'];
const RULE: Rule = { slack: 0.1, waste: 4, cleaning: 1, unready: 15, pausing: 15 };

const problemOf = (steps: PlanStep[], links: PlanLink[], over: Partial<PlanProblem> = {}): PlanProblem => {
  const windows = Array.from({ length: 40 }, (_, i) => ({
    id: `w${i}`,
    start: i * DAY + 1140,
    end: i * DAY + 1140 + [90, 120, 60][i % 3]!,
  }));
  return {
    windows,
    boothWindows: windows.filter((_, i) => i % 3 !== 2),
    steps,
    links,
    airbrush: {
      initial: 'clean',
      resetEachWindow: false,
      cleanOut: {
        clean: { c0: 3, c1: 3, c2: 3 },
        c0: { c1: 8, c2: 4 },
        c1: { c0: 6, c2: 12 },
        c2: { c0: 5, c1: 9 },
      },
    },
    now: null,
    actuals: [],
    ...over,
  };
};

function putBy(problem: PlanProblem, rule: Rule) {
  const sequencer = new Sequencer(networkOf(problem));
  const put = new Dispatcher(sequencer).put(
    sequencer.steps.map(() => 0),
    { rule, bias: new Float64Array(sequencer.steps.length), closed: new Set() },
  );
  return { sequencer, put };
}

/** Lanes of steps, sprays among them, some tied to the next by a greatest wait. */
const networks = fc
  .array(
    fc.array(
      fc.record({
        minutes: fc.constantFrom(5, 10, 15, 25),
        colour: fc.constantFrom(null, null, ...COLOURS),
        lag: fc.constantFrom(0, 0, 30, 240),
        isWet: fc.boolean(),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    { minLength: 1, maxLength: 4 },
  )
  .map((lanes) => {
    const steps = lanes.flatMap((lane, l) =>
      lane.map(({ minutes, colour }, i) => step(`${l}.${i}`, minutes, { colour, needsBooth: colour !== null })),
    );
    const links = lanes.flatMap((lane, l) =>
      lane.slice(1).map((_, i) => {
        const { lag, isWet } = lane[i]!;
        return link(`${l}.${i}`, `${l}.${i + 1}`, isWet ? 5 : lag, isWet ? 40 : null);
      }),
    );
    return problemOf(steps, links);
  });

describe('plans made by a dispatching rule', () => {
  test('keep every wait, session, booth and clean-out, wet pairs too', () => {
    fc.assert(
      fc.property(networks, fc.constantFrom(0.01, 1), fc.constantFrom(0.5, 16), (problem, slack, cleaning) => {
        const { sequencer, put } = putBy(problem, { ...RULE, slack, cleaning });
        if (!put) return;
        const planned = sequencer.open.map((i, k) => ({
          id: problem.steps[i]!.id,
          segments: [[put.spots[k]!.start, put.spots[k]!.end]] as [number, number][],
        }));
        expect(violations(problem, planned)).toEqual([]);
      }),
    );
  });

  test('a colour that is in the airbrush is sprayed on as long as something in it is ready', () => {
    const steps = ['a', 'b', 'c', 'd'].map((id, i) => step(id, 10, { colour: i % 2 ? 'c1' : 'c0', needsBooth: true }));
    const { put } = putBy(problemOf(steps, []), RULE);
    expect(put!.loads).toBe(2);
  });

  test('nothing goes between two steps that would make the second too late', () => {
    const steps = [step('wash', 20), step('wipe', 20), step('long', 50)];
    const { sequencer, put } = putBy(problemOf(steps, [link('wash', 'wipe', 15, 40)]), RULE);
    const at = (id: string) => put!.spots[sequencer.steps.findIndex((one) => one.id === id)]!;
    expect(at('wipe').start - at('wash').end).toBeGreaterThanOrEqual(15);
    expect(at('wipe').start - at('wash').end).toBeLessThanOrEqual(40);
  });
});

describe('the least cleaning that the open steps ask for', () => {
  const cleaningOf = (problem: PlanProblem) => leastCleaning(new Sequencer(networkOf(problem)));
  const sprays = (...colours: string[]) => colours.map((colour, i) => step(`s${i}`, 10, { colour }));

  test('a line of waits that goes back to a colour loads it twice', () => {
    const steps = sprays('c0', 'c1', 'c0');
    const apart = cleaningOf(problemOf(steps, []));
    const inLine = cleaningOf(problemOf(steps, [link('s0', 's1'), link('s1', 's2')]));
    expect(inLine).toBeGreaterThan(apart);
    expect(inLine).toBeLessThanOrEqual(3 + 8 + 6);
  });

  test('what is in the airbrush already is not loaded', () => {
    const problem = problemOf(sprays('c1', 'c1'), []);
    expect(cleaningOf({ ...problem, airbrush: { ...problem.airbrush!, initial: 'c1' } })).toBe(0);
  });

  test('is never more than the cheapest order takes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...COLOURS), { minLength: 1, maxLength: 6 }),
        fc.array(fc.tuple(fc.nat(5), fc.nat(5)), { maxLength: 6 }),
        fc.constantFrom('clean', ...COLOURS),
        (colours, pairs, initial) => {
          const waits = pairs.filter(([a, b]) => a < b && b < colours.length);
          const problem = problemOf(
            sprays(...colours),
            waits.map(([a, b]) => link(`s${a}`, `s${b}`)),
          );
          const airbrush = { ...problem.airbrush!, initial };
          let least = Infinity;
          const go = (done: number[], state: string, minutes: number): void => {
            if (done.length === colours.length) least = Math.min(least, minutes);
            colours.forEach((colour, k) => {
              if (done.includes(k) || waits.some(([a, b]) => b === k && !done.includes(a))) return;
              go([...done, k], colour, minutes + (state === colour ? 0 : airbrush.cleanOut[state]![colour]!));
            });
          };
          go([], initial, 0);
          expect(cleaningOf({ ...problem, airbrush })).toBeLessThanOrEqual(least);
        },
      ),
    );
  });
});
