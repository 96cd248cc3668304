import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { difference, intersection, regionArea } from '@/core/geometry/clip';
import { rectangle, type Point } from '@/core/geometry/polygon';
import { areaOn, bodyChart, laidOn, lengthOn, liftingChart, shownIn } from './chart';
import { project } from './drawing';
import { buildOutline, chartsOf, viewsShowing } from './outline';
import { PRESET_NAMES, PRESETS } from './presets';
import { bodyOfProfile } from './profile';
import { bodyArea, liftingArea } from './skin-area';

const section = (x: number, d: number) => ({ x, width: d, height: d, z: 0, n: 2 });
const drum = bodyChart('drum', { y: 0, sections: [section(0, 2), section(10, 2)] }, 10);
const whole = [rectangle(0, 0, 10, 360)];
const plate = {
  root: { x: 1, chord: 2, thickness: 0.12 },
  tip: { x: 2, chord: 1, thickness: 0.12 },
  semispan: 5,
  dihedralDeg: 6,
  side: 1 as const,
  y: 0,
  z: 0,
  upright: false,
};
const spec = (preset: (typeof PRESET_NAMES)[number]) => ({
  preset,
  dimensions: PRESETS[preset].dimensions,
  landing: PRESETS[preset].landing,
  folded: false,
});

