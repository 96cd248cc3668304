import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Dimensions } from '@/core/outline/dimensions';
import { dimensionsSchema } from '@/core/outline/dimension-fields';
import { PLAIN } from '@/core/markings/design';
import type { PlaceableMarking } from '@/core/markings/placing';
import { PRESET_NAMES, PRESETS, type PresetName } from '@/core/outline/presets';
import type { SchemeField } from '@/core/scheme/field';
import { skinOf, type MachineToSkin } from './machine';
import type { SkinPiece } from './piece';

/** Whatever outline, scheme and markings passed their schemas, what is drawn of them is sound. */

const machine = (preset: PresetName, dimensions: Dimensions, over: Partial<MachineToSkin> = {}): MachineToSkin => ({
  spec: { preset, dimensions, landing: 'wheels', folded: false },
  denominator: 72,
  fields: [],
  markings: [],
  ...over,
});

function isSound(pieces: readonly SkinPiece[]) {
  expect(pieces.length).toBeGreaterThan(0);
  for (const { zone, positions, normals, index } of pieces) {
    expect([zone, positions.every(Number.isFinite), normals.every(Number.isFinite)]).toEqual([zone, true, true]);
    expect([zone, index.every((corner) => corner < positions.length / 3)]).toEqual([zone, true]);
  }
}

const NAMES = Object.keys(PRESETS.single.dimensions) as (keyof Dimensions)[];

describe('an outline', () => {
  test('of no chord, no width, no height, or of any size at all is drawn as far as there is something of it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PRESET_NAMES),
        fc.dictionary(fc.constantFrom(...NAMES), fc.constantFrom(0, 0.01, 0.3, 3), { maxKeys: 5 }),
        (preset, changed) => {
          const usual = PRESETS[preset].dimensions;
          const dimensions = Object.fromEntries(
            NAMES.map((name) => [name, usual[name] * (changed[name] ?? 1)]),
          ) as Dimensions;
          const read = dimensionsSchema.safeParse(dimensions);
          if (read.success) isSound(skinOf(machine(preset, read.data)));
        },
      ),
      { numRuns: 15, seed: 29 },
    );
  });

  test('with a boom within its fuselage is drawn, the one inside the other', () => {
    const usual = PRESETS['twin-boom'].dimensions;
    isSound(skinOf(machine('twin-boom', { ...usual, boomSpacing: 0.1, boomDiameter: 0.2 })));
  });
});

test('two hundred markings, one over the other, are all there', () => {
  const markings = Array.from({ length: 200 }, (_, i): PlaceableMarking & { id: string } => ({
    id: `m${i}`,
    kind: 'band',
    text: '',
    zone: 'fuselage-mid-port',
    heightMm: 300,
    codes: ['a', 'b'],
    places: [{ view: 'port', station: 3 + (i % 40) / 20, offset: 0.9, turn: i, mirrored: false }],
    design: PLAIN,
  }));
  const pieces = skinOf(machine('single', PRESETS.single.dimensions, { markings }));
  isSound(pieces);
  expect(new Set(pieces.flatMap(({ marking }) => marking ?? [])).size).toBe(200);
});

test('twenty fields of as many corners as a field may have are cut out of the skin', () => {
  const fields = Array.from({ length: 20 }, (_, i): SchemeField => ({
    ...{ id: `f${i}`, title: `f${i}`, code: `c${i}`, rank: i },
    ...{ mirrored: false, keptTo: [], edge: 'hard', softMm: 0 },
    shape: {
      kind: 'area',
      view: 'upper',
      smooth: false,
      corners: Array.from({ length: 400 }, (_corner, k) => {
        const [turn, far] = [(k / 400) * 2 * Math.PI, 0.5 + 0.12 * Math.sin((k / 400) * 60 * Math.PI)];
        return { x: 2 + (i % 10) * 0.5 + far * Math.cos(turn), y: -4 + (i % 7) + far * Math.sin(turn), on: null };
      }),
    },
  }));
  const pieces = skinOf(machine('single', PRESETS.single.dimensions, { fields }));
  isSound(pieces);
  expect(new Set(pieces.map(({ code }) => code)).size).toBeGreaterThan(10);
});
