import { intersection, type Region } from '@/core/geometry/clip';
import { dense, isWithin, rectangle, type Point } from '@/core/geometry/polygon';
import { arcsRound, type Body } from '@/core/outline/body';
import { shownIn, type Chart } from '@/core/outline/chart';
import { rememberedOf } from '@/core/units/remembered';
import { outOf, spanwise } from '@/core/outline/lifting';
import { project } from '@/core/outline/drawing';
import type { Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import type { PaintedField } from '@/core/scheme/cells';
import type { PlaceOf, SchemeField } from '@/core/scheme/field';
import { paintScheme } from '@/core/scheme/in-view';
import { asDrawn } from '@/core/scheme/laid';
import type { Design } from './design';
import { fieldsOf } from './drawn';
import { goesRound, type MarkingKind } from './kinds';
import type { MarkingPlace } from './place';

export interface PlaceableMarking {
  id: string;
  kind: MarkingKind;
  text: string;
  zone: string;
  /** True height (of a band round a body: its width along that), mm. */
  heightMm: number;
  codes: readonly string[];
  places: readonly MarkingPlace[];
  design: Design;
}

/** A marking as it lies on one view, in metres: filled fields, each with its colour code; what an odd number of rings surround is filled. */
export interface Artwork {
  marking: string;
  /** Which of its places. */
  place: number;
  view: View;
  fields: { region: Region; code: string }[];
  /** Shown instead of its block, where the artwork is a picture. */
  picture: PlacedPicture | null;
}

/** A picture as it lies on a view: middle and size in metres, turned clockwise. */
export interface PlacedPicture {
  id: string;
  middle: Point;
  width: number;
  height: number;
  turn: number;
  mirrored: boolean;
}

/** A marking on the skin: its fields as regions of one chart. */
export interface OnSkin {
  chart: Chart;
  fields: { region: Region; code: string }[];
}

/** The middle of the corners of a region. */
export const middleOf = (region: Region): Point => {
  const points = region.flat();
  return [
    points.reduce((sum, [x]) => sum + x, 0) / points.length,
    points.reduce((sum, [, y]) => sum + y, 0) / points.length,
  ];
};

export const codeAt = (codes: readonly string[], i: number): string => codes[Math.min(i, codes.length - 1)] ?? '';

/** Where the centre of a place lies in its view, m as drawn. */
const centreOf = (outline: Outline, { view, station, offset }: MarkingPlace): Point =>
  asDrawn(outline, view, [[station, offset]])[0]!;

/** The surface under a place: that of the uppermost zone there, else that of the zone it belongs to. */
function chartUnder(outline: Outline, place: MarkingPlace, zone: string): Chart | null {
  const centre = centreOf(outline, place);
  const seen = (key: string) =>
    outline.regions.find((part) => part.zone === key && part.chart.seen[place.view] && !part.glass)?.chart;
  const top = outline.drawings[place.view].shapes.findLast(
    (shape) => isWithin(centre, shape.points) && seen(shape.zone) !== undefined,
  );
  return (top && seen(top.zone)) ?? seen(zone) ?? null;
}

/** The plane of a place laid on to the skin. */
export interface PlaneOn {
  chart: Chart;
  /** From metres about the centre, to the right as it is looked at and up, to the chart. */
  put: (local: Point) => Point;
}

/** A point about the centre, turned clockwise as a place is. */
export function turned({ turn }: Pick<MarkingPlace, 'turn'>, [x, y]: Point): Point {
  const angle = (-turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return [x * cos - y * sin, x * sin + y * cos];
}

/** Null where the view of a place sees no surface of its zone. */
export function planeOn(outline: Outline, place: MarkingPlace, zone: string): PlaneOn | null {
  const chart = chartUnder(outline, place, zone);
  return chart && { chart, put: onto(outline, chart, place) };
}

/** Steps, m, in which straight edges of a marking follow a curved skin. */
const STEP = 0.12;

/** What a marking covers on the skin at one of its places; null where its view sees no surface of its zone. */
export function onSkin(outline: Outline, marking: PlaceableMarking, placeIndex: number): OnSkin | null {
  const place = marking.places[placeIndex];
  if (!place) return null;
  const plane = planeOn(outline, place, marking.zone);
  if (!plane) return null;
  const { chart, put } = plane;
  if (goesRound(marking)) return { chart, fields: bands(chart, marking, place) };
  return {
    chart,
    fields: localFields(marking, place).map(({ region, colour }) => ({
      region: region.map((ring) => dense(ring, STEP).map(put)),
      code: codeAt(marking.codes, colour),
    })),
  };
}

/** Fields in metres about the centre, turned and mirrored; u to the right as it is looked at, v up. Turns are clockwise. */
function localFields(marking: PlaceableMarking, place: MarkingPlace) {
  const size = marking.heightMm / 1000;
  // The fore end of what runs along is the fore end on both sides.
  const runsAft = marking.kind === 'band' && place.view === 'starboard';
  const flip = place.mirrored !== runsAft ? -1 : 1;
  return fieldsOf(marking).map(({ region, colour }) => ({
    colour,
    region: region.map((ring) => ring.map(([x, y]) => turned(place, [flip * x * size, y * size]))),
  }));
}

/**
 * From metres about the centre to the chart. On a body a height is measured round the skin, so that a marking on a curved side keeps its true
 * height; on a wing along its dihedral.
 */
function onto(outline: Outline, chart: Chart, place: MarkingPlace): (local: Point) => Point {
  const { view, station, offset } = place;
  const aft = view === 'starboard' ? -1 : 1;
  if (chart.on.kind === 'lifting') {
    const { of } = chart.on;
    const up = (view === 'lower' ? -1 : 1) / spanwise(of);
    return ([u, v]) => [outOf(of, offset + up * v), station + aft * u];
  }
  const { body } = chart.on;
  const under = (x: number) => chart.under(view, centreOf(outline, { ...place, station: x }))![1];
  const rising = view === 'starboard' ? -1 : 1;
  const [first, last] = [body.sections[0]!.x, body.sections.at(-1)!.x];
  const walks = new Map<number, ReturnType<typeof girthWalk>>();
  return ([u, v]) => {
    const x = Math.min(Math.max(station + aft * u, first), last);
    const near = Math.round(x / SAME_SECTION) * SAME_SECTION;
    let walk = walks.get(near);
    if (!walk) {
      const at = Math.min(Math.max(near, first), last);
      walk = girthWalk(body, at, under(at));
      walks.set(near, walk);
    }
    return [x, under(x) + walk(rising * v)];
  };
}

/** Sections nearer than this, m, are walked round alike. */
const SAME_SECTION = 0.1;
const WALK_DEG = 3;

/** Girth angle passed when an arc, m, is walked round the section at a station from a girth angle on. */
function girthWalk(body: Body, x: number, from: number): (arc: number) => number {
  const [up, down] = [1, -1].map((way) => arcsRound(body, x, from, way * WALK_DEG, 360 / WALK_DEG)) as [
    number[],
    number[],
  ];
  return (arc) => {
    const arcs = arc < 0 ? down : up;
    const wanted = Math.abs(arc);
    if (wanted >= arcs.at(-1)!) return Math.sign(arc) * 360;
    let i = 1;
    while (arcs[i]! < wanted) i += 1;
    const [a, b] = [arcs[i - 1]!, arcs[i]!];
    return Math.sign(arc) * WALK_DEG * (i - 1 + (b > a ? (wanted - a) / (b - a) : 0));
  };
}

/** Bands go right round what they lie on: along the fuselage by their station, along a wing by their distance out. */
function bands(chart: Chart, { heightMm, design, codes }: PlaceableMarking, place: MarkingPlace): OnSkin['fields'] {
  const size = heightMm / 1000;
  const pitch = size * (1 + design.gap);
  const isBody = chart.on.kind === 'body';
  const middle = chart.on.kind === 'lifting' ? outOf(chart.on.of, place.offset) : place.station;
  return Array.from({ length: design.count }, (_, i) => {
    const at = middle + (i - (design.count - 1) / 2) * pitch;
    return {
      region: [
        isBody ? rectangle(at - size / 2, 0, at + size / 2, 360) : rectangle(at - size / 2, -1000, at + size / 2, 1000),
      ],
      code: codeAt(codes, i % Math.max(1, codes.length)),
    };
  });
}

/** Every place of a marking, drawn as it looks in its view; that of the same marking on the same outline is remembered. */
export const placeMarking = rememberedOf(drawPlaces);

/** The markings that a view shows. */
export const artworkIn = (outline: Outline, markings: readonly PlaceableMarking[], view: View | 'front'): Artwork[] =>
  markings.flatMap((marking) => placeMarking(outline, marking)).filter((art) => art.view === view);

function pictureAt(
  outline: Outline,
  { kind, design, heightMm }: PlaceableMarking,
  place: MarkingPlace,
): PlacedPicture | null {
  if (kind !== 'artwork' || !design.pictureId) return null;
  const height = heightMm / 1000;
  const { turn, mirrored } = place;
  const middle = centreOf(outline, place);
  return { id: design.pictureId, middle, width: height * design.aspect, height, turn, mirrored };
}

function drawPlaces(outline: Outline, marking: PlaceableMarking): Artwork[] {
  const { length } = outline.spec.dimensions;
  return marking.places.map((place, i): Artwork => {
    const art = { marking: marking.id, place: i, view: place.view, picture: pictureAt(outline, marking, place) };
    const skin = onSkin(outline, marking, i);
    if (!skin) {
      // Beside all surfaces it is drawn flat, where it was put.
      const [u, v] = centreOf(outline, place);
      return {
        ...art,
        fields: localFields(marking, place).map(({ region, colour }) => ({
          region: region.map((ring) => ring.map(([x, y]): Point => [u + x, v - y])),
          code: codeAt(marking.codes, colour),
        })),
      };
    }
    const { chart, fields } = skin;
    if (goesRound(marking)) {
      const whole = outline.regions.filter((part) => part.chart === chart);
      return {
        ...art,
        fields: fields.map(({ region, code }) => ({
          region: whole.flatMap((part) => shownIn(chart, intersection(part.region, region), place.view, length)),
          code,
        })),
      };
    }
    return {
      ...art,
      fields: fields.map(({ region, code }) => ({
        region: region.map((ring) => ring.map((point) => project(place.view, length, ...chart.at(point)))),
        code,
      })),
    };
  });
}

/** Where markings lie, for corners of the scheme that hang on them. */
export const placesOf =
  (markings: readonly Pick<PlaceableMarking, 'id' | 'places'>[]): PlaceOf =>
  (id, place) => {
    const at = markings.find((marking) => marking.id === id)?.places[place];
    return at ? { x: at.station, y: at.offset } : null;
  };

/** The scheme laid on the skin, with the corners that hang on markings where those are. */
export const schemeOn = (
  outline: Outline,
  fields: readonly SchemeField[],
  markings: Parameters<typeof placesOf>[0],
): PaintedField[] => paintScheme(outline, fields, placesOf(markings));
