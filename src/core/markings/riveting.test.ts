import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rivetingOf, rivetSheet, rivetsKey } from './riveting';

const ticks = (pitchMm: number, lineMm: number, denominator: number) =>
  rivetSheet({ pitchMm, lineMm }, denominator).pieces.map(({ marks }) => marks.map((line) => line[0]![0]));

describe('rivets to prick', () => {
  test('48 mm apart at 1/48 are a millimetre apart; both ends have one', () => {
    const [strip] = ticks(48, 480, 48);
    expect(strip).toHaveLength(11);
    strip!.slice(1).forEach((x, i) => expect(x - strip![i]!).toBeCloseTo(1, 9));
  });
  test('what would merge is thinned, and says so', () => {
    const { notes, pieces } = rivetSheet({ pitchMm: 25, lineMm: 2500 }, 144);
    // 0.174 mm: every third of them, 0.52 mm.
    expect(notes[0]).toContain('every 3. rivet, 0.52 mm');
    expect(pieces[0]!.marks).toHaveLength(34);
  });
  test('a long line takes several strips, none longer than a sheet, all its rivets on them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 400 }),
        fc.integer({ min: 400, max: 20_000 }),
        fc.constantFrom(24, 32, 48, 72, 144),
        (pitchMm, lineMm, denominator) => {
          const { pieces } = rivetSheet({ pitchMm, lineMm }, denominator);
          for (const { width } of pieces) expect(width).toBeLessThan(180);
          const every = Math.max(1, Math.ceil((0.35 * denominator) / pitchMm));
          const count = pieces.reduce((sum, { marks }) => sum + marks.length, 0);
          expect(Math.abs(count - (Math.floor(lineMm / (pitchMm * every)) + 1))).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
  test('a sheet’s name leads back to its figures; what cannot be has none', () => {
    expect(rivetingOf(rivetsKey({ pitchMm: 25.5, lineMm: 3200 }))).toEqual({ pitchMm: 25.5, lineMm: 3200 });
    for (const key of ['rivets-0-500', 'rivets-30-20', 'rivets-25-99999', 'rivets--5-100', 'canopy', 'rivets-1e3-9'])
      expect([key, rivetingOf(key)]).toEqual([key, null]);
  });
});
