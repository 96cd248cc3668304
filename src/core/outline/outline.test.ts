import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DIMENSION_NAMES } from './dimensions';
import { dimensionsSchema } from './dimension-fields';
import { extentOf, polygonArea } from '@/core/geometry/polygon';
import { buildOutline, modelAreaCm2, zoneTitle, type OutlineSpec } from './outline';
import { formOf, PRESET_NAMES, PRESETS, type PresetName } from './presets';
import { smooth } from './profile';
import { otherSide, VIEWS } from './zones';

const draw = (preset: (typeof PRESET_NAMES)[number], change = {}) =>
  buildOutline({ preset, dimensions: { ...PRESETS[preset].dimensions, ...change }, landing: 'wheels', folded: false });

describe('geometry', () => {
  test('a 3-4-5 triangle has area 6, either way round', () => {
    expect(
      polygonArea([
        [0, 0],
        [4, 0],
        [4, 3],
      ]),
    ).toBe(6);
    expect(
      polygonArea([
        [4, 3],
        [4, 0],
        [0, 0],
      ]),
    ).toBe(6);
  });
  test('the fuselage curve passes through its points and never overshoots', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 9 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (ys, t) => {
          const curve = smooth(ys.map((y, i) => [i, y]));
          ys.forEach((y, i) => expect(curve(i)).toBeCloseTo(y, 9));
          const x = t * (ys.length - 1);
          const i = Math.min(ys.length - 2, Math.floor(x));
          expect(curve(x)).toBeGreaterThanOrEqual(Math.min(ys[i]!, ys[i + 1]!) - 1e-9);
          expect(curve(x)).toBeLessThanOrEqual(Math.max(ys[i]!, ys[i + 1]!) + 1e-9);
        },
      ),
    );
  });
});

