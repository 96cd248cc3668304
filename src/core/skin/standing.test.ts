import { describe, expect, test } from '@jest/globals';
import { optionsSchema } from '@/core/kit/option-fields';
import { between, type Xyz } from '@/core/outline/body';
import { buildOutline } from '@/core/outline/outline';
import { moved, OPENINGS, turned, turnedWay } from '@/core/outline/leaves';
import { PRESET_NAMES, PRESETS, type PresetName } from '@/core/outline/presets';
import { subjectZone } from '@/core/kit/subjects';
import { placesFor, type Beside } from './beside';
import { skinOf, type Standing } from './machine';
import type { SkinPiece } from './piece';
import { cornerAt, meshArea } from './mesh';
import { CLOSED, poseOf } from './pose';

/** How the finished model stands: what is open, on what it stands, and what stands beside it. */

const specOf = (preset: PresetName) => ({
  preset,
  dimensions: PRESETS[preset].dimensions,
  landing: PRESETS[preset].landing,
  folded: false,
});
const cut = (preset: PresetName, standing: Standing = {}) =>
  skinOf({ spec: specOf(preset), denominator: 72, fields: [], markings: [], ...standing });
const open = (opened: (typeof OPENINGS)[number][]) => ({ pose: { ...CLOSED, opened } });

const cornersOf = (pieces: readonly SkinPiece[]): Xyz[] =>
  pieces.flatMap(({ positions }) => Array.from({ length: positions.length / 3 }, (_, i) => cornerAt(positions, i)));
const extreme = (pieces: readonly SkinPiece[], k: 0 | 1 | 2, of: 'min' | 'max') =>
  cornersOf(pieces).reduce((known, at) => Math[of](known, at[k]), of === 'min' ? Infinity : -Infinity);
const ofZone = (pieces: readonly SkinPiece[], zone: string) => pieces.filter((piece) => piece.zone === zone);
const areaOf = (pieces: readonly SkinPiece[]) =>
  pieces.reduce((sum, { positions, index }) => sum + meshArea({ positions, triangles: index }), 0);

describe('a leaf', () => {
  test('keeps its shape, and lengths of ways', () => {
    const motion = { ...turned([1, 2, 3], [1, 1, 0.5], 70), slide: [0.3, -0.2, 4] as const };
    const [a, b, c] = [
      [0, 0, 0],
      [1, 5, -2],
      [-3, 0.5, 1],
    ] as const;
    for (const [from, to] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const)
      expect(between(moved(motion, from), moved(motion, to))).toBeCloseTo(between(from, to), 10);
    expect(Math.hypot(...turnedWay(motion, b))).toBeCloseTo(Math.hypot(...b), 10);
  });
  test('turns right-handed: from x to y about z', () => {
    const at = moved(turned([0, 0, 0], [0, 0, 2], 90), [1, 0, 5]);
    [0, 1, 5].forEach((value, k) => expect(at[k]).toBeCloseTo(value, 10));
  });
  test.each(PRESET_NAMES)('%s: takes its skin along whole, zone by zone', (preset) => {
    const [closed, opened] = [cut(preset), cut(preset, open([...OPENINGS]))];
    const { zones, sights } = buildOutline(specOf(preset));
    const rooms = new Set(sights.map(({ of }) => of));
    // Where a leaf ends its faces are joined over its thickness: that is new; facets fall otherwise within their tolerance.
    for (const { key } of zones.filter((zone) => !rooms.has(zone.key))) {
      const [before, after] = [areaOf(ofZone(closed, key)), areaOf(ofZone(opened, key))];
      expect([key, before, after, after >= before * 0.985 && after <= before * 1.3]).toEqual([
        key,
        before,
        after,
        true,
      ]);
    }
  });
});

