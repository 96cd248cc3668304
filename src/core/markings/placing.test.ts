import { describe, expect, test } from '@jest/globals';
import { extentOf } from '@/core/geometry/polygon';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import type { View } from '@/core/outline/zones';
import { placeMarking, type PlaceableMarking } from './placing';

const { dimensions } = PRESETS.single;
const outline = buildOutline({ preset: 'single', dimensions, landing: 'wheels', folded: false });
const place = (view: View, station: number, offset: number, turn = 0) => ({ view, station, offset, turn });
const marking = (over: Partial<PlaceableMarking>): PlaceableMarking => ({
  id: 'm',
  kind: 'insignia',
  text: '',
  heightMm: 800,
  codes: ['A', 'B', 'C'],
  places: [place('port', 5, 1)],
  ...over,
});
const extent = (given: PlaceableMarking, at = 0) => {
  const art = placeMarking(outline, given)[at]!;
  return extentOf([...art.fields, ...art.strokes].map((part) => part.points));
};
const middle = ({ left, right, top, bottom }: ReturnType<typeof extentOf>) => [(left + right) / 2, (top + bottom) / 2];

describe('where a marking lies', () => {
  test('at its station and height on a side, the same distance from the nose on the other', () => {
    const both = marking({ places: [place('port', 5, 1), place('starboard', 5, 1)] });
    const [portU, portV] = middle(extent(both, 0));
    const [starboardU, starboardV] = middle(extent(both, 1));
    expect(portU).toBeCloseTo(5, 6);
    expect(portV).toBeCloseTo(-1, 6);
    expect(starboardU).toBeCloseTo(dimensions.length - 5, 6);
    expect(starboardV).toBeCloseTo(portV!, 6);
  });

  test('to starboard is up in the upper view and down in the lower', () => {
    const wings = marking({ places: [place('upper', 4, 3), place('lower', 4, 3)] });
    expect(middle(extent(wings, 0))[1]).toBeCloseTo(-3, 6);
    expect(middle(extent(wings, 1))[1]).toBeCloseTo(3, 6);
  });
});

describe('how large it is', () => {
  test('an insignia of 800 mm is 0.8 m across, ground first', () => {
    const { left, right } = extent(marking({}));
    expect(right - left).toBeCloseTo(0.8, 6);
    expect(placeMarking(outline, marking({}))[0]!.fields.map((field) => field.code)).toEqual(['A', 'B', 'C']);
  });

  test('letters of 560 mm stand as high, stroke and all, whatever they say', () => {
    for (const text of ['T', 'TK-G', 'MARSH HEN']) {
      const given = marking({ kind: 'lettering', text, heightMm: 560 });
      const { top, bottom } = extent(given);
      const [stroke] = placeMarking(outline, given)[0]!.strokes;
      expect(bottom - top + stroke!.width).toBeCloseTo(0.56, 6);
    }
  });

  test('turned by a right angle, width and height change places', () => {
    const upright = extent(marking({ kind: 'lettering', text: 'TK' }));
    const turned = extent(marking({ kind: 'lettering', text: 'TK', places: [place('port', 5, 1, 90)] }));
    expect(turned.right - turned.left).toBeCloseTo(upright.bottom - upright.top, 6);
    expect(turned.bottom - turned.top).toBeCloseTo(upright.right - upright.left, 6);
  });

  test('a band goes from belly to spine, and is as wide as it says', () => {
    const band = extent(marking({ kind: 'band', heightMm: 410, places: [place('port', 6.75, 0)] }));
    expect(band.right - band.left).toBeCloseTo(0.41, 6);
    expect(band.bottom - band.top).toBeGreaterThan(0.5);
    expect(band.bottom - band.top).toBeLessThan(dimensions.fuselageHeight);
  });

  test('with fewer colours than fields the last one serves for the rest', () => {
    const plain = placeMarking(outline, marking({ codes: ['A'] }))[0]!;
    expect(plain.fields.map((field) => field.code)).toEqual(['A', 'A', 'A']);
  });
});
