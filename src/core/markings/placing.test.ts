import { describe, expect, test } from '@jest/globals';
import { onOtherSide, placedAt } from './place';
import { extentOf } from '@/core/geometry/polygon';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import type { View } from '@/core/outline/zones';
import { areaOn } from '@/core/outline/chart';
import { PLAIN } from './design';
import { figureFields } from './design-fields';
import { zonesOfMarking } from './on-zones';
import { onSkin, placeMarking, type PlaceableMarking } from './placing';

const { dimensions } = PRESETS.single;
const outline = buildOutline({ preset: 'single', dimensions, landing: 'wheels', folded: false });
const place = (view: View, station: number, offset: number, turn = 0) => ({
  view,
  station,
  offset,
  turn,
  mirrored: false,
});
const marking = (over: Partial<PlaceableMarking>): PlaceableMarking => ({
  id: 'm',
  kind: 'insignia',
  text: '',
  heightMm: 800,
  codes: ['A', 'B', 'C'],
  places: [place('port', 5, 1)],
  zone: 'fuselage-mid-port',
  design: PLAIN,
  ...over,
});
const extent = (given: PlaceableMarking, at = 0) => {
  const art = placeMarking(outline, given)[at]!;
  return extentOf(art.fields.flatMap(({ region }) => region));
};
/** How far a zone of the fuselage reaches, by station. */
const edgesOf = (zone: string) =>
  extentOf(outline.regions.filter((part) => part.zone === zone).flatMap(({ region }) => region));
const middle = ({ left, right, top, bottom }: ReturnType<typeof extentOf>) => [(left + right) / 2, (top + bottom) / 2];

describe('where a marking lies', () => {
  test('at its station and height on a side, the same distance from the nose on the other', () => {
    const both = marking({ places: [place('port', 5, 1), place('starboard', 5, 1)] });
    const [portU, portV] = middle(extent(both, 0));
    const [starboardU, starboardV] = middle(extent(both, 1));
    expect(portU).toBeCloseTo(5, 6);
    expect(portV).toBeCloseTo(-1, 1);
    expect(starboardU).toBeCloseTo(dimensions.length - 5, 6);
    expect(starboardV).toBeCloseTo(portV!, 6);
  });

  test('to starboard is up in the upper view and down in the lower', () => {
    const wings = marking({ places: [place('upper', 4, 3), place('lower', 4, 3)] });
    expect(middle(extent(wings, 0))[1]).toBeCloseTo(-3, 6);
    expect(middle(extent(wings, 1))[1]).toBeCloseTo(3, 6);
  });
});

describe('a place that was found', () => {
  const stands = { view: 'port', station: 4, offset: 1, turn: 0, mirrored: true } as const;
  const found = { view: 'port', station: 4.51234, offset: 1.1, turn: 3.4, mirrored: false } as const;
  test('is taken by the nearest in its view, which faces as it faced', () => {
    const far = { ...stands, station: 8 };
    expect(placedAt([far, stands, { ...stands, view: 'starboard' }], found)).toEqual([
      far,
      { ...stands, station: 4.512, offset: 1.1, turn: 3 },
      { ...stands, view: 'starboard' },
    ]);
  });
  test('is one more where its view has none', () => {
    expect(placedAt([{ ...stands, view: 'starboard' }], found)).toHaveLength(2);
    expect(placedAt([], found)).toEqual([{ ...found, station: 4.512, turn: 3 }]);
  });
  test('leaves what lies across the middle, on the other wing; what lies about the middle it moves over it', () => {
    const [onPort, onStarboard] = [place('upper', 4, -3), place('upper', 4.1, 3.2)];
    expect(placedAt([onPort], onStarboard)).toEqual([onPort, onStarboard]);
    expect(placedAt([place('upper', 2, -0.05)], place('upper', 2.1, 0.1))).toEqual([place('upper', 2.1, 0.1)]);
  });
  test('has another across the middle: as far aft, as far up or out, leaning as in a mirror', () => {
    expect(onOtherSide(place('port', 4, 1.2, 10))).toEqual(place('starboard', 4, 1.2, -10));
    expect(onOtherSide(place('lower', 3, -2.5, 5))).toEqual(place('lower', 3, 2.5, -5));
    expect(onOtherSide(onOtherSide(place('upper', 3, 2.5, 5)))).toEqual(place('upper', 3, 2.5, 5));
  });
});

