import { steps, type Point, type Polygon } from '@/core/geometry/polygon';
import { girthOfHeight, type Body } from './body';
import { bodyChart, type Chart } from './chart';
import type { Dimensions } from './dimensions';
import { project } from './drawing';
import type { SkinPart, ZoneRegion } from './parts';
import { SIDES } from './wings';
import type { ZoneEdges } from './zone-edges';
import { sided, zoneOf } from './zones';

/** What is no aircraft and the main subject all the same: a ship by its length, beam and height; a base as a board with an edge. */

/** The flat top of a body begins so far up. */
const DECK = 0.93;
/** How boxy an island is. */
const BOXY = 10;
/** Masts, boats and fittings have so much skin to paint, as a share of length times beam. */
const FITTINGS_SHARE = 0.3;

const RISE = 6;

/** The first and the last station of a body. */
const endsOf = ({ sections }: Body): [number, number] => [sections[0]!.x, sections.at(-1)!.x];
/** The girth angle at a height of a body, 0 its keel and 1 its spine. */
const girthAt = ({ sections }: Body, height: number): number => girthOfHeight(sections[0]!.n, 2 * height - 1);

/** What of each side of a body lies between two heights. */
function sidesOf(body: Body, from: number, to: number): Record<'port' | 'starboard', Polygon[]> {
  const [first, last] = endsOf(body);
  const girths = steps(from, to, RISE).map((height) => girthAt(body, height));
  const ring = (turn: (q: number) => number): Point[] => [
    ...girths.map((q): Point => [first, turn(q)]),
    ...[...girths].reverse().map((q): Point => [last, turn(q)]),
  ];
  return { port: [ring((q) => 360 - q)], starboard: [ring((q) => q)] };
}

/** The hull: bottom, both sides and the deck. */
export function hullPart(body: Body, d: Dimensions, edges: ZoneEdges): SkinPart {
  const chart = bodyChart('hull', body, d.length);
  const sides = sidesOf(body, edges.underside, DECK);
  const low = girthAt(body, edges.underside);
  const [first, last] = endsOf(body);
  const bottom: Point[] = [
    [first, low],
    [last, low],
    [last, 360 - low],
    [first, 360 - low],
  ];
  return {
    level: 30,
    lines: [],
    regions: [
      { zone: 'hull-lower', chart, region: [bottom] },
      { zone: 'hull-port', chart, region: sides.port },
      { zone: 'hull-starboard', chart, region: sides.starboard },
      ...deckOf(chart, body, 'deck'),
    ],
    zones: [
      zoneOf('hull-lower', 'Hull below the waterline', 'fuselage'),
      ...SIDES.map((side) => zoneOf(sided('hull', side), `Hull side, ${side}`, 'fuselage', side)),
      zoneOf('deck', 'Deck', 'fuselage'),
    ],
  };
}

/** The flat top of a body: round its spine, in two halves. */
function deckOf(chart: Chart, body: Body, zone: string): ZoneRegion[] {
  const { port, starboard } = sidesOf(body, DECK, 1);
  return [port, starboard].map((region) => ({ zone, chart, region }));
}

/** Superstructure that stands on the deck, so far to starboard of the middle as is said, with a mast over it. */
export function islandParts(d: Dimensions): SkinPart[] {
  const fittings = {
    ...zoneOf('fittings', 'Masts, boats and fittings', 'gear'),
    areaM2: FITTINGS_SHARE * d.length * d.fuselageWidth,
  };
  if (d.canopyLength <= 0 || d.canopyHeight <= 0) return [{ level: 41, regions: [], lines: [], zones: [fittings] }];
  const z = d.fuselageHeight + d.canopyHeight / 2;
  const width = d.fuselageWidth * 0.4;
  const [from, to] = [d.canopyStation, d.canopyStation + d.canopyLength];
  const body: Body = {
    y: d.engineSpacing,
    sections: [from, to].map((x) => ({ x, width, height: d.canopyHeight, z, n: BOXY })),
  };
  const chart = bodyChart('island', body, d.length);
  const sides = sidesOf(body, 0.07, DECK);
  const mast = (from + to) / 2;
  return [
    {
      level: 40,
      levels: { lower: 5 },
      lines: [],
      regions: [
        { zone: 'island-port', chart, region: sides.port },
        { zone: 'island-starboard', chart, region: sides.starboard },
        ...deckOf(chart, body, 'island-top'),
      ],
      zones: [
        ...SIDES.map((side) => zoneOf(sided('island', side), `Island, ${side}`, 'fuselage', side)),
        zoneOf('island-top', 'Decks of the island', 'fuselage'),
        fittings,
      ],
      bars: SIDES.map((side) => ({
        view: side,
        points: [
          project(side, d.length, mast, d.engineSpacing, d.fuselageHeight + d.canopyHeight),
          project(side, d.length, mast, d.engineSpacing, d.fuselageHeight + 1.8 * d.canopyHeight),
        ],
      })),
    },
  ];
}

/** A base: its ground or water, and the edge of its board. */
export function boardPart(body: Body, d: Dimensions): SkinPart {
  const chart = bodyChart('board', body, d.length);
  const { port, starboard } = sidesOf(body, 0, DECK);
  return {
    level: 30,
    lines: [],
    regions: [
      ...deckOf(chart, body, 'ground'),
      ...[port, starboard].map((region) => ({ zone: 'edge', chart, region })),
    ],
    zones: [zoneOf('ground', 'Ground or water', 'fuselage'), zoneOf('edge', 'Edge of the base', 'fuselage')],
  };
}
