import { describe, expect, test } from '@jest/globals';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { times } from '@/core/outline/space';
import type { Point } from '@/core/geometry/polygon';
import { nearestLine } from './nearest-line';

const { dimensions } = PRESETS.single;
const outline = buildOutline({ preset: 'single', dimensions, landing: 'wheels', folded: false });
const joint = outline.lines.find(({ id }) => id === 'cowling joint')!;
const on = (at: Point) => ({ on: { chart: joint.chart, at }, xyz: times(joint.chart.at(at), 1000) });

describe('the line nearest to a place', () => {
  test.each([-0.2, 0.2, 0.6])('%s m aft of the cowling joint, level with the axis', (aft) => {
    // The skin runs nearly along the axis there: the way on it is hardly longer.
    const near = nearestLine(outline.lines, on([dimensions.cowlLength + aft, 90]))!;
    expect(near.id).toBe('cowling joint');
    expect(near.mm).toBeGreaterThanOrEqual(Math.abs(aft) * 1000 - 1);
    expect(near.mm).toBeLessThan(Math.abs(aft) * 1000 * 1.1 + 5);
  });

  test('on the line it is nought', () => {
    expect(nearestLine(outline.lines, on([dimensions.cowlLength, 37]))!.mm).toBeLessThan(2);
  });

  test('none where none is near, none on what is fitted to the machine, and none of another surface', () => {
    expect(nearestLine(outline.lines, on([dimensions.length * 0.8, 90]))).toBeNull();
    expect(nearestLine(outline.lines, { on: null, xyz: [0, 0, 0] })).toBeNull();
    expect(
      nearestLine([{ ...joint, chart: outline.regions.at(-1)!.chart }], on([dimensions.cowlLength, 90])),
    ).toBeNull();
  });
});
