import { describe, expect, test } from '@jest/globals';
import type { DimensionName } from '@/core/outline/dimensions';
import { photographed } from '@tests/support/photographed';
import { isKitWrong, mendsOf } from './mends';

/** Pictures of one machine, and an outline of it that has a dimension otherwise. */
const RUNS = [2, 7, 11] as const;
const pictures = RUNS.map((run) => photographed('tail-wheel', run, 0.7));
const { spec } = pictures[0]!.outline;
const kept = pictures.map((one) => one.kept);
const withOther = (dimension: DimensionName, by: number) => ({
  ...spec,
  dimensions: { ...spec.dimensions, [dimension]: spec.dimensions[dimension] + by },
});

describe('where pictures disagree with an outline', () => {
  test('that has a higher fin, it is that which would mend them, by as much', () => {
    const [dimension, by] = ['finHeight', 0.25] as const;
    const [best] = mendsOf(withOther(dimension, by), kept);
    expect(best).toMatchObject({ dimension, pictures: 3 });
    expect(best!.better).toBeGreaterThanOrEqual(2);
    // Back to what the machine really has, but for a third of what is wrong.
    expect(Math.abs(best!.to - spec.dimensions[dimension])).toBeLessThan(Math.abs(by) / 3);
    expect(best!.gain).toBeGreaterThan(0.8);
  });
  test('a kit that measures as the outline does is wrong with it; one that measures as the pictures have it is not', () => {
    const mend = { from: 1.6, to: 1.85 };
    expect([1.55, 1.62, 1.7].map((kitM) => isKitWrong(mend, kitM))).toEqual([true, true, true]);
    expect([1.75, 1.85, 2].map((kitM) => isKitWrong(mend, kitM))).toEqual([false, false, false]);
  });
  test('in nothing there is nothing to mend', () => {
    expect(mendsOf(spec, kept)).toEqual([]);
  });
  test('by one place that was set on another machine, the outline is left alone', () => {
    const [first, ...rest] = kept;
    const [one, ...others] = first!.points;
    const wrong = { ...one!, at: [one!.at[0] + 200, one!.at[1] - 160] as [number, number] };
    const found = mendsOf(spec, [{ ...first!, points: [wrong, ...others] }, ...rest]);
    expect(found).toEqual([]);
  });
  test('pictures without a camera are not asked', () => {
    expect(mendsOf(withOther('finHeight', 0.25), [{ ...kept[0]!, points: [] }])).toEqual([]);
  });
});