describe('what stands open', () => {
  test('flaps let down reach lower behind, on both sides alike, and lengthen nothing', () => {
    const [up, down] = [cut('single'), cut('single', open(['flaps']))];
    for (const side of ['port', 'starboard']) {
      const lower = `wing-lower-${side}`;
      expect(extreme(ofZone(down, lower), 2, 'min')).toBeLessThan(extreme(ofZone(up, lower), 2, 'min') - 0.1);
    }
    expect(extreme(down, 2, 'min')).toBeCloseTo(extreme(up, 2, 'min'), 3);
  });
  test('a hood slides aft over the spine, its windscreen stays', () => {
    const [shut, slid] = [cut('single'), cut('single', open(['canopy']))].map((pieces) => ofZone(pieces, 'canopy'));
    const { canopyLength } = PRESETS.single.dimensions;
    expect(extreme(slid!, 0, 'min')).toBeCloseTo(extreme(shut!, 0, 'min'), 3);
    expect(extreme(slid!, 0, 'max') - extreme(shut!, 0, 'max')).toBeGreaterThan(0.4 * canopyLength);
  });
  test('the cockpit is seen under its glass, open or not; a cabin by its door alone', () => {
    expect(ofZone(cut('single'), 'cockpit')).not.toEqual([]);
    expect(ofZone(cut('transport'), 'cockpit')).toEqual([]);
    expect(ofZone(cut('transport', open(['doors'])), 'cockpit')).not.toEqual([]);
  });
  test('a door swings out to port, and shows its inside in the colour of the room', () => {
    const { fuselageWidth } = PRESETS.transport.dimensions;
    const swung = ofZone(cut('transport', open(['doors'])), 'cockpit');
    expect(extreme(swung, 1, 'min')).toBeLessThan(-fuselageWidth / 2 - 0.2);
    expect(extreme(swung, 1, 'max')).toBeLessThan(0);
  });
  test('folded wings stand up: the machine is narrower, its wings higher', () => {
    const [spread, folded] = [cut('single'), cut('single', open(['fold']))];
    expect(extreme(folded, 1, 'max')).toBeLessThan(0.7 * extreme(spread, 1, 'max'));
    const wing = (pieces: readonly SkinPiece[]) => ofZone(pieces, 'wing-upper-outer-starboard');
    expect(extreme(wing(folded), 2, 'max')).toBeGreaterThan(extreme(wing(spread), 2, 'max') + 1);
    expect(extreme(folded, 1, 'max')).toBeCloseTo(-extreme(folded, 1, 'min'), 2);
  });
  test('what hangs under a folding wing goes up with it, what hangs nearer stays', () => {
    const stores = [
      { station: 'port outer', carries: 'a bomb' },
      { station: 'port inner', carries: 'a bomb' },
    ] as const;
    const spec = { ...specOf('single'), stores };
    const hung = (opened: 'fold'[]) =>
      cornersOf(
        skinOf({ spec, denominator: 72, fields: [], markings: [], ...open(opened) }).filter(
          ({ zone }) => buildOutline(spec).zones.find(({ key }) => key === zone)?.group === 'stores',
        ),
      );
    const fold = 0.57 * (PRESETS.single.dimensions.span / 2);
    const [down, up] = [hung([]), hung(['fold'])];
    expect(down).toHaveLength(up.length);
    expect(down.length).toBeGreaterThan(0);
    const isOutside = down.map(([, y]) => -y > fold + 0.4);
    const isInside = down.map(([, y]) => -y < fold - 0.4);
    expect([isOutside.includes(true), isInside.includes(true)]).toEqual([true, true]);
    up.forEach((at, i) => {
      if (isOutside[i]) expect(at[2]).toBeGreaterThan(down[i]![2]);
      if (isInside[i]) expect(at).toEqual(down[i]);
    });
  });
});

describe('on what it stands', () => {
  test('with its gear up neither gear nor bays are seen; a rod holds it', () => {
    const gear = new Set(
      buildOutline(specOf('single'))
        .zones.filter(({ group }) => group === 'gear' || group === 'bays')
        .map(({ key }) => key),
    );
    const held = cut('single', { pose: { opened: [], isGearUp: true, isOnRod: true } });
    expect(held.filter(({ zone }) => gear.has(zone))).toEqual([]);
    expect(cut('single').some(({ zone }) => gear.has(zone))).toBe(true);
    const lowest = extreme(held, 2, 'min');
    expect(lowest).toBeLessThan(extreme(cut('single', { pose: { ...CLOSED, isGearUp: true } }), 2, 'min') - 1);
  });
  test('is what the options say', () => {
    expect(poseOf(optionsSchema.parse({}))).toEqual(CLOSED);
    expect(
      poseOf(optionsSchema.parse({ canopy: 'open', flaps: 'down', wings: 'folded', gear: 'up', stand: 'a rod' })),
    ).toEqual({ opened: ['canopy', 'flaps', 'fold'], isGearUp: true, isOnRod: true });
  });
});