describe('the zones that it lies on', () => {
  const on = (over: Partial<PlaceableMarking>) => zonesOfMarking(outline, marking(over));
  const places = [place('port', dimensions.length - 0.6, 1.9), place('starboard', dimensions.length - 0.6, 1.9)];

  test('are those of all its places, whichever it was entered for', () => {
    expect(on({ zone: 'fin-port', heightMm: 300, places })).toEqual(['fin-port', 'fin-starboard']);
    expect(on({ zone: 'fuselage-mid-port', heightMm: 300, places })).toEqual(['fin-port', 'fin-starboard']);
    const wings = [place('upper', 3.6, 4), place('lower', 3.6, -4)];
    expect(on({ places: wings })).toEqual(['wing-lower-port', 'wing-upper-outer-starboard']);
  });

  test('are all that it covers with a good part of itself, and not what an edge runs over to', () => {
    // The border between mid and rear fuselage slants.
    const seam = (edgesOf('fuselage-mid-port').right + edgesOf('fuselage-rear-port').left) / 2;
    const at = (station: number) => on({ heightMm: 400, places: [place('port', station, 1)] });
    expect(at(seam)).toEqual(['fuselage-mid-port', 'fuselage-rear-port']);
    expect(at(seam - 0.7)).toEqual(['fuselage-mid-port']);
    expect(at(seam + 0.7)).toEqual(['fuselage-rear-port']);
  });

  test('of a band go right round', () => {
    const band = on({ kind: 'band', heightMm: 200, places: [place('port', 5.5, 0.8)] });
    expect(band).toEqual(expect.arrayContaining(['fuselage-mid-port', 'fuselage-mid-starboard']));
    expect(band).not.toContain('fuselage-rear-port');
  });

  test('without a place are the one that it was entered for', () => {
    expect(on({ places: [] })).toEqual(['fuselage-mid-port']);
    expect(on({ zone: 'fin-port', places: [place('port', 60, 30)] })).toEqual(['fin-port']);
  });
});

describe('how large it is', () => {
  test('an insignia of 800 mm is 0.8 m across, ground first', () => {
    const { left, right } = extent(marking({}));
    expect(right - left).toBeCloseTo(0.8, 6);
    expect(placeMarking(outline, marking({}))[0]!.fields.map((field) => field.code)).toEqual(['A', 'B', 'C']);
  });

  test('letters of 560 mm stand as high, whatever they say, and look lower on a rounded side', () => {
    for (const text of ['T', 'TK-G', 'MARSH HEN']) {
      const { top, bottom } = extent(
        marking({ kind: 'lettering', text, heightMm: 560, places: [place('upper', 4, 3)] }),
      );
      expect(bottom - top).toBeCloseTo(0.56 * Math.cos((dimensions.dihedral * Math.PI) / 180), 4);
      const side = extent(marking({ kind: 'lettering', text, heightMm: 560 }));
      expect(side.bottom - side.top).toBeLessThan(0.56);
    }
  });

  test('turned by a right angle, width and height change places', () => {
    const upright = extent(marking({ kind: 'lettering', text: 'TK', places: [place('port', 8.2, 2.3)] }));
    const turned = extent(marking({ kind: 'lettering', text: 'TK', places: [place('port', 8.2, 2.3, 90)] }));
    expect(turned.right - turned.left).toBeCloseTo(upright.bottom - upright.top, 6);
    expect(turned.bottom - turned.top).toBeCloseTo(upright.right - upright.left, 6);
  });

  test('a band goes from belly to spine, and is as wide as it says', () => {
    const band = extent(marking({ kind: 'band', heightMm: 410, places: [place('port', 6.75, 0)] }));
    expect(band.right - band.left).toBeCloseTo(0.41, 4);
    expect(band.bottom - band.top).toBeGreaterThan(0.5);
    expect(band.bottom - band.top).toBeLessThan(dimensions.fuselageHeight);
  });

  test('with fewer colours than fields the last one serves for the rest', () => {
    const plain = placeMarking(outline, marking({ codes: ['A'] }))[0]!;
    expect(plain.fields.map((field) => field.code)).toEqual(['A', 'A', 'A']);
  });
});

