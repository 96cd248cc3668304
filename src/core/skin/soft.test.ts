import { describe, expect, test } from '@jest/globals';
import { isInRegion, type Point } from '@/core/geometry/polygon';
import { buildOutline, chartsOf } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import type { SchemeField } from '@/core/scheme/field';
import { paintScheme } from '@/core/scheme/in-view';
import { softened } from './soft';

const outline = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const charts = new Map(chartsOf(outline).map((chart) => [chart.id, chart]));
const field = (over: Partial<SchemeField>): SchemeField => ({
  id: 'f',
  title: 'f',
  code: 'GREEN',
  mirrored: false,
  keptTo: [],
  edge: 'soft',
  softMm: 200,
  rank: 0,
  shape: {
    kind: 'area',
    view: 'upper',
    smooth: false,
    corners: [
      [3, 2],
      [4, 2],
      [4, 4],
      [3, 4],
    ].map(([x, y]) => ({ x: x!, y: y!, on: null })),
  },
  ...over,
});
/** How much of the field covers at a place of the upper face of the starboard wing: distance out, station. */
const coverAt = (one: SchemeField, place: Point): number => {
  const { painted, strips } = softened(
    paintScheme(outline, [one], () => null),
    charts,
  );
  const id = 'wing-upper-starboard';
  if (isInRegion(place, painted[0]!.laid.get(id) ?? [])) return 1;
  return (
    1 -
    strips
      .filter(({ chart, region }) => chart.id === id && isInRegion(place, region))
      .reduce((left, { share }) => left * (1 - share), 1)
  );
};

describe('a soft edge', () => {
  test('has half of its colour on the line that was drawn, none and all of it half its width to either side', () => {
    const at = (beyond: number) => coverAt(field({}), [4 + beyond, 3.5]);
    expect(at(0.11)).toBe(0);
    expect(at(-0.11)).toBe(1);
    expect(Math.abs(at(0.001) - 0.5)).toBeLessThan(0.15);
    const slope = [0.09, 0.05, 0, -0.05, -0.09].map(at);
    expect([...slope].sort((a, b) => a - b)).toEqual(slope);
  });

  test('of no width is hard, and what is hard stays as it is', () => {
    for (const one of [field({ edge: 'hard' }), field({ softMm: 0 })]) {
      expect([0.01, -0.01].map((beyond) => coverAt(one, [4 + beyond, 3.5]))).toEqual([0, 1]);
    }
  });

  test('runs round a body without a border along its spine', () => {
    const [body] = chartsOf(outline).filter(({ on }) => on.kind === 'body');
    const band = field({ shape: { kind: 'band', on: 'fuselage', from: 5, to: 6 } });
    const { painted } = softened(
      paintScheme(outline, [band], () => null),
      charts,
    );
    const inner = painted[0]!.laid.get(body!.id)!;
    for (const girth of [0.5, 90, 180, 359.5]) expect([girth, isInRegion([5.5, girth], inner)]).toEqual([girth, true]);
    expect(isInRegion([5.05, 90], inner)).toBe(false);
  });
});
