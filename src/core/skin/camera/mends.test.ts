import { describe, expect, test } from '@jest/globals';
import type { DimensionName } from '@/core/outline/dimensions';
import { photographed } from '@tests/support/photographed';
import { kitInWords, mendsOf } from './mends';

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

describe('of outline and kit, which is wrong', () => {
  const mend = { dimension: 'finHeight', from: 1.6, to: 1.85 } as const;
  test.each([1.55, 1.62, 1.7])('a kit that measures %s m has it as the outline does: it is wrong too', (kitM) => {
    const said = kitInWords(mend, kitM, 50);
    expect(said).toContain('wrong too');
    // What the pictures have, less what the kit makes of it, at 1/50.
    expect(said).toContain(`${((1850 - 1000 * kitM) / 50).toFixed(1)} mm on the model`);
  });
  test.each([1.75, 1.85, 2])('a kit that measures %s m has it as the pictures do', (kitM) =>
    expect(kitInWords(mend, kitM, 50)).toContain('the outline alone is wrong'),
  );
  test('a kit that nobody measured is to be measured; an angle is held against it as it is built', () => {
    expect(kitInWords(mend, null, 50)).toContain('Measured at Kit');
    expect(kitInWords({ dimension: 'dihedral', from: 5, to: 7 }, null, 50)).toContain('as it is built up');
  });
});
