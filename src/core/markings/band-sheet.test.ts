import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { extentOf, polygonArea } from '@/core/geometry/polygon';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { bandSheet, stripeSheet } from './band-sheet';
import { PLAIN, type Design } from './design';
import { seenFields } from './drawn';
import { paintedSize } from './painted-size';
import { fitsOf } from './fit-on';
import { onSkin, type PlaceableMarking } from './placing';
import { endsOf, laidAlong, measuredEdges, withEdges } from './stripe';

const outlineOf = (preset: 'single' | 'transport') =>
  buildOutline({ preset, dimensions: PRESETS[preset].dimensions, landing: 'wheels', folded: false });
const single = outlineOf('single');
const airliner = outlineOf('transport');
const NAMES = { nameOf: () => '' };
const place = (view: 'port' | 'starboard' | 'upper', station: number, offset: number) => ({
  view,
  station,
  offset,
  turn: 0,
  mirrored: false,
});
const band = (over: Partial<PlaceableMarking> & { title?: string } = {}): PlaceableMarking & { title: string } => ({
  id: 'b',
  title: 'Band',
  kind: 'band',
  text: '',
  zone: 'fuselage-rear-port',
  heightMm: 410,
  codes: ['yellow'],
  places: [place('port', 6.75, 0.9)],
  design: PLAIN,
  ...over,
});
const along = (over: Partial<Design> = {}): Design => ({ ...PLAIN, course: 'along', aspect: 50, ...over });
const lengthOf = ({ cuts }: { cuts: Parameters<typeof extentOf>[0] }) => {
  const { left, right } = extentOf(cuts);
  return right - left;
};

describe('strips for bands that go round', () => {
  test('are as broad as the band and as long as the body is round there', () => {
    const { pieces } = bandSheet(single, band(), 48)!;
    expect(pieces.map(({ label }) => label)).toEqual(['strip 1', 'spare 1']);
    const { top, bottom } = extentOf(pieces[0]!.cuts);
    expect(bottom - top).toBeCloseTo(410 / 48, 6);
    const { fuselageHeight: h } = PRESETS.single.dimensions;
    expect(lengthOf(pieces[0]!)).toBeGreaterThan((2 * h * 1000 * 0.5) / 48);
    expect(lengthOf(pieces[0]!)).toBeLessThan((Math.PI * h * 1000) / 48 + 4);
  });
  test('are each of their own length: a short one is not cut as long as the longest', () => {
    const { pieces, notes } = bandSheet(single, band({ places: [place('port', 3, 1), place('port', 8, 1)] }), 48)!;
    const [front, tail, spare] = pieces.map(lengthOf);
    expect(tail).toBeLessThan(front! - 5);
    expect(spare).toBeCloseTo(front!, 6);
    expect(notes[0]).toContain(`${tail!.toFixed(1)} to ${front!.toFixed(1)} mm`);
  });
});

