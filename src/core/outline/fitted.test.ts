import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { extentOf, polygonArea, type Point } from '@/core/geometry/polygon';
import type { StoreAt } from '@/core/kit/stores';
import { between, bodyPoint, type Xyz } from './body';
import { areaOn } from './chart';
import { buildOutline, type OutlineSpec } from './outline';
import { PRESETS, type PresetName } from './presets';
import { blade, rod, silhouette, solidArea, solidPoint, wheel } from './solid';

const placed = { zone: 'x', views: [] };
const drawn = (preset: PresetName, change: Partial<OutlineSpec> = {}) =>
  buildOutline({
    preset,
    dimensions: PRESETS[preset].dimensions,
    landing: PRESETS[preset].landing,
    folded: false,
    ...change,
  });
const along = fc
  .tuple(...[0, 1, 2].map(() => fc.double({ min: -3, max: 3, noNaN: true })))
  .filter((way) => Math.hypot(...way) > 0.1) as fc.Arbitrary<[number, number, number]>;

describe('a solid anywhere in space', () => {
  test('a rod’s skin lies at its radius from its axis, whichever way it runs', () => {
    fc.assert(
      fc.property(along, fc.double({ min: 0, max: 360, noNaN: true }), (way, girth) => {
        const from: Xyz = [1, -2, 0.5];
        const to: Xyz = [from[0] + way[0], from[1] + way[1], from[2] + way[2]];
        const solid = rod(placed, from, to, 0.2);
        const length = Math.hypot(...way);
        const point = solidPoint(solid, length / 2, girth);
        const middle: Xyz = [from[0] + way[0] / 2, from[1] + way[1] / 2, from[2] + way[2] / 2];
        expect(between(point, middle)).toBeCloseTo(0.2, 9);
        const [px, py, pz] = point;
        expect((px - middle[0]) * way[0] + (py - middle[1]) * way[1] + (pz - middle[2]) * way[2]).toBeCloseTo(0, 9);
      }),
    );
  });
  test('its skin is 2 pi r l with two caps, its outline a rectangle from beside and a circle from its end', () => {
    const solid = rod(placed, [0, 0, 0], [0, 0, 3], 0.5);
    expect(solidArea(solid)).toBeCloseTo(2 * Math.PI * 0.5 * 3 + 2 * Math.PI * 0.25, 2);
    const area = (to: (point: Xyz) => Point) => polygonArea(silhouette(solid, to));
    expect(area(([x, , z]) => [x, z])).toBeCloseTo(3, 4);
    expect(Math.abs(area(([x, y]) => [x, y]) / (Math.PI * 0.25) - 1)).toBeLessThan(0.02);
  });
  test('a wheel is as high as its diameter and turns about an axle across', () => {
    const { left, right, top, bottom } = extentOf([silhouette(wheel(placed, [2, 1, 0.4], 0.8), ([x, , z]) => [x, z])]);
    expect([left, right, top, bottom]).toEqual([1.6, 2.4, 0, 0.8].map((n) => expect.closeTo(n, 9)));
  });
  test('a blade shows its chord from above and its thickness from beside', () => {
    const solid = blade(placed, [0, 0, 0], [5, 0, 0], 0.4, 0.05, [0, 1, 0]);
    const breadth = (to: (point: Xyz) => Point) => {
      const { top, bottom } = extentOf([silhouette(solid, to)]);
      return bottom - top;
    };
    expect(breadth(([x, y]) => [x, y])).toBeCloseTo(0.4, 9);
    expect(breadth(([x, , z]) => [x, z])).toBeCloseTo(0.05, 9);
  });
});

