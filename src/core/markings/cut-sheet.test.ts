import { describe, expect, test } from '@jest/globals';
import { regionArea } from '@/core/geometry/clip';
import { extentOf, polygonArea, type Point } from '@/core/geometry/polygon';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { areaOn } from '@/core/outline/chart';
import { paintScheme } from '@/core/scheme/in-view';
import type { FieldShape, SchemeField } from '@/core/scheme/field';
import { cutSheetSvg } from '@/core/interchange/cut-sheet-svg';
import { canopySheet, fieldSheet, laidOut, markingSheet, maskLayers, placingNotes, proofMarks } from './cut-sheet';
import { coatsOfMarking } from './coats';
import { PLAIN } from './design';
import { figureFields } from './design-fields';
import type { PlaceableMarking } from './placing';

const outline = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const LABS: Record<string, [number, number, number]> = {
  white: [95, 0, 0],
  red: [42, 58, 40],
  blue: [30, 5, -35],
  yellow: [80, 5, 80],
  black: [14, 0, 0],
};
const colours = { labOf: (code: string) => LABS[code] ?? null, nameOf: () => '' };
const DARK_SKIN = [{ lab: LABS.black! }];
const coats = (of: { codes: readonly string[] }) =>
  coatsOfMarking(
    of.codes.map((code) => ({ code, lab: colours.labOf(code) })),
    DARK_SKIN,
  );
const layersOf = (of: PlaceableMarking) => maskLayers(of, 48, colours, coats(of));
const sheetOf = (of: PlaceableMarking & { title: string }) => markingSheet(of, 48, colours, coats(of));
const figure = (given: object) => figureFields.parse({ size: 1, colour: 0, ...given });
const marking = (over: Partial<PlaceableMarking> = {}): PlaceableMarking & { title: string } => ({
  id: 'm',
  title: 'Ring',
  kind: 'insignia',
  text: '',
  zone: 'fuselage-mid-port',
  heightMm: 960,
  codes: ['blue', 'red'],
  places: [{ view: 'port', station: 5, offset: 1, turn: 0, mirrored: false }],
  design: { ...PLAIN, figures: [figure({ figure: 'disc' }), figure({ figure: 'disc', size: 0.4, colour: 1 })] },
  ...over,
});

describe('masks of a marking', () => {
  test('white first and a little larger, then light to dark, with white between red and blue', () => {
    const [ground, ...layers] = layersOf(marking());
    expect(ground!.title).toMatch(/white ground/);
    expect(regionArea(ground!.region)).toBeCloseTo(Math.PI * (10 + 0.15) ** 2, 0);
    // Blue over red would turn: white again, where it will be blue and nowhere else.
    expect(layers.map(({ code, title }) => code || title)).toEqual(['red', 'white again, for blue', 'blue']);
    const [again] = layers.splice(1, 1);
    expect(regionArea(again!.region)).toBeCloseTo(Math.PI * (10 ** 2 - 4 ** 2), 0);
    const [red, blue] = layers.map(({ region }) => extentOf(region));
    expect(red!.right).toBeCloseTo(4 - 0.1, 2);
    expect(blue!.right).toBeCloseTo(10 - 0.1, 2);
    // The hole of the blue ring is larger than the red disc by the parting.
    const hole = Math.min(...layers[1]!.region.map((ring) => extentOf([ring]).right));
    expect(hole - red!.right).toBeCloseTo(0.2, 2);
  });
  test('other colours meet without a parting', () => {
    const layers = layersOf(marking({ codes: ['yellow', 'black'] }));
    expect(layers.map(({ code }) => code)).toEqual(['', 'yellow', 'black']);
    expect(extentOf(layers[2]!.region).right).toBeCloseTo(4, 3);
  });
  test('a white marking needs no ground, and one of no shape has no layer', () => {
    const plain = { ...PLAIN, figures: [figure({ figure: 'square' })] };
    expect(layersOf(marking({ codes: ['white'], design: plain })).map(({ code }) => code)).toEqual(['white']);
    expect(layersOf(marking({ kind: 'lettering', text: '' }))).toEqual([]);
  });
  test('every layer of a sheet stands in the same frame, so that its marks register', () => {
    const { pieces } = sheetOf(marking());
    expect(pieces).toHaveLength(4);
    expect(new Set(pieces.map(({ width, height }) => `${width} ${height}`)).size).toBe(1);
    expect(new Set(pieces.map(({ marks }) => JSON.stringify(marks))).size).toBe(1);
    for (const { marks } of pieces) expect(marks).toHaveLength(8);
  });
  test('for two places each mask is there twice, one of them mirrored where the place is', () => {
    const flag: [number, number][] = [
      [0, 0],
      [1, 0.2],
      [0, 0.4],
    ];
    const places = (['port', 'starboard'] as const).map((view, i) => ({
      view,
      station: 5,
      offset: 1,
      turn: 0,
      mirrored: i === 1,
    }));
    const { pieces } = sheetOf(
      marking({
        kind: 'artwork',
        codes: ['black'],
        places,
        design: { ...PLAIN, artwork: [{ rings: [flag], colour: 0 }] },
      }),
    );
    const [one, other] = pieces.filter(({ label }) => label.startsWith('1'));
    const tip = ({ cuts }: { cuts: readonly (readonly Point[])[] }) =>
      cuts[0]!.reduce((best, p) => (p[1] < best[1] ? p : best));
    expect(tip(one!)[0]).not.toBeCloseTo(tip(other!)[0], 1);
  });
});