describe('areas on a surface', () => {
  test('a drum is 2 pi r l, its upper half half of that', () => {
    expect(areaOn(drum, whole) / (20 * Math.PI)).toBeCloseTo(1, 3);
    expect(areaOn(drum, [rectangle(0, 0, 10, 90), rectangle(0, 270, 10, 360)])).toBeCloseTo(areaOn(drum, whole) / 2, 6);
  });
  test('a face of a wing is half of both', () => {
    const chart = liftingChart('w', plate, 1, 10, ['upper']);
    const plan: Point[] = [
      [0, 1],
      [5, 2],
      [5, 3],
      [0, 3],
    ];
    expect(areaOn(chart, [plan]) / (liftingArea(plate) / 2)).toBeCloseTo(1, 3);
  });
  test('parts of a region make up the whole, wherever it is cut', () => {
    const { regions } = buildOutline(spec('single'));
    fc.assert(
      fc.property(
        fc.nat(regions.length - 1),
        fc.array(fc.double({ min: 0.05, max: 0.95, noNaN: true }), { minLength: 6, maxLength: 6 }),
        (which, shares) => {
          const { chart, region } = regions[which]!;
          const [ps, qs] = [region.flat().map(([p]) => p), region.flat().map(([, q]) => q)];
          const at = (i: number): Point => [
            Math.min(...ps) + shares[i]! * (Math.max(...ps) - Math.min(...ps)),
            Math.min(...qs) + shares[i + 3]! * (Math.max(...qs) - Math.min(...qs)),
          ];
          const cut = [[at(0), at(1), at(2)]];
          const parts = areaOn(chart, intersection(region, cut)) + areaOn(chart, difference(region, cut));
          expect(Math.abs(parts / areaOn(chart, region) - 1)).toBeLessThan(1e-4);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('lengths follow the skin: round a drum, and along it', () => {
    expect(
      lengthOn(drum, [
        [5, 0],
        [5, 360],
      ]),
    ).toBeCloseTo(2 * Math.PI, 2);
    expect(
      lengthOn(drum, [
        [0, 40],
        [10, 40],
      ]),
    ).toBeCloseTo(10, 9);
  });
});

describe('from a view to the skin', () => {
  test('a strip 0.2 m high in the middle of a side is 0.2 m of skin; near the top it is more', () => {
    const strip = (low: number) => areaOn(drum, laidOn(drum, [rectangle(2, -low - 0.2, 8, -low)], 'port')) / 6;
    expect(strip(-0.1)).toBeCloseTo(0.2, 2);
    expect(strip(0.75)).toBeCloseTo(Math.acos(0.75) - Math.acos(0.95), 2);
  });
  test('what reaches beyond the skin ends at its edge; what misses it is not there', () => {
    expect(areaOn(drum, laidOn(drum, [rectangle(-5, -9, 15, 9)], 'port'))).toBeCloseTo(areaOn(drum, whole) / 2, 3);
    expect(areaOn(drum, laidOn(drum, [rectangle(20, -1, 22, 1)], 'port'))).toBeCloseTo(0, 6);
  });
  test('a strip over the spine in the upper view lies on both sides', () => {
    const laid = laidOn(drum, [rectangle(2, -0.5, 8, 0.5)], 'upper');
    expect(areaOn(drum, laid)).toBeCloseTo(6 * 2 * Math.asin(0.5), 2);
    expect(regionArea(intersection(laid, [rectangle(0, 0, 10, 180)]))).toBeCloseTo(regionArea(laid) / 2, 3);
  });
  test('a place that a view sees is found again, on every surface of every outline', () => {
    for (const preset of PRESET_NAMES) {
      const outline = buildOutline(spec(preset));
      const { length } = outline.spec.dimensions;
      for (const { chart, region } of outline.regions)
        for (const view of ['port', 'starboard', 'upper', 'lower'] as const)
          for (const shape of shownIn(chart, region, view, length).slice(0, 1)) {
            const shown = shape[Math.floor(shape.length / 3)]!;
            const back = project(view, length, ...chart.at(chart.under(view, shown)!));
            expect(Math.hypot(back[0] - shown[0], back[1] - shown[1])).toBeLessThan(length * 2e-3);
          }
    }
  });
});

describe('zones of an outline', () => {
  test.each(PRESET_NAMES)('%s: those of its main body make up its whole skin', (preset) => {
    const outline = buildOutline(spec(preset));
    const own = outline.regions.filter(({ chart }) => chart.id === outline.regions[0]!.chart.id);
    const skin = bodyArea(bodyOfProfile(PRESETS[preset].profile, outline.spec.dimensions, PRESETS[preset].section));
    const sum = own.reduce((total, { chart, region }) => total + areaOn(chart, region), 0);
    expect(Math.abs(sum / skin - 1)).toBeLessThan(2e-3);
  });
  test('each view is left to those that see a zone well', () => {
    const shown = viewsShowing(buildOutline(spec('single')));
    expect(shown.get('wing-upper-outer-port')).toEqual(['upper']);
    expect(shown.get('fuselage-mid-port')).toContain('port');
    expect(shown.get('fuselage-mid-port')).not.toContain('lower');
    expect(shown.get('fuselage-lower')).toContain('lower');
  });
  test('with booms there is a fin on each, and the pod ends before the tail', () => {
    const outline = buildOutline(spec('twin-boom'));
    const fins = chartsOf(outline).filter(({ id }) => id.startsWith('fin-'));
    expect(new Set(fins.map((chart) => Math.sign(chart.at([1, 11])[1])))).toEqual(new Set([-1, 1]));
    const rear = outline.regions.find(({ zone }) => zone === 'fuselage-rear-port')!;
    expect(Math.max(...rear.region.flat().map(([x]) => x))).toBeLessThan(outline.spec.dimensions.length * 0.7);
  });
  test('from ahead the span is the span, and the nose lies over the wing', () => {
    const front = buildOutline(spec('single')).front();
    const us = front.shapes.flatMap(({ points }) => points.map(([u]) => u));
    expect(Math.max(...us) - Math.min(...us)).toBeCloseTo(PRESETS.single.dimensions.span, 1);
    const order = front.shapes.map(({ zone }) => zone);
    expect(order.lastIndexOf('wing-lower-port')).toBeLessThan(order.indexOf('cowling-port'));
  });
  test('edges that are pulled move the area from one zone to the next', () => {
    const area = (outer: number) => {
      const { zones } = buildOutline({
        ...spec('single'),
        edges: { underside: 0.3, forward: 0.36, rear: 0.66, outer },
      });
      return ['wing-upper-inner-port', 'wing-upper-outer-port'].map(
        (key) => zones.find((zone) => zone.key === key)!.areaM2,
      );
    };
    const [one, other] = [area(0.5), area(0.3)];
    expect(other[0]!).toBeLessThan(one[0]!);
    expect(other[0]! + other[1]!).toBeCloseTo(one[0]! + one[1]!, 3);
  });
});
