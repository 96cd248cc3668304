import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { maskMinutes, STRIP_CM2 } from './mask-order';
import { workOfMask } from './masking';
import { minutesExactly, minutesOf, minutesSaid, RATES, WORK_KINDS, type Work } from './minutes';

/** Worked by hand from the table of the page `minutes`. */
const KNOWN: [Work, number][] = [
  [{ kind: 'spray', areaCm2: 100 }, 5 + 1 + 3 + 0.5],
  [{ kind: 'spray', areaCm2: 100, coats: 3, pieces: 4 }, 5 + 3 * (1 + 3 + 2)],
  [{ kind: 'can', areaCm2: 200, coats: 2 }, 4 + 2 * (1 + 3 + 0.5)],
  [{ kind: 'brush', areaCm2: 8, edgeMm: 200, coats: 2 }, 2 + 2 * 2 + 3],
  [{ kind: 'mask', hardMm: 400, softMm: 120, coverCm2: 50 }, 5 + 10 + 2 + 1],
  [{ kind: 'panes', panes: 12, frameMm: 240 }, 3 + 12 + 8],
  [{ kind: 'unmask', edgeMm: 800 }, 2 + 4],
  [{ kind: 'sand', seamMm: 100, severity: 'hairline' }, 3 + 6],
  [{ kind: 'sand', seamMm: 100, severity: 'shallow' }, 3 + 12],
  [{ kind: 'sand', seamMm: 100, severity: 'deep' }, 3 + 24],
  [{ kind: 'fill', seamMm: 300 }, 3 + 15],
  [{ kind: 'restore', crossings: 9 }, 3 + 9],
  [{ kind: 'washcoat', areaCm2: 100 }, 2 + 4],
  [{ kind: 'wipe', areaCm2: 100 }, 2 + 8],
  [{ kind: 'stencils', pieces: 40 }, 4 + 48],
  [{ kind: 'fit', parts: 6 }, 4 + 12],
  [{ kind: 'glue', seamMm: 500 }, 4 + 15],
  [{ kind: 'clean', areaCm2: 150 }, 8 + 3],
];

describe('minutes of work', () => {
  test.each(KNOWN)('of %j are %d, in whole ones', (work, exact) => {
    expect(minutesExactly(work)).toBeCloseTo(exact, 9);
    expect(minutesOf(work)).toBe(Math.ceil(exact - 1e-9));
  });

  test('every rate says why', () => {
    for (const kind of WORK_KINDS) expect(RATES[kind].because.length).toBeGreaterThan(10);
  });

  test('never fall as the work grows, and nothing is over in less than two', () => {
    const size = fc.double({ min: 0, max: 1e4, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...WORK_KINDS), size, size, (kind, a, b) => {
        const of = (n: number) =>
          minutesOf({ kind, areaCm2: n, coverCm2: n, hardMm: n, edgeMm: n, seamMm: n, frameMm: n, panes: n, parts: n });
        expect(of(Math.min(a, b))).toBeLessThanOrEqual(of(Math.max(a, b)));
        expect(of(0)).toBeGreaterThanOrEqual(2);
      }),
    );
  });

  test('a rate of the house counts for those of the table', () => {
    const slow = { ...RATES, fit: { ...RATES.fit, per: { parts: 5 } } };
    expect(minutesOf({ kind: 'fit', parts: 4 }, slow)).toBe(24);
  });

  test('say what they come from', () => {
    expect(minutesSaid({ kind: 'spray', areaCm2: 48.2, coats: 2, pieces: 3 })).toBe(
      '5 min to begin, 2 coats over 48 cm² and 3 pieces',
    );
  });
});

describe('minutes of masks', () => {
  test('are those by which the order of colours is reckoned, each hard edge with its strip', () => {
    const length = fc.double({ min: 1, max: 5000, noNaN: true });
    fc.assert(
      fc.property(length, length, fc.double({ min: 0, max: 500, noNaN: true }), (tapeMm, softMm, paperCm2) => {
        const lengths = { tapeMm, softMm, paperCm2 };
        expect(maskMinutes(lengths)).toBeCloseTo(minutesExactly(workOfMask(lengths)), 6);
      }),
    );
    expect(workOfMask({ tapeMm: 100, softMm: 0 }).coverCm2).toBeCloseTo(100 * STRIP_CM2, 9);
  });

  test('of nothing are none; of soft edges alone they begin like any other', () => {
    expect(maskMinutes({ tapeMm: 0, softMm: 0 })).toBe(0);
    expect(maskMinutes({ tapeMm: 0, softMm: 120 })).toBeCloseTo(7, 9);
  });
});
