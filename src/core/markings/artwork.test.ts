import { describe, expect, test } from '@jest/globals';
import { extentOf, polygonArea } from '@/core/geometry/polygon';
import { DrawingFault, shapesOfSvg } from '@/core/geometry/svg-paths';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { fieldShape } from '@/core/scheme/field-shape';
import { fieldsFromDrawing } from '@/core/scheme/from-drawing';
import { artworkOf } from './artwork';
import { designFields } from './design-fields';

const drawing = (inside: string) => shapesOfSvg(`<svg xmlns="http://www.w3.org/2000/svg">${inside}</svg>`);

describe('artwork from a drawing', () => {
  test('its height is 1, it stands upright about its middle, and each fill is a colour', () => {
    const { artwork, aspect, fills } = artworkOf(
      drawing(
        '<rect x="10" y="20" width="40" height="20" fill="red"/><rect x="10" y="20" width="10" height="5" fill="blue"/>',
      ),
    );
    expect(fills).toEqual(['red', 'blue']);
    expect(aspect).toBeCloseTo(2, 6);
    const { left, right, top, bottom } = extentOf(artwork[0]!.rings);
    expect([left, right, top, bottom]).toEqual([-1, 1, -0.5, 0.5]);
    // What was at the top of the drawing, where y is least, is up.
    expect(extentOf(artwork[1]!.rings).bottom).toBeCloseTo(0.5, 6);
    expect(designFields.safeParse({ artwork, aspect }).success).toBe(true);
  });
  test('a curve with thousands of points is brought to what can be kept', () => {
    const points = Array.from({ length: 9000 }, (_, i) => {
      const a = (i * Math.PI) / 4500;
      const r = 50 + 3 * Math.sin(40 * a);
      return `${(r * Math.sin(a)).toFixed(4)},${(r * Math.cos(a)).toFixed(4)}`;
    });
    const { artwork } = artworkOf(drawing(`<polygon points="${points.join(' ')}"/>`));
    expect(artwork[0]!.rings.flat().length).toBeLessThan(5500);
    expect(polygonArea(artwork[0]!.rings[0]!)).toBeGreaterThan(0.65);
    expect(designFields.safeParse({ artwork }).success).toBe(true);
  });
  test('seven colours are too many for one marking', () => {
    const many = Array.from({ length: 7 }, (_, i) => `<rect x="${i}" width="1" height="1" fill="#00000${i}"/>`).join(
      '',
    );
    expect(() => artworkOf(drawing(many))).toThrow(DrawingFault);
  });
});

describe('fields of the scheme from a drawing', () => {
  const outline = buildOutline({
    preset: 'single',
    dimensions: PRESETS.single.dimensions,
    landing: 'wheels',
    folded: false,
  });
  test('the drawing is laid over the view so that both are equally long, and every area passes its schema', () => {
    for (const view of ['port', 'starboard', 'upper', 'lower'] as const) {
      const drafts = fieldsFromDrawing(
        drawing('<rect width="1000" height="300"/><circle cx="500" cy="150" r="100"/>'),
        outline,
        view,
        'green',
      );
      expect(drafts).toHaveLength(2);
      for (const { shape } of drafts) expect(fieldShape.safeParse(shape).error).toBeUndefined();
      const xs = drafts[0]!.shape.kind === 'area' ? drafts[0]!.shape.corners.map(({ x }) => x) : [];
      const { left, right } = outline.extents[view];
      expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(right - left, 2);
    }
  });
});

describe('areas that cannot be', () => {
  const area = (points: [number, number][]) =>
    fieldShape.safeParse({
      kind: 'area',
      view: 'port',
      smooth: false,
      corners: points.map(([x, y]) => ({ x, y, on: null })),
    });
  test('a border that crosses itself is named by where it does', () => {
    expect(
      area([
        [0, 0],
        [2, 2],
        [2, 0],
        [0, 2],
      ]).error?.issues[0]?.message,
    ).toMatch(/Area: its border crosses itself at \[1, 1\]/);
    expect(
      area([
        [0, 0],
        [1, 1],
      ]).error?.issues[0]?.message,
    ).toMatch(/at least three/);
    expect(
      area([
        [0, 0],
        [NaN, 1],
        [1, 1],
      ]).success,
    ).toBe(false);
    expect(
      area([
        [0, 0],
        [500, 0],
        [0, 1],
      ]).error?.issues[0]?.message,
    ).toMatch(/too far out/);
    expect(
      area([
        [0, 0],
        [2, 0],
        [2, 2],
        [0, 2],
      ]).success,
    ).toBe(true);
  });
});