describe('subjects', () => {
  const figures: Beside = { name: 'subject-crew', kind: 'figure', count: 7, heightM: 1.8 };
  const zone = (of: Beside, key: string) => subjectZone(of.name, key);

  test('stand before the machine, on the ground that its wheels stand on, as tall as they are', () => {
    const pieces = cut('single', { subjects: [figures] });
    const [wheels, crew] = [
      cut('single'),
      [...ofZone(pieces, zone(figures, 'clothes')), ...ofZone(pieces, zone(figures, 'equipment'))],
    ];
    expect(extreme(crew, 2, 'min')).toBeCloseTo(extreme(wheels, 2, 'min'), 2);
    expect(extreme(crew, 2, 'max') - extreme(crew, 2, 'min')).toBeCloseTo(1.8, 2);
    expect(extreme(crew, 0, 'max')).toBeLessThan(extreme(wheels, 0, 'min'));
  });
  test('a base lies under the machine and under all that stands before it', () => {
    const base: Beside = { name: 'subject-base', kind: 'base', count: 1 };
    const pieces = cut('single', { subjects: [base, figures] });
    const board = ofZone(pieces, zone(base, 'ground'));
    const rest = pieces.filter((piece) => !board.includes(piece));
    for (const k of [0, 1] as const) {
      expect(extreme(board, k, 'min')).toBeLessThan(extreme(rest, k, 'min'));
      expect(extreme(board, k, 'max')).toBeGreaterThan(extreme(rest, k, 'max'));
    }
    expect(extreme(board, 2, 'max')).toBeCloseTo(extreme(rest, 2, 'min'), 2);
  });
  test('a base of water lies under the ship, and not on its deck', () => {
    const sea: Beside = { name: 'subject-sea', kind: 'base', count: 1 };
    const pieces = cut('ship', { subjects: [sea] });
    const board = ofZone(pieces, zone(sea, 'ground'));
    expect(extreme(board, 2, 'max')).toBeCloseTo(
      extreme(
        pieces.filter((piece) => !board.includes(piece)),
        2,
        'min',
      ),
      2,
    );
  });
  test('a deck load stands on the deck', () => {
    const load: Beside = { name: 'subject-load', kind: 'aircraft', count: 12, lengthM: 9, breadthM: 8, heightM: 3 };
    const pieces = cut('ship', { subjects: [load] });
    const parked = [...ofZone(pieces, zone(load, 'upper')), ...ofZone(pieces, zone(load, 'under'))];
    const { length, fuselageWidth, fuselageHeight } = PRESETS.ship.dimensions;
    expect(extreme(parked, 2, 'min')).toBeCloseTo(fuselageHeight, 1);
    expect(extreme(parked, 0, 'min')).toBeGreaterThanOrEqual(-1);
    expect(extreme(parked, 0, 'max')).toBeLessThanOrEqual(length + 1);
    expect(extreme(parked, 1, 'max')).toBeLessThanOrEqual(fuselageWidth / 2);
  });
  test('as many stand there as there are, none in another while there is room', () => {
    const ground = { from: 100, to: 0, left: -10, right: 10, z: 2 };
    for (const count of [1, 2, 5, 9, 16]) {
      const size = { length: 6, breadth: 4 };
      const { places, next } = placesFor(count, size, ground);
      expect(places).toHaveLength(count);
      places.forEach(([x, y, z], i) => {
        expect(z).toBe(2);
        expect(Math.abs(y) + size.breadth / 2).toBeLessThanOrEqual(10);
        for (const [ox, oy] of places.slice(i + 1))
          expect(Math.abs(ox - x) >= size.length || Math.abs(oy - y) >= size.breadth).toBe(true);
      });
      expect(Math.min(...places.map(([x]) => x))).toBeGreaterThanOrEqual(next - 1e-9);
    }
  });
  test('two hundred on a short deck stand closer, and still on it', () => {
    const { places } = placesFor(200, { length: 9, breadth: 11 }, { from: 150, to: 0, left: -12, right: 12, z: 0 });
    expect(places).toHaveLength(200);
    for (const [x] of places) expect(x).toBeGreaterThanOrEqual(-9);
  });
});

describe('soft borders of zones', () => {
  const SOFT = 'fuselage-mid-port';
  const soft = cut('single', { softZones: [SOFT] });
  const over = soft.filter(({ share, code }) => share < 1 && code === null);

  test('come up from both sides to a half at the border, so that neither jumps there', () => {
    expect(over.some(({ zone }) => zone === SOFT)).toBe(true);
    expect(over.some(({ zone }) => zone !== SOFT)).toBe(true);
    const shares = [...new Set(over.map(({ share }) => share))];
    const covered = 1 - shares.reduce((bare, share) => bare * (1 - share), 1);
    expect(covered).toBeCloseTo(0.5, 10);
  });
  test('reach three quarters of a millimetre on the model, over the next zone alone', () => {
    const { regions } = buildOutline(specOf('single'));
    const reach = (0.75 * 72) / 1000;
    const own = cornersOf(ofZone(cut('single'), SOFT));
    const { chart } = regions.find(({ zone }) => zone === SOFT)!;
    expect(chart.on.kind).toBe('body');
    for (const at of cornersOf(over.filter(({ zone }) => zone === SOFT))) {
      const [left, right] = [Math.min(...own.map(([x]) => x)), Math.max(...own.map(([x]) => x))];
      expect(at[0]).toBeGreaterThan(left - 1.2 * reach);
      expect(at[0]).toBeLessThan(right + 1.2 * reach);
    }
  });
  test('where nothing is ruled soft nothing is', () => {
    expect(cut('single').filter(({ share }) => share < 1)).toEqual([]);
  });
});
