import { regionArea, solid, type Region } from '@/core/geometry/clip';
import { isInRegion, polygonArea, type Point, type Polygon } from '@/core/geometry/polygon';
import { arcsRound } from '@/core/outline/body';
import { followed, type Chart } from '@/core/outline/chart';
import { spanwise } from '@/core/outline/lifting';
import { zoneTitle, type Outline } from '@/core/outline/outline';
import { flat } from '@/core/outline/unroll';
import type { PaintedField } from '@/core/scheme/cells';
import { lie, metInWords, type Lie, type LineKind } from './fit';
import { goesRound } from './kinds';
import { UNTOLD_MM } from './size';
import { zonesAt } from './on-zones';
import { middleOf, onSkin, type PlaceableMarking } from './placing';
import { listed } from '@/core/units/words';

/** A marking at one of its places, against the zone and the painted field that it lies in. */
export interface PlacedFit {
  place: number;
  zone: string;
  zoneTitle: string;
  /** Against its zone, with the lines and the other markings there. */
  fit: Lie;
  /** Against the field of the scheme that is painted under it, where there is one. */
  field: { title: string; fit: Lie } | null;
  /** Edges that it reaches over: it goes on on the other side. */
  wraps: string[];
  /** How much a flat piece of its size is stretched there, %: 0 on cones, cylinders and flat skin. */
  stretchPercent: number;
  says: string[];
}

/**
 * A skin laid out flat round a place: mm along and across. On bodies across is the way round the section there, both ways from the place, so that
 * nothing near it is torn apart where the girth begins anew.
 */
function planeAt(chart: Chart, [x, girth0]: Point): (point: Point) => Point {
  if (chart.on.kind === 'lifting') {
    const along = 1000 * spanwise(chart.on.of);
    return ([out, station]) => [station * 1000, out * along];
  }
  const from = girth0 - 360;
  const arcs = arcsRound(chart.on.body, x, from, 2, 360);
  return ([station, girth]) => {
    const place = Math.min(Math.max((girth - from) / 2, 0), 360);
    const i = Math.min(arcs.length - 2, Math.floor(place));
    return [station * 1000, (arcs[i]! + (place - i) * (arcs[i + 1]! - arcs[i]!)) * 1000];
  };
}

const largest = (region: Region): Polygon =>
  region.reduce((best, ring) => (polygonArea(ring) > polygonArea(best) ? ring : best), region[0] ?? []);

/** A marking at one of its places, as others meet it there. */
interface Neighbour {
  other: PlaceableMarking & { title: string };
  k: number;
  chart: Chart;
  shape: Region;
}

/** All places of markings that lie on a surface. */
export const neighboursOf = (
  outline: Outline,
  markings: readonly (PlaceableMarking & { title: string })[],
): Neighbour[] =>
  markings.flatMap((other) =>
    other.places.flatMap((_, k) => {
      const there = onSkin(outline, other, k);
      return there
        ? [{ other, k, chart: there.chart, shape: solid(there.fields.flatMap(({ region }) => region)) }]
        : [];
    }),
  );

