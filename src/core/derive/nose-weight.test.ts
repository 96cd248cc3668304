import { describe, expect, test } from '@jest/globals';
import { skinBalance } from '@/core/outline/balance';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS, type PresetName } from '@/core/outline/presets';
import type { Dimensions } from '@/core/outline/dimensions';
import { noseWeightInWords, noseWeightOf } from './nose-weight';

const drawn = (preset: PresetName, change: Partial<Dimensions> = {}) =>
  buildOutline({
    preset,
    dimensions: { ...PRESETS[preset].dimensions, ...change },
    landing: 'wheels',
    folded: false,
  });

describe('balance', () => {
  test('the skin that is weighed is the skin that is painted', () => {
    const outline = drawn('jet');
    const { areaM2, centreM } = skinBalance(outline);
    const painted = outline.zones
      .filter(({ group }) => !['interior', 'bays'].includes(group))
      .reduce((sum, zone) => sum + zone.areaM2, 0);
    // Faces run on into the body, and the lower half of a canopy lies inside it.
    expect(areaM2 / painted).toBeGreaterThan(0.9);
    expect(areaM2 / painted).toBeLessThan(1.35);
    expect(centreM).toBeGreaterThan(outline.spec.dimensions.length * 0.3);
    expect(centreM).toBeLessThan(outline.spec.dimensions.length * 0.7);
  });
  test('a heavier tail moves the centre aft', () => {
    const centre = (finHeight: number) => skinBalance(drawn('jet', { finHeight })).centreM;
    expect(centre(3.4)).toBeGreaterThan(centre(1.7));
  });
  test('main wheels further forward want more weight in the nose; far enough aft they want none', () => {
    const grams = (mainWheelStation: number) => noseWeightOf(drawn('jet', { mainWheelStation }), 48).grams;
    const { centreM } = skinBalance(drawn('jet'));
    expect(grams(centreM - 1)).toBeGreaterThan(grams(centreM - 0.5));
    expect(grams(centreM - 0.5)).toBeGreaterThan(0);
    expect(grams(centreM + 0.5)).toBe(0);
    expect(noseWeightInWords(noseWeightOf(drawn('jet', { mainWheelStation: centreM + 0.5 }), 48))).toMatch(
      /without any/,
    );
  });
  test('the moment ahead of the wheels outweighs that behind them by a quarter', () => {
    const { massG, centreMm, wheelsMm, weightMm, grams } = noseWeightOf(drawn('jet', { mainWheelStation: 5 }), 48);
    expect(grams * (wheelsMm - weightMm)).toBeCloseTo(1.25 * massG * (centreMm - wheelsMm), 6);
  });
  test('twice the scale, four times the skin and the weight', () => {
    const at = (denominator: number) => noseWeightOf(drawn('jet', { mainWheelStation: 5 }), denominator).grams;
    expect(at(24) / at(48)).toBeCloseTo(4, 6);
  });
});