describe('strips, templates and panes', () => {
  const field = (shape: FieldShape, over: Partial<SchemeField> = {}): SchemeField => ({
    id: 'f',
    title: 'Patch',
    code: 'black',
    shape,
    mirrored: false,
    keptTo: [],
    edge: 'hard',
    softMm: 0,
    rank: 0,
    ...over,
  });
  test('templates of a field have the area of its skin, on the wing and unrolled round the fuselage', () => {
    for (const [view, y0, y1] of [
      ['upper', 2, 4],
      ['port', 0.6, 1.5],
    ] as const) {
      const corners = [
        [4, y0],
        [5, y0],
        [5, y1],
        [4, y1],
      ].map(([x, y]) => ({ x: x!, y: y!, on: null }));
      const [painted] = paintScheme(outline, [field({ kind: 'area', view, smooth: false, corners })], () => null);
      const { pieces } = fieldSheet(outline, painted!, 48);
      const skin = [...painted!.laid].reduce((sum, [id, region]) => {
        const { chart } = outline.regions.find((part) => part.chart.id === id)!;
        return sum + areaOn(chart, region);
      }, 0);
      const cut = pieces.reduce((sum, { cuts }) => sum + cuts.reduce((all, ring) => all + polygonArea(ring), 0), 0);
      expect(pieces.length).toBeGreaterThan(0);
      expect(Math.abs((cut * 48 ** 2) / 1e6 / skin - 1)).toBeLessThan(0.02);
    }
  });
  test('a canopy has a mask for every pane and side', () => {
    const { pieces } = canopySheet(outline, 48)!;
    expect(pieces.map(({ label }) => label)).toEqual(
      [1, 2, 3].flatMap((i) => [`pane ${i}, starboard`, `pane ${i}, port`]),
    );
    for (const { cuts } of pieces) expect(polygonArea(cuts[0]!)).toBeGreaterThan(20);
  });
  test('windows let into the skin have a mask each, both halves of the screen too; without glass there is no sheet', () => {
    const cabin = (canopyLength: number) =>
      buildOutline({
        preset: 'high-wing',
        dimensions: { ...PRESETS['high-wing'].dimensions, canopyLength },
        landing: 'wheels',
        folded: false,
      });
    const { pieces } = canopySheet(cabin(2), 48)!;
    expect(pieces.map(({ label }) => label).sort()).toEqual(
      ['port', 'starboard']
        .flatMap((side) => [`screen, ${side} half`, ...[1, 2, 3].map((i) => `window ${i}, ${side}`)])
        .sort(),
    );
    // The first window is 0.3 of the glazed length.
    const [first] = pieces.filter(({ label }) => label === 'window 1, port');
    const { left, right } = extentOf(first!.cuts);
    expect(Math.abs((right - left) / ((0.3 * 2000) / 48) - 1)).toBeLessThan(0.05);
    expect(canopySheet(cabin(0), 48)).toBeNull();
  });
  test('where it goes is said in mm on the model', () => {
    expect(
      placingNotes(
        [marking({ places: [{ view: 'upper', station: 4.8, offset: -2.4, turn: 0, mirrored: false }] })],
        48,
      ),
    ).toEqual(['Ring, upper, on the model: middle 100.0 mm aft of the nose, 50.0 mm to port of the centre line.']);
  });
});

describe('the sheet as a file for the cutter', () => {
  const sheet = laidOut(sheetOf(marking()));
  const svg = cutSheetSvg(sheet);
  const lengths = (group: string) =>
    [...new RegExp(`<g id="${group}">(.*?)</g>`).exec(svg)![1]!.matchAll(/d="([^"]+)"/g)].map(([, d]) =>
      [...d!.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]): Point => [Number(x), Number(y)]),
    );
  test('one unit is one millimetre, with a ruler of 100 and a square of 50', () => {
    const [, width, viewWidth] = /width="([\d.]+)mm".*?viewBox="\S+ \S+ ([\d.]+)/.exec(svg)!;
    expect(Number(width)).toBeCloseTo(Number(viewWidth), 6);
    const proof = lengths('proof');
    const { left, right } = extentOf([proof[0]!]);
    expect(right - left).toBeCloseTo(100, 3);
    const square = extentOf([proof[proofMarks(0, 0).length - 1]!]);
    expect([square.right - square.left, square.bottom - square.top]).toEqual([
      expect.closeTo(50, 3),
      expect.closeTo(50, 3),
    ]);
  });
  test('the disc of 20 mm is 20 mm across within a twentieth', () => {
    const widths = lengths('cut').map((ring) => extentOf([ring]).right - extentOf([ring]).left);
    expect(Math.min(...widths.map((width) => Math.abs(width - 19.8)))).toBeLessThan(0.05);
    expect(Math.min(...widths.map((width) => Math.abs(width - 20.3)))).toBeLessThan(0.05);
  });
  test('nothing but hairlines: no fill, no text, no reference', () => {
    expect(svg).toMatch(/fill="none" stroke="#000000" stroke-width="0.05"/);
    expect(svg).not.toMatch(/<text|<image|<script|href|fill="#/);
  });
  test('pieces do not lie over one another', () => {
    const boxes = lengths('marks').filter((line) => line.length === 2);
    expect(boxes.length).toBeGreaterThan(0);
    expect(sheet.width).toBeGreaterThanOrEqual(extentOf(sheet.cuts).right);
    expect(sheet.height).toBeGreaterThanOrEqual(extentOf(sheet.cuts).bottom);
  });
});