/** Every place of a marking that lies on a surface, among its neighbours. Bands go right round: they have no fit. */
export function fitsOf(
  outline: Outline,
  denominator: number,
  marking: PlaceableMarking & { printedMm: number | null },
  neighbours: readonly Neighbour[],
  painted: readonly PaintedField[],
): PlacedFit[] {
  if (goesRound(marking)) return [];
  return marking.places.flatMap((_, i): PlacedFit[] => {
    const skin = onSkin(outline, marking, i);
    if (!skin || skin.fields.length === 0) return [];
    const { chart } = skin;
    const covers = skin.fields.flatMap(({ region }) => region);
    const centre = middleOf(covers);
    const inZone = (region: Region) => isInRegion(centre, region);
    const home =
      outline.regions.find((part) => part.chart === chart && inZone(part.region)) ??
      outline.regions.find((part) => part.chart === chart && part.zone === marking.zone) ??
      outline.regions.find((part) => part.chart === chart)!;
    const plane = planeAt(chart, centre);
    const laid = (region: Region): Polygon[] => region.map((ring) => followed(chart, ring, true).map(plane));
    const shape = solid(covers).map((ring) => ring.map(plane));
    const lines = outline.lines
      .filter((line) => line.chart === chart)
      .map(({ id, kind, points }) => ({
        id,
        kind: kind as LineKind,
        points: followed(chart, points, false).map(plane),
      }));
    const near = neighbours
      .filter(({ other, k, chart: on }) => on === chart && !(other.id === marking.id && k === i))
      .map(({ other, shape: own }) => ({ id: other.title, shape: own.map((ring) => ring.map(plane)) }));
    const against = (field: Polygon): Lie => lie(shape, { field, lines, others: near }, SEEN_SHARE);
    const zone = against(largest(laid(home.region)));
    const under = painted.findLast(({ field, laid: on }) => {
      const region = on.get(chart.id);
      return field.shape.kind !== 'mottle' && field.shape.kind !== 'zones' && region !== undefined && inZone(region);
    });
    // A field as large as the zone is the camouflage, not a ground for this marking.
    const region = under?.laid.get(chart.id);
    const isGround = region !== undefined && regionArea(region) < 0.6 * regionArea(home.region);
    const field = isGround ? { title: under!.field.title, fit: against(largest(laid(region))) } : null;
    const wraps = lines.filter(({ kind, id }) => kind === 'edge' && zone.crosses.includes(id)).map(({ id }) => id);
    return [
      {
        place: i,
        zone: home.zone,
        zoneTitle: zoneTitle(outline, home.zone),
        fit: zone,
        field,
        wraps,
        stretchPercent: stretchUnder(chart, covers),
        says: [
          ...(marking.kind === 'band'
            ? [runsOver(outline, marking, i)]
            : liesIn(zone, field, zoneTitle(outline, home.zone), denominator)),
          ...metInWords(zone, lines),
        ],
      },
    ];
  });
}

/** A thousandth of an overhang: nobody sees more of it, and the search for the rest takes a second. */
const SEEN_SHARE = 1e-3;

function stretchUnder(chart: Chart, covers: Region): number {
  if (chart.on.kind !== 'body') return 0;
  const { body } = chart.on;
  const points = covers.flat();
  const xs = points.map(([x]) => x);
  const qs = points.map(([, q]) => q);
  const [from, to] = [
    Math.max(Math.min(...xs), body.sections[0]!.x),
    Math.min(Math.max(...xs), body.sections.at(-1)!.x),
  ];
  if (to - from < 1e-3 || Math.max(...qs) - Math.min(...qs) < 0.1) return 0;
  return flat(body, { x: from, angleDeg: Math.min(...qs) }, { x: to, angleDeg: Math.max(...qs) }).errorPercent;
}

const mm = (value: number) => `${value.toFixed(value < 1 ? 2 : 1)} mm`;

/** What runs along lies in no one zone: over which it runs. */
const runsOver = (outline: Outline, marking: PlaceableMarking, place: number): string =>
  `runs over ${listed(zonesAt(outline, marking, place).map((zone) => zoneTitle(outline, zone).toLowerCase()))}`;

function liesIn(zone: Lie, field: PlacedFit['field'], title: string, denominator: number): string[] {
  const on = (real: number) => mm(real / denominator);
  /** What lies over by less than anybody sees ends at the edge. */
  const ends = ({ overhangMm }: Lie) => overhangMm / denominator < UNTOLD_MM;
  return [
    ...(field
      ? [
          field.fit.inside
            ? `in its painted field “${field.title}”, ${on(field.fit.clearanceMm)} clear of its edge on the model`
            : ends(field.fit)
              ? `fills its painted field “${field.title}” to its edge`
              : `larger than its painted field “${field.title}”: it stands ${on(field.fit.overhangMm)} over on the model`,
        ]
      : []),
    zone.inside
      ? `inside the ${title.toLowerCase()}, ${on(zone.clearanceMm)} clear on the model`
      : ends(zone)
        ? `ends at the edge of the ${title.toLowerCase()}`
        : `${on(zone.overhangMm)} beyond the ${title.toLowerCase()} on the model`,
  ];
}
