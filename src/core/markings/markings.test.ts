import { describe, expect, test } from '@jest/globals';
import { extentOf } from '@/core/geometry/polygon';
import { hexagonInsignia } from './insignia';
import { lettering } from './lettering';
import { checkSize } from './size';

describe('the size of a decal', () => {
  test('a 610 mm letter is 12.7 mm at 1/48; printed 13.5 it is 6.3 % too big and would be 648 mm high', () => {
    const check = checkSize(610, 48, 13.5);
    expect(check.modelMm).toBeCloseTo(12.708, 3);
    expect(check.errorPercent).toBeCloseTo(6.23, 2);
    expect(check.equalsRealMm).toBeCloseTo(648, 9);
    expect(check.says).toBe('6.2 % too big');
  });
  test('within two percent it is right; without a measurement it says so', () => {
    expect(checkSize(480, 48, 10.1).says).toBe('right');
    expect(checkSize(480, 48, null).says).toBe('not measured on the sheet');
    expect(checkSize(480, 48, 8).says).toBe('20 % too small');
  });
});

describe('lettering and insignia', () => {
  test('all strokes stay within the height; width grows by the letter', () => {
    const { strokes, thickness, width } = lettering('TK-G 417');
    const { top, bottom, left, right } = extentOf(strokes);
    expect(top).toBeGreaterThanOrEqual(thickness / 2 - 1e-9);
    expect(bottom).toBeLessThanOrEqual(1 - thickness / 2 + 1e-9);
    expect(left).toBeGreaterThanOrEqual(0);
    expect(right).toBeLessThanOrEqual(width);
    expect(lettering('AB').width).toBeGreaterThan(2 * lettering('A').width);
    expect(lettering('').width).toBe(0);
  });
  test('the insignia fills its square across and is symmetric', () => {
    const fields = hexagonInsignia();
    const { left, right, top, bottom } = extentOf(fields.map((field) => field.points));
    expect(right - left).toBeCloseTo(1, 9);
    expect(top).toBeCloseTo(-bottom, 9);
  });
});
