import { describe, expect, test } from '@jest/globals';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { PLAIN_FIELD, type FieldShape, type SchemeField } from '@/core/scheme/field';
import { PLAIN } from './design';
import { coatsInAll, groundsUnder } from './grounds';
import { schemeOn, type PlaceableMarking } from './placing';

const outline = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const square = (x: number, y: number, half: number): FieldShape => ({
  kind: 'area',
  view: 'port',
  smooth: false,
  corners: [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([u, v]) => ({ x: x + half * u!, y: y + half * v!, on: null })),
});
const field = (id: string, code: string, shape: FieldShape): SchemeField => ({
  ...PLAIN_FIELD,
  keptTo: [],
  rank: 0,
  id,
  title: id,
  code,
  shape,
});
const block: PlaceableMarking = {
  id: 'm',
  kind: 'walkway',
  text: '',
  zone: 'fuselage-mid-port',
  heightMm: 400,
  codes: ['white'],
  places: [{ view: 'port', station: 5, offset: 1, turn: 0, mirrored: false }],
  design: { ...PLAIN, aspect: 1, line: 0.4 },
};
const under = (...fields: SchemeField[]) =>
  groundsUnder(outline, block, schemeOn(outline, fields, [block]), () => 'grey').sort();

describe('what a marking lies on', () => {
  test('its zone’s colour, where nothing is painted', () => expect(under()).toEqual(['grey']));
  test('the uppermost field alone, where it reaches under all of it', () =>
    expect(under(field('a', 'red', square(5, 1, 1)), field('b', 'blue', square(5, 1, 0.8)))).toEqual(['blue']));
  test('both, where it stands over the edge of a field', () =>
    expect(under(field('a', 'red', square(5.5, 1, 0.5)))).toEqual(['grey', 'red']));
  test('a field beside it is no ground', () => expect(under(field('a', 'red', square(7, 1, 0.3)))).toEqual(['grey']));
  test('no surface, no ground', () =>
    expect(groundsUnder(outline, { ...block, places: [] }, [], () => 'grey')).toEqual([]));
});

describe('coats of a marking', () => {
  const coats: Record<string, number> = { 'yellow black': 6, 'yellow white': 1, 'white black': 3, 'white grey': 2 };
  const over = (code: string, ground: string) => coats[`${code} ${ground}`] ?? 9;
  test('the first colour over the worst of its grounds', () =>
    expect(coatsInAll(['white'], ['grey', 'black'], over)).toBe(3));
  test('a white ground under yellow takes fewer coats in all where yellow covers badly', () => {
    expect(coatsInAll(['white', 'yellow'], ['black'], over)).toBe(4);
    expect(coatsInAll(['yellow'], ['black'], over)).toBe(6);
  });
  test('at least one coat, also where nothing is known of the ground', () =>
    expect(coatsInAll(['white'], [], over)).toBe(1));
});