describe('stripes that run along', () => {
  const stripe = (over: Partial<PlaceableMarking> & { title?: string } = {}) =>
    band({
      title: 'Stripe',
      heightMm: 200,
      zone: 'fuselage-mid-port',
      places: [place('port', 10, 1.4), place('starboard', 10, 1.4)],
      design: along(),
      ...over,
    });

  test('lie between the same stations on both sides, and are no band that goes round', () => {
    const sides = [0, 1].map((i) => onSkin(airliner, stripe(), i)!.fields.flatMap(({ region }) => region));
    const [port, starboard] = sides.map((rings) => extentOf(rings));
    expect([port!.left, port!.right]).toEqual([expect.closeTo(5, 1), expect.closeTo(15, 1)]);
    expect([starboard!.left, starboard!.right]).toEqual([port!.left, port!.right]);
    expect(fitsOf(airliner, 144, { ...stripe(), printedMm: null }, [], [])).toHaveLength(2);
  });
  test('have their fore end in front on both sides, where they taper', () => {
    const tapering = along({
      profile: [
        { at: 0, low: 0, high: 0.1 },
        { at: 1, low: -0.5, high: 0.5 },
      ],
    });
    for (const i of [0, 1]) {
      const ring = onSkin(airliner, stripe({ design: tapering }), i)!.fields[0]!.region[0]!;
      const height = (near: number) => {
        const there = ring.filter(([x]) => Math.abs(x - near) < 0.3).map(([, q]) => q);
        return Math.max(...there) - Math.min(...there);
      };
      expect(height(5)).toBeLessThan(height(15) / 3);
    }
  });
  test('are cut as the skin runs, in lengths that go on a sheet', () => {
    const long = stripe({ design: along({ aspect: 100 }), heightMm: 200 });
    const { pieces, notes } = stripeSheet(airliner, long, 48, NAMES)!;
    const lengths = pieces.map(lengthOf);
    expect(Math.max(...lengths)).toBeLessThan(190);
    // Twenty metres a side, and what lies over one another.
    const whole = (2 * 20_000) / 48;
    const sum = lengths.reduce((all, mm) => all + mm - 2, 0);
    expect(sum).toBeGreaterThan(whole);
    expect(sum).toBeLessThan(whole * 1.1);
    expect(pieces[0]!.label).toMatch(/length 1 of 3/);
    expect(notes[0]).toMatch(/over one another/);
  });
  test('by the dozen are one sheet of equal strips, with one to spare for every four', () => {
    const places = Array.from({ length: 12 }, (_, i) => place('port', 3 + i, 1.4));
    const { pieces } = stripeSheet(
      airliner,
      stripe({ heightMm: 60, design: along({ aspect: 8 }), places }),
      48,
      NAMES,
    )!;
    expect(pieces.filter(({ label }) => label.startsWith('spare'))).toHaveLength(3);
    expect(pieces).toHaveLength(15);
    for (const piece of pieces) expect(lengthOf(piece)).toBeCloseTo(10, 0);
  });
  test('what is cut covers what is painted, whatever its edges', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 30 })), {
          minLength: 2,
          maxLength: 5,
        }),
        fc.integer({ min: 1, max: 3 }),
        (edges, count) => {
          const drawn = withEdges(
            stripe(),
            edges.map(([station, mm], i) => ({ station: 5 + station / 4 + i / 100, lowMm: -mm * 5, highMm: mm * 5 })),
          );
          const marking = stripe({ ...drawn, design: { ...drawn.design, count, gap: 2 } });
          const sheet = stripeSheet(airliner, marking, 48, NAMES);
          const cut = sheet!.pieces
            .filter(({ label }) => !label.startsWith('spare'))
            .reduce((sum, { cuts }) => sum + cuts.reduce((all, ring) => all + polygonArea(ring), 0), 0);
          const { areaCm2 } = paintedSize(airliner, marking, 48);
          expect(cut / 100).toBeGreaterThan(areaCm2 * 0.93);
          expect(cut / 100).toBeLessThan(areaCm2 * 1.25 + 0.5);
        },
      ),
      { numRuns: 12, seed: 4 },
    );
  });
  test('several keep their distance, and take the colours in turn', () => {
    const three = seenFields(stripe({ codes: ['blue', 'white'], design: along({ count: 3, gap: 0.5 }) }));
    const middles = three.map(({ region }) => {
      const { top, bottom } = extentOf(region);
      return (top + bottom) / 2;
    });
    expect(middles[1]! - middles[0]!).toBeCloseTo(1.5, 6);
    expect(middles[2]! - middles[1]!).toBeCloseTo(1.5, 6);
    expect(three.map(({ colour }) => colour)).toEqual([0, 1, 0]);
  });
  test('nothing is cut of one that lies on no surface', () =>
    expect(stripeSheet(single, stripe({ zone: 'nowhere', places: [place('upper', 40, 30)] }), 48, NAMES)).toBeNull());
});

describe('a stripe as it is measured', () => {
  const from = { heightMm: 250, design: along({ aspect: 40 }), places: [place('port', 8, 1)] };
  test('its stations and edges come back as they were given', () => {
    expect(endsOf(from)).toEqual({ from: 3, to: 13 });
    const laid = laidAlong(from, 18, 6);
    expect(endsOf({ ...from, ...laid })).toEqual({ from: 6, to: 18 });
    const edges = [
      { station: 6, lowMm: -20, highMm: 0 },
      { station: 12, lowMm: -125, highMm: 80 },
      { station: 12, lowMm: -125, highMm: 160 },
      { station: 20, lowMm: -125, highMm: 160 },
    ];
    const kept = { ...from, ...withEdges(from, edges) };
    expect(measuredEdges(kept)).toEqual(edges);
    expect(kept.design.profile[1]!.at).toBe(kept.design.profile[2]!.at);
  });
  test('a second one further aft stays as far aft of the first', () => {
    const two = { ...from, places: [place('port', 8, 1), place('starboard', 8, 1), place('port', 20, 2)] };
    const { from: fore, to: aft } = endsOf(two);
    expect(laidAlong(two, fore, aft).places).toEqual(two.places);
    expect(laidAlong(two, 6, 18).places.map(({ station }) => station)).toEqual([12, 12, 24]);
  });
  test('an even one has its edges at its ends', () =>
    expect(measuredEdges(from)).toEqual([
      { station: 3, lowMm: -125, highMm: 125 },
      { station: 13, lowMm: -125, highMm: 125 },
    ]));
});
