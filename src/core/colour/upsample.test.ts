import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { deltaE00 } from './difference';
import { reflectanceToXyz } from './reflectance';
import { xyzToLab } from './spaces';
import type { Lab } from './types';
import { upsample } from './upsample';

const back = (lab: Lab) => xyzToLab(reflectanceToXyz(upsample(lab)));

describe('a reflectance made from a colour', () => {
  test('has that colour again, for everything a matt paint can be', () => {
    const paint = fc
      .record({
        L: fc.double({ min: 15, max: 84, noNaN: true }),
        hue: fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
        chroma: fc.double({ min: 0, max: 26, noNaN: true }),
      })
      .map(({ L, hue, chroma }): Lab => [L, chroma * Math.cos(hue), chroma * Math.sin(hue)]);
    fc.assert(
      fc.property(paint, (lab) => {
        expect(deltaE00(lab, back(lab))).toBeLessThan(0.05);
      }),
      { numRuns: 60 },
    );
  });
  test('has 31 bands between 0.003 and 0.98, and is flat for a grey', () => {
    for (const lab of [
      [99.9, 0, 0],
      [2, 0, 0],
      [60, -70, 60],
      [30, 70, -100],
    ] as Lab[]) {
      const curve = upsample(lab);
      expect(curve).toHaveLength(31);
      expect(Math.min(...curve)).toBeGreaterThanOrEqual(0.003);
      expect(Math.max(...curve)).toBeLessThanOrEqual(0.98);
    }
    const grey = upsample([50, 0, 0]);
    expect(Math.max(...grey) - Math.min(...grey)).toBeLessThan(0.005);
  });
  test('a red reflects at the long end, a blue at the short', () => {
    const [red, blue] = [upsample([42, 60, 42]), upsample([32, 5, -45])];
    expect(red[28]!).toBeGreaterThan(8 * red[5]!);
    expect(blue[5]!).toBeGreaterThan(2 * blue[28]!);
  });
  test('what no surface can be is drawn towards grey rather than failing', () => {
    const found = back([50, 120, -120]);
    expect(found[1]).toBeGreaterThan(20);
    expect(found[0]).toBeGreaterThan(20);
  });
});
