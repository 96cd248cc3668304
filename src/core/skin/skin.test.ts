import { describe, expect, test } from '@jest/globals';
import { schemeOn } from '@/core/markings/placing';
import { areaOn } from '@/core/outline/chart';
import { buildOutline } from '@/core/outline/outline';
import { PRESET_NAMES, PRESETS } from '@/core/outline/presets';
import { cellsOf } from '@/core/scheme/cells';
import { viewOfDemo } from '@tests/support/demo-brief';
import { liftedRegion, type Lifted } from './lift';
import { skinOf } from './machine';
import type { SkinPiece } from './piece';
import { meshArea } from './mesh';

const { state, outline } = viewOfDemo().view;
const demo = {
  spec: outline.spec,
  denominator: state.brief.denominator,
  fields: state.fields,
  markings: state.markings,
};

const liftedArea = ({ positions, index }: Lifted) => meshArea({ positions, triangles: index });

const sumBy = <T>(list: readonly T[], keyOf: (one: T) => string, of: (one: T) => number) => {
  const sums = new Map<string, number>();
  for (const one of list) sums.set(keyOf(one), (sums.get(keyOf(one)) ?? 0) + of(one));
  return sums;
};
const isSound = (pieces: readonly SkinPiece[]) => {
  for (const { positions, normals, index } of pieces) {
    expect(positions.every(Number.isFinite) && normals.every(Number.isFinite)).toBe(true);
    expect(Math.max(...index)).toBeLessThan(positions.length / 3);
  }
};

describe('regions lifted off their chart', () => {
  test('keep the area that the scheme reckons, colour by colour, within half a per cent', () => {
    const tolerance = (0.05 * demo.denominator) / 1000;
    const cells = cellsOf(outline, () => null, schemeOn(outline, state.fields, state.markings)).filter(
      ({ glass }) => !glass,
    );
    const keyOf = ({ code }: (typeof cells)[number]) => code ?? 'own';
    const wanted = sumBy(cells, keyOf, ({ chart, region }) => areaOn(chart, region));
    const made = sumBy(cells, keyOf, ({ chart, region }) => liftedArea(liftedRegion(chart, region, tolerance)));
    expect(wanted.size).toBeGreaterThan(2);
    for (const [code, area] of wanted)
      expect([code, Math.abs(made.get(code)! / area - 1) < 5e-3]).toEqual([code, true]);
  });
  test('have their holes left open', () => {
    const { chart } = outline.regions.find(({ zone }) => zone === 'wing-upper-outer-port')!;
    const [out, x] = [3, 4.4];
    const square = (half: number) =>
      [
        [out - half, x - half],
        [out + half, x - half],
        [out + half, x + half],
        [out - half, x + half],
      ] as const;
    const frame = [square(0.3), square(0.2)];
    const area = liftedArea(liftedRegion(chart, frame, 1e-4));
    expect(Math.abs(area / areaOn(chart, [square(0.3)]) - (1 - 4 / 9))).toBeLessThan(5e-3);
  });
  test('lie over the skin by what they are told', () => {
    const { chart, region } = outline.regions.find(({ zone }) => zone === 'fuselage-mid-port')!;
    const [on, over] = [0, 0.05].map((above) => liftedRegion(chart, region, 1e-3, above));
    for (let i = 0; i < on!.positions.length; i += 3) {
      const off = [0, 1, 2].map((k) => over!.positions[i + k]! - on!.positions[i + k]!);
      expect(Math.hypot(...off)).toBeCloseTo(0.05, 4);
      // Further from the axis: outwards.
      expect(off[1]! * on!.positions[i + 1]!).toBeGreaterThanOrEqual(-1e-9);
    }
  });
});

describe('a machine in space', () => {
  test.each(PRESET_NAMES)('%s: every zone that a view draws is there, and nothing is broken', (preset) => {
    const spec = { preset, dimensions: PRESETS[preset].dimensions, landing: PRESETS[preset].landing, folded: false };
    const pieces = skinOf({ spec, denominator: 72, fields: [], markings: [] });
    isSound(pieces);
    const there = new Set(pieces.map(({ zone }) => zone));
    const drawn = buildOutline(spec);
    const solid = new Set([...drawn.regions.map(({ zone }) => zone), ...drawn.solids.map(({ zone }) => zone)]);
    for (const zone of solid) expect([zone, there.has(zone)]).toEqual([zone, true]);
  });
  test('the demo has its scheme and its markings, each in its colours', () => {
    const pieces = skinOf(demo);
    isSound(pieces);
    const codes = new Set(pieces.flatMap(({ code, marking }) => (marking === null && code ? [code] : [])));
    for (const { code } of state.fields) expect(codes).toContain(code);
    const placed = state.markings.filter(({ places }) => places.length > 0).map(({ id }) => id);
    const marked = new Set(pieces.flatMap(({ marking }) => marking ?? []));
    expect(placed.filter((id) => !marked.has(id))).toEqual([]);
  });
});
