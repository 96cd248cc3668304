import { describe, expect, test } from '@jest/globals';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { caught, catchesOf, nearestCatches } from './catching';
import { asDrawn } from './laid';

const outline = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const cross = { title: 'Fuselage cross', places: [{ view: 'port' as const, station: 5, offset: 1 }] };
const catches = catchesOf(outline, 'port', [cross]);
const at = (x: number, y: number) => asDrawn(outline, 'port', [[x, y]])[0]!;

describe('what catches a corner of the scheme', () => {
  test('the middle of a marking, wherever within reach the corner is let go', () => {
    expect(caught(catches, at(5.03, 0.98), 0.1)).toEqual(at(5, 1));
    expect(caught(catches, at(5.03, 0.98), 0.01)).not.toEqual(at(5, 1));
  });
  test('a panel line, at its nearest point, where no middle and no end is near', () => {
    const { lines, points } = catches;
    const line = lines.find(([a, b]) => Math.hypot(b![0] - a![0], b![1] - a![1]) > 0.3)!;
    const [a, b] = [line[0]!, line[1]!];
    const middle = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] as const;
    const lone = { points, lines: [line] };
    const normal = [-(b[1] - a[1]), b[0] - a[0]].map((n) => (0.02 * n) / Math.hypot(b[0] - a[0], b[1] - a[1]));
    const beside: [number, number] = [middle[0] + normal[0]!, middle[1] + normal[1]!];
    const found = caught(lone, beside, 0.03)!;
    expect(found[0]).toBeCloseTo(middle[0], 6);
    expect(found[1]).toBeCloseTo(middle[1], 6);
  });
  test('nothing far away', () => {
    expect(caught({ points: [], lines: [] }, at(3, 1), 5)).toBeNull();
    expect(caught(catches, at(60, 30), 0.5)).toBeNull();
  });
  test('by keyboard the nearest are offered first, by name', () => {
    const offered = nearestCatches(catches, at(5.1, 1), 4);
    expect(offered[0]!.title).toBe('middle of Fuselage cross');
    expect(offered).toHaveLength(4);
    const far = offered.map(({ at: [u, v] }) => Math.hypot(u - at(5.1, 1)[0], v - at(5.1, 1)[1]));
    expect(far).toEqual([...far].sort((p, q) => p - q));
  });
});