describe('outlines', () => {
  test.each(PRESET_NAMES)('%s: its own dimensions are valid and every view is drawn', (preset) => {
    expect(dimensionsSchema.safeParse(PRESETS[preset].dimensions).success).toBe(true);
    const outline = draw(preset);
    for (const view of VIEWS) {
      // A base is a board: its ground, and its edge.
      expect(outline.drawings[view].shapes.length).toBeGreaterThan(formOf(preset) === 'base' ? 0 : 2);
      for (const shape of outline.drawings[view].shapes) expect(shape.points.flat().every(Number.isFinite)).toBe(true);
    }
    const keys = new Set(outline.zones.map((zone) => zone.key));
    for (const view of VIEWS) for (const shape of outline.drawings[view].shapes) expect(keys).toContain(shape.zone);
  });

  test.each(PRESET_NAMES.filter((preset) => formOf(preset) !== 'base'))(
    '%s: port and starboard are mirror images, in area too',
    (preset) => {
      const { zones } = draw(preset);
      const sided = zones.filter(({ side }) => side === 'port');
      expect(sided.length).toBeGreaterThan(0);
      for (const port of sided) {
        const starboard = zones.find(({ key }) => key === otherSide(port.key))!;
        expect([port.key, starboard.areaM2]).toEqual([port.key, expect.closeTo(port.areaM2, 4)]);
      }
    },
  );

  test('the drawing has the true span and length', () => {
    const { extents } = draw('single', { span: 12 });
    expect(extents.upper.bottom - extents.upper.top).toBeCloseTo(12, 2);
    expect(extents.port.right - extents.port.left).toBeGreaterThan(9.1);
    expect(extents.port.right - extents.port.left).toBeLessThan(9.1 * 1.1);
  });

  test('port is below in the upper view, above in the lower one, and the starboard view faces right', () => {
    const { drawings } = draw('single');
    const middle = (view: 'upper' | 'lower', zone: string) => {
      const { top, bottom } = extentOf([drawings[view].shapes.find((shape) => shape.zone === zone)!.points]);
      return (top + bottom) / 2;
    };
    expect(middle('upper', 'wing-upper-outer-port')).toBeGreaterThan(0);
    expect(middle('lower', 'wing-lower-port')).toBeLessThan(0);
    const nose = (view: 'port' | 'starboard') =>
      extentOf([drawings[view].shapes.find((shape) => shape.zone === `cowling-${view}`)!.points]).left;
    expect(nose('port')).toBeLessThan(1);
    expect(nose('starboard')).toBeGreaterThan(5);
  });

  test('wing area follows the chords: a plain 2 m x 10 m wing, less what the body covers', () => {
    const { zones } = draw('single', { rootChord: 2, tipChord: 2, wingSweep: 0, span: 10 });
    const area = (key: string) => zones.find((zone) => zone.key === key)!.areaM2;
    const half = area('wing-upper-inner-port') + area('wing-upper-outer-port');
    expect(half).toBeCloseTo(area('wing-lower-port'), 1);
    expect(half).toBeGreaterThan(8.4);
    expect(half).toBeLessThan(10);
  });

  test('a nose wheel has a bay that the fuselage closes; wing bays close with the wings; skis have none', () => {
    const closes = (landing: 'wheels' | 'skis') =>
      buildOutline({ preset: 'single', dimensions: PRESETS.single.dimensions, landing, folded: false }).zones.map(
        (z) => [z.key, z.closedBy],
      );
    expect(closes('wheels')).toContainEqual(['well-nose', 'fuselage']);
    expect(closes('wheels')).toContainEqual(['well-main-port', 'wings']);
    expect(closes('skis').map(([key]) => key)).not.toContain('well-nose');
  });

  test('gear that does not go up leaves no bay, whatever the layout has; a propeller may be without a spinner', () => {
    const keys = (preset: PresetName, own: Pick<OutlineSpec, 'gear' | 'spinner'> = {}) =>
      buildOutline({
        preset,
        dimensions: PRESETS[preset].dimensions,
        landing: PRESETS[preset].landing,
        folded: false,
        ...own,
      }).zones.map(({ key }) => key);
    const bays = (list: string[]) => list.filter((key) => key.startsWith('well-'));
    expect(bays(keys('tail-wheel'))).not.toEqual([]);
    expect(bays(keys('tail-wheel', { gear: 'fixed' }))).toEqual([]);
    expect(keys('tail-wheel', { gear: 'fixed' })).toContain('gear-main');
    expect(bays(keys('glider'))).toEqual([]);
    expect(bays(keys('glider', { gear: 'retracts' }))).not.toEqual([]);
    expect(keys('single')).toContain('spinner');
    expect(keys('single', { spinner: false })).not.toContain('spinner');
  });

  test('spread blades reach all round the hub; folded ones lie aft', () => {
    const reach = (folded: boolean) => {
      const { drawings } = buildOutline({
        preset: 'rotorcraft',
        dimensions: PRESETS.rotorcraft.dimensions,
        landing: 'wheels',
        folded,
      });
      return extentOf(
        drawings.upper.shapes.filter((shape) => shape.zone === 'rotor-blades').map((shape) => shape.points),
      );
    };
    expect(reach(false).bottom - reach(false).top).toBeGreaterThan(9);
    expect(reach(true).bottom - reach(true).top).toBeLessThan(2);
    expect(reach(true).left).toBeGreaterThan(3);
  });

  test('areas shrink with the square of the scale', () => {
    const zone = { ...draw('single').zones[0]!, areaM2: 4 };
    expect(modelAreaCm2(zone, 48)).toBeCloseTo(17.361, 3);
    expect(modelAreaCm2(zone, 24)).toBeCloseTo(4 * modelAreaCm2(zone, 48), 9);
  });

  test('zones have titles, and one that is gone is still readable', () => {
    expect(zoneTitle(draw('single'), 'fin-port')).toBe('Fin and rudder, port');
    expect(zoneTitle(draw('single'), 'gone-zone')).toBe('Gone zone');
  });
});

describe('dimensions', () => {
  test('each impossible dimension is named', () => {
    const bad = dimensionsSchema.safeParse({ ...PRESETS.single.dimensions, span: -1 });
    expect(bad.error?.issues.map((issue) => issue.message)).toEqual(['Span: at least 0 m']);
    const behind = dimensionsSchema.safeParse({ ...PRESETS.single.dimensions, wingStation: 8 });
    expect(behind.error?.issues[0]?.message).toMatch(/ends behind the tail/);
    expect(DIMENSION_NAMES).toContain('span');
  });
});
