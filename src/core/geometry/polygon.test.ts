import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isWithin, rectangle, type Point } from './polygon';

describe('whether a point lies within a line drawn round it', () => {
  test('of a bent line: within the bend, not in its mouth', () => {
    const bent: Point[] = [
      [0, 0],
      [4, 0],
      [4, 4],
      [3, 4],
      [3, 1],
      [1, 1],
      [1, 4],
      [0, 4],
    ];
    expect(isWithin([0.5, 3], bent)).toBe(true);
    expect(isWithin([2, 0.5], bent)).toBe(true);
    expect(isWithin([2, 3], bent)).toBe(false);
    expect(isWithin([5, 1], bent)).toBe(false);
  });
  test('of any rectangle it is a matter of its sides', () => {
    const side = fc.double({ min: -50, max: 50, noNaN: true });
    fc.assert(
      fc.property(
        side,
        side,
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        side,
        side,
        (x, y, w, h, u, v) => {
          const clear =
            [x, x + w].every((edge) => Math.abs(u - edge) > 1e-6) &&
            [y, y + h].every((edge) => Math.abs(v - edge) > 1e-6);
          fc.pre(clear);
          expect(isWithin([u, v], rectangle(x, y, x + w, y + h))).toBe(u > x && u < x + w && v > y && v < y + h);
        },
      ),
    );
  });
});