describe('on a curved skin', () => {
  const drum = { ...dimensions, fuselageHeight: 1.6, fuselageWidth: 1.6 };
  const round = buildOutline({
    preset: 'single',
    dimensions: drum,
    landing: 'wheels',
    folded: false,
    profile: [
      [0, 1, 0, 1],
      [0.5, 1, 0, 1],
      [1, 1, 0, 1],
    ],
  });
  const square = { ...PLAIN, figures: [figureFields.parse({ figure: 'square', size: 1, colour: 0 })] };

  test('a marking keeps its true height round the side, and looks lower than it is', () => {
    const given = marking({ heightMm: 1000, design: square, places: [place('port', 7, 0.8)] });
    const { chart, fields } = onSkin(round, given, 0)!;
    const girths = fields[0]!.region.flat().map(([, q]) => q);
    expect(((Math.max(...girths) - Math.min(...girths)) * Math.PI * 0.8) / 180).toBeCloseTo(1, 2);
    expect(areaOn(chart, fields[0]!.region)).toBeCloseTo(1, 1);
    const { top, bottom } = extentOf(placeMarking(round, given)[0]!.fields[0]!.region);
    expect(bottom - top).toBeCloseTo(2 * 0.8 * Math.sin(0.5 / 0.8), 2);
  });
  test('a band goes right round, and stripes stand side by side', () => {
    const given = marking({
      kind: 'band',
      heightMm: 300,
      design: { ...PLAIN, count: 2, gap: 1 },
      places: [place('port', 6, 0.5)],
    });
    const { chart, fields } = onSkin(round, given, 0)!;
    expect(fields).toHaveLength(2);
    expect(areaOn(chart, fields[0]!.region)).toBeCloseTo(2 * Math.PI * 0.8 * 0.3, 2);
    const centres = fields.map(({ region }) => (region[0]![0]![0] + region[0]![1]![0]) / 2);
    expect(centres[1]! - centres[0]!).toBeCloseTo(0.6, 9);
  });
  test('mirrored artwork faces the other way', () => {
    const flag = {
      ...PLAIN,
      artwork: [
        {
          rings: [
            [
              [0, 0],
              [1, 0],
              [1, 0.4],
              [0, 0.4],
            ],
          ] as [number, number][][],
          colour: 0,
        },
      ],
    };
    const at = (mirrored: boolean) => {
      const given = marking({ kind: 'artwork', design: flag, places: [{ ...place('port', 5, 0.8), mirrored }] });
      return middle(extentOf(placeMarking(round, given)[0]!.fields[0]!.region) as never)[0]!;
    };
    expect(at(false)).toBeGreaterThan(5);
    expect(at(true)).toBeCloseTo(10 - at(false), 6);
  });
});

describe('artwork that is a picture', () => {
  const picture = (turn: number, mirrored = false) =>
    placeMarking(
      outline,
      marking({
        kind: 'artwork',
        heightMm: 600,
        design: { ...PLAIN, aspect: 1.5, pictureId: 'p' },
        places: [{ ...place('port', 5, 1, turn), mirrored }],
      }),
    )[0]!;
  test('lies where the marking lies, in its size, turned and mirrored as its place is', () => {
    const shown = picture(10, true).picture!;
    expect(shown).toMatchObject({ id: 'p', turn: 10, mirrored: true, middle: [5, -1] });
    expect(shown.width).toBeCloseTo(0.9, 9);
    expect(shown.height).toBeCloseTo(0.6, 9);
  });
  test('takes the room of its block, so that fit and sheets know its size', () => {
    const { left, right, top, bottom } = extentOf(picture(0).fields[0]!.region);
    expect(right - left).toBeCloseTo(0.9, 2);
    // A curved side is seen at a slant.
    expect(bottom - top).toBeLessThanOrEqual(0.6);
    expect(bottom - top).toBeGreaterThan(0.4);
  });
});
