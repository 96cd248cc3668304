import { describe, expect, test } from '@jest/globals';
import { compared } from './compared';
import type { TracedFigure } from './traced';

const height = (value: number, sd: number): TracedFigure => ({
  of: 'height',
  value,
  sd,
  parts: { points: sd, camera: 0 },
});

describe('the same thing traced in two pictures', () => {
  test('is one figure, each weighing by the square of its uncertainty, where both agree', () => {
    const found = compared(height(100, 3), height(104, 4))!;
    expect(found.apart).toBe(-4);
    expect(found.sigmas).toBeCloseTo(0.8, 12);
    // (16 x 100 + 9 x 104) / 25, and 3 x 4 / 5.
    expect(found.together!.value).toBeCloseTo(101.44, 10);
    expect(found.together!.sd).toBeCloseTo(2.4, 10);
  });
  test('is no one figure beyond two standard deviations', () => {
    expect(compared(height(100, 3), height(109.9, 4))!.together).not.toBeNull();
    expect(compared(height(100, 3), height(110.1, 4))).toMatchObject({ together: null });
  });
  test('is not compared where it is a figure of something else', () => {
    expect(compared(height(100, 3), { ...height(100, 3), of: 'length' })).toBeNull();
  });
});
