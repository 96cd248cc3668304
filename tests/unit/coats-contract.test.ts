import { describe, expect, test } from '@jest/globals';
import { CONTRACTS } from '@/core/interchange/contracts/commands';
import { ContractFaults } from '@/core/interchange/contracts/contract';

/** What the headless command line answers where its input is at an edge, or far over it. */
const yellow = { lab: [80, 5, 80], opacity: 'weak' };
const faultsOf = (work: () => unknown): string[] => {
  try {
    work();
  } catch (error) {
    if (error instanceof ContractFaults) return error.faults.map(({ path, says }) => `${path}: ${says}`);
    throw error;
  }
  return [];
};
const numbersIn = (value: unknown): number[] =>
  typeof value === 'number'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(numbersIn)
      : [];

describe('coats', () => {
  const run = (given: object = {}) =>
    CONTRACTS.coats.run({ paint: yellow, ground: { lab: [56, 0, 0] }, ...given }) as {
      coats: number | null;
      hidesAnything: number | null;
      after: { coat: number }[];
      assumed: object;
    };
  test('counts with its defaults said, at most twelve', () => {
    const { coats, after, assumed } = run();
    expect(coats).toBe(3);
    expect(after.map(({ coat }) => coat)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    expect(assumed).toEqual({ ratio: 1, eye: 'arm', target: 'masstone' });
  });
  test('a ratio of none and the masstone as wish are what is assumed anyway', () => {
    expect(run({ ratio: 1, eye: 'arm' }).after).toEqual(run().after);
  });
  test.each([
    [{ eye: 'moon' }, /^eye: must be one of/],
    [{ ratio: -1 }, /^ratio: a ratio is never below 0/],
    [{ ground: {} }, /^ground/],
    [{ paint: { opacity: 'weak' } }, /^paint: must say what is known/],
    [{ surprise: 1 }, /^surprise: unknown field/],
  ])('%j is refused', (given, fault) => {
    expect(faultsOf(() => run(given))[0]).toMatch(fault);
  });
});

describe('edges', () => {
  test('the thinnest film there is leaves the ground, and every number is one', () => {
    for (const thickness of [5e-324, 1e-300, 1e-12]) {
      const { after } = CONTRACTS.layers.run({ under: { lab: [50, 0, 0] }, coats: [{ paint: yellow, thickness }] }) as {
        after: { lab: number[] }[];
      };
      expect(after[0]!.lab[0]).toBeCloseTo(50, 4);
      expect(numbersIn(after).every(Number.isFinite)).toBe(true);
    }
  });
  test('a scheme in which nothing counts is proven, with a gap of nothing', () => {
    const found = CONTRACTS.scheme.run({
      calls: [{ id: 'a', target: { lab: [50, 0, 0] }, weight: 0 }],
      candidates: [{ id: 'p', lab: [52, 0, 0] }],
      lambda: 0,
      perBottle: 0,
      perLine: 0,
    });
    expect(found).toMatchObject({ choice: { a: 'p' }, F: 0, proven: true, gap: 0 });
  });
  test('thousands of empty steps are refused at once, with a hundred faults and a count', () => {
    const faults = faultsOf(() =>
      CONTRACTS.schedule.run({ format: 'kit-schedule/1', steps: Array.from({ length: 5000 }, () => ({})) }),
    );
    expect(faults).toHaveLength(101);
    expect(faults.at(-1)).toMatch(/^input: and \d+ faults more$/);
  });
  test('a list without end is refused before it is read', () => {
    const steps = Array.from({ length: 30_000 }, () => ({}));
    expect(faultsOf(() => CONTRACTS.schedule.run({ steps }))).toEqual([
      'steps: has 30000 entries: at most 20000 are taken',
    ]);
  });
  test('a name of "NaN" is text, and "__proto__" is a name', () => {
    const said = (id: string) =>
      JSON.stringify(
        CONTRACTS.scheme.run({
          calls: [{ id: 'a', target: { lab: [50, 0, 0] } }],
          candidates: [{ id, lab: [50, 0, 0] }],
        }),
      );
    expect(said('NaN')).toContain('"a":"NaN"');
    expect(said('constructor')).toContain('"a":"constructor"');
  });
});