describe('what is fitted to the airframe', () => {
  test('both main wheels stand on the ground, a track apart, also seen from ahead', () => {
    const d = PRESETS.single.dimensions;
    const { drawings, front } = drawn('single', { landing: 'wheels' });
    for (const view of ['port', 'starboard'] as const) {
      const wheels = drawings[view].shapes.filter(({ zone }) => zone === 'gear-main').map(({ points }) => points);
      expect(extentOf(wheels).bottom).toBeCloseTo(d.gearHeight, 6);
    }
    const { left, right } = extentOf(
      front()
        .shapes.filter(({ zone }) => zone === 'gear-main')
        .map(({ points }) => points),
    );
    expect(right - left).toBeGreaterThan(d.mainTrack);
    expect(right - left).toBeLessThan(d.mainTrack + d.mainWheelDiameter / 2);
  });
  test('the tips of a propeller sweep its diameter', () => {
    const d = PRESETS.single.dimensions;
    const points = drawn('single')
      .front()
      .shapes.filter(({ zone }) => zone === 'propeller')
      .flatMap((shape) => shape.points);
    // The first blade stands up: the disc reaches its diameter below the highest tip.
    const centre = Math.min(...points.map(([, v]) => v)) + d.propellerDiameter / 2;
    const reach = Math.max(...points.map(([u, v]) => Math.hypot(u, v - centre)));
    expect(reach / (d.propellerDiameter / 2)).toBeGreaterThanOrEqual(1);
    expect(reach / (d.propellerDiameter / 2)).toBeLessThan(1.02);
  });
  test('what is glass is not painted: windows and skin together make the whole body', () => {
    const { regions } = drawn('transport');
    const on = regions.filter(({ chart }) => chart.id === 'fuselage');
    const chart = on[0]!.chart;
    if (chart.on.kind !== 'body') throw new Error('the fuselage is a body');
    const { sections } = chart.on.body;
    const [from, to] = [sections[0]!.x, sections.at(-1)!.x];
    const all = areaOn(chart, [
      [
        [from, 0],
        [to, 0],
        [to, 360],
        [from, 360],
      ],
    ]);
    const sum = on.reduce((m2, { region }) => m2 + areaOn(chart, region), 0);
    expect(on.some(({ glass }) => glass)).toBe(true);
    expect(Math.abs(sum / all - 1)).toBeLessThan(0.001);
  });
  test('a tank under each wing is a zone of its own under the wing; its pylon is painted with the wing', () => {
    const stores: StoreAt[] = [
      { station: 'port inner', carries: 'drop tank' },
      { station: 'starboard inner', carries: 'drop tank' },
    ];
    const bare = drawn('jet');
    const hung = drawn('jet', { stores });
    const area = ({ zones }: typeof bare, key: string) => zones.find((zone) => zone.key === key)?.areaM2 ?? 0;
    expect(hung.zones.find(({ key }) => key === 'store-inner-port')).toMatchObject({
      title: 'Drop tank, port inner',
      group: 'stores',
      side: 'port',
    });
    expect(area(hung, 'store-inner-port')).toBeGreaterThan(1);
    expect(area(hung, 'store-inner-port')).toBeCloseTo(area(hung, 'store-inner-starboard'), 9);
    expect(area(hung, 'wing-lower-port')).toBeGreaterThan(area(bare, 'wing-lower-port'));
    const shown = (view: 'port' | 'starboard' | 'upper' | 'lower') =>
      hung.drawings[view].shapes.filter(({ zone }) => zone.startsWith('store')).map(({ zone }) => zone);
    expect(shown('port')).toEqual(['store-inner-port']);
    expect(shown('lower').sort()).toEqual(['store-inner-port', 'store-inner-starboard']);
    expect(shown('upper')).toEqual([]);
    // Port lies above the centre line in the view from below.
    const { top, bottom } = extentOf(
      hung.drawings.lower.shapes.filter(({ zone }) => zone === 'store-inner-port').map(({ points }) => points),
    );
    expect((top + bottom) / 2).toBeLessThan(0);
  });
  test('every solid is a body with a skin: no zone that is drawn has no area', () => {
    for (const preset of Object.keys(PRESETS) as PresetName[]) {
      const { zones, drawings } = drawn(preset);
      const shown = new Set(Object.values(drawings).flatMap(({ shapes }) => shapes.map(({ zone }) => zone)));
      const bare = zones.filter(({ key, areaM2 }) => shown.has(key) && !(areaM2 > 0));
      expect([preset, bare.map(({ key }) => key)]).toEqual([preset, []]);
    }
  });
  test('a point of a section is the same in its own frame', () => {
    const solid = rod(placed, [0, 0, 0], [4, 0, 0], 0.5);
    const [x, y, z] = solidPoint(solid, 1, 30);
    expect([x, y, z]).toEqual(bodyPoint(solid.body, 1, 30).map((n) => expect.closeTo(n, 9)));
  });
});
