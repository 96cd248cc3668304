import { describe, expect, test } from '@jest/globals';
import { dueInWords, finishedInWords, leftOut, pressing } from './due-words';

const due = (key: string, title: string, start: string | null = '2026-12-03T19:30') => ({
  step: { key, title },
  start,
  by: start && '2026-12-01T19:30',
  tooLate: false,
});
const done = { step: null, start: null, by: null, tooLate: true };

describe('when an answer is wanted', () => {
  test('by which day, and before which step', () => {
    expect(dueInWords(due('gate:fuselage', 'Close the fuselage'))).toBe('by 1 Dec 2026, before “close the fuselage”');
    expect(dueInWords(due('gate:fuselage', 'Close the fuselage', null))).toBe('before “close the fuselage”');
    expect(dueInWords(done)).toBe('too late: what it decides is done');
  });
  test('the heading names the first step that waits, with what waits for it, in the grammar of one and of many', () => {
    const [bay, seat] = [
      { says: 'Nose-wheel bay, colour', due: due('gate:fuselage', 'Close the fuselage') },
      { says: 'Seat, colour', due: due('gate:fuselage', 'Close the fuselage') },
    ];
    const fin = { says: 'Fin, colour', due: due('gate:colour', 'Begin the colours', '2026-12-20T19:30') };
    expect(pressing([bay, fin])).toMatch(/^One open answer stands in the way of “close the fuselage” on .*3 Dec/);
    expect(pressing([bay, seat, fin])).toMatch(/^Two open answers stand in the way of “close the fuselage”/);
    expect(pressing([{ says: 'Door', due: done }, fin])).toMatch(/begin the colours/);
    expect(pressing([])).toBe('');
  });
  test('no day of finishing is said without what it leaves out', () => {
    expect(leftOut(0)).toBe('');
    expect(leftOut(1)).toBe(', without what one open answer will add');
    expect(finishedInWords('2026-12-12T20:00', 3)).toMatch(/12 December.*, without what three open answers will add$/);
  });
});
