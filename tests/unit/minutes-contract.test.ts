import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CONTRACTS } from '@/core/interchange/contracts/commands';
import { ContractFaults } from '@/core/interchange/contracts/contract';

/** The command `minutes`, against the table of its page written down once more. */

const answer = (work: unknown[]): number[] => (CONTRACTS.minutes.run({ work }) as { minutes: number[] }).minutes;
const faultsOf = (input: unknown): string[] => {
  try {
    CONTRACTS.minutes.run(input);
    return [];
  } catch (error) {
    if (!(error instanceof ContractFaults)) throw error;
    return error.faults.map(({ path, says }) => `${path}: ${says}`);
  }
};

const size = fc.double({ min: 0, max: 5000, noNaN: true });
const count = fc.integer({ min: 0, max: 200 });
const coats = fc.integer({ min: 1, max: 6 });

/** Each kind with facts of its own, and the page's formula. */
const PAGE: Record<string, fc.Arbitrary<[Record<string, unknown>, number]>> = {
  spray: fc
    .tuple(size, coats, count)
    .map(([a, c, p]) => [{ areaCm2: a, coats: c, pieces: p }, 5 + c * (1 + 0.03 * a + 0.5 * p)]),
  can: fc
    .tuple(size, coats, count)
    .map(([a, c, p]) => [{ areaCm2: a, coats: c, pieces: p }, 4 + c * (1 + 0.015 * a + 0.5 * p)]),
  brush: fc
    .tuple(size, size, coats)
    .map(([a, e, c]) => [{ areaCm2: a, edgeMm: e, coats: c }, 2 + c * 0.25 * a + 0.015 * e]),
  mask: fc
    .tuple(size, size, size)
    .map(([h, s, c]) => [{ hardMm: h, softMm: s, coverCm2: c }, 5 + h / 40 + s / 60 + 0.02 * c]),
  panes: fc
    .tuple(count, size, fc.boolean())
    .map(([n, f, precut]) => [{ panes: n, frameMm: f, precut }, 3 + n + (precut ? 0 : f / 30)]),
  unmask: size.map((e) => [{ edgeMm: e }, 2 + e / 200]),
  sand: fc
    .tuple(size, fc.constantFrom(['hairline', 0.06] as const, ['shallow', 0.12] as const, ['deep', 0.24] as const))
    .map(([s, [severity, rate]]) => [{ seamMm: s, severity }, 3 + s * rate]),
  fill: size.map((s) => [{ seamMm: s }, 3 + 0.05 * s]),
  restore: count.map((n) => [{ crossings: n }, 3 + n]),
  washcoat: size.map((a) => [{ areaCm2: a }, 2 + 0.04 * a]),
  wipe: size.map((a) => [{ areaCm2: a }, 2 + 0.08 * a]),
  stencils: count.map((n) => [{ pieces: n }, 4 + 1.2 * n]),
  fit: count.map((n) => [{ parts: n }, 4 + 2 * n]),
  glue: size.map((s) => [{ seamMm: s }, 4 + 0.03 * s]),
  clean: size.map((a) => [{ areaCm2: a }, 8 + 0.02 * a]),
};

describe('minutes', () => {
  test.each(Object.keys(PAGE))('of %s are those of the page, rounded up, at least two', (kind) => {
    fc.assert(
      fc.property(PAGE[kind]!, ([facts, exact]) => {
        const [found] = answer([{ kind, ...facts }]);
        // Rounded up; a hair of arithmetic above a whole minute is none.
        expect(found).toBeGreaterThanOrEqual(Math.max(2, exact - 1e-6));
        expect(found).toBeLessThan(Math.max(2, exact) + 1);
        expect(Number.isInteger(found)).toBe(true);
      }),
      { seed: 7, numRuns: 40 },
    );
  });

  test('come in the order of the work; what is left out is as the page says', () => {
    expect(answer([{ kind: 'fit', parts: 3 }, { kind: 'spray', areaCm2: 100 }, { kind: 'mask' }])).toEqual([10, 10, 5]);
    expect(answer([])).toEqual([]);
  });

  test.each([
    [{ work: [{ kind: 'spary' }] }, /kind: must be a kind of work/],
    [{ work: [{ kind: 'sand', seamMm: 10, severity: 'grim' }] }, /severity.*hairline, shallow or deep/],
    [{ work: [{ kind: 'fill', seamMm: -1 }] }, /seamMm.*negative/],
    [{ work: [{ kind: 'fit', parts: 1.5 }] }, /parts.*whole/],
    [{ work: [{ kind: 'glue' }] }, /seamMm/],
    [{ work: [{ kind: 'wipe', areaCm2: 3, coats: 2 }] }, /coats/],
    [{}, /work/],
  ])('%j is refused', (input, fault) => {
    expect(faultsOf(input).join('\n')).toMatch(fault);
  });
});
