import { steps, type Point } from '@/core/geometry/polygon';
import { girthOfHeight, type Body } from './body';
import { bodyChart, type Chart } from './chart';
import type { Dimensions } from './dimensions';
import { project } from './drawing';
import type { SkinPart, ZoneRegion } from './parts';
import { SIDES } from './wings';
import type { ZoneEdges } from './zone-edges';
import { sided, zoneOf, type Zone } from './zones';

/** What is no aircraft and the main subject all the same: a ship by its length, beam and height; a base as a board with an edge. */

/** The flat top of a body begins so far up. */
const DECK = 0.93;
/** How boxy an island is. */
const BOXY = 10;
/** Masts, boats and fittings have so much skin to paint, as a share of length times beam. */
const FITTINGS_SHARE = 0.3;

const RISE = 6;

/** What of a body lies between two heights, right round its top or its keel, or on one side. */
function round(body: Body, from: number, to: number) {
  const { n } = body.sections[0]!;
  const [first, last] = [body.sections[0]!.x, body.sections.at(-1)!.x];
  const girth = (h: number) => girthOfHeight(n, 2 * h - 1);
  const heights = steps(from, to, RISE).map(girth);
  const ring = (turn: (q: number) => number): Point[] => [
    ...heights.map((q): Point => [first, turn(q)]),
    ...[...heights].reverse().map((q): Point => [last, turn(q)]),
  ];
  return {
    port: [ring((q) => 360 - q)],
    starboard: [ring((q) => q)],
    /** Over both sides: from one to the other. */
    across: [
      [
        [first, girth(from)],
        [last, girth(from)],
        [last, 360 - girth(from)],
        [first, 360 - girth(from)],
      ] as Point[],
    ],
  };
}

const faced = (zone: Zone, faces: Zone['faces']): Zone => ({ ...zone, faces });

/** The hull: bottom, both sides and the deck. */
export function hullPart(body: Body, d: Dimensions, edges: ZoneEdges): SkinPart {
  const chart = bodyChart('hull', body, d.length);
  const sides = round(body, edges.underside, DECK);
  const { n } = body.sections[0]!;
  const low = girthOfHeight(n, 2 * edges.underside - 1);
  const [first, last] = [body.sections[0]!.x, body.sections.at(-1)!.x];
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
      faced(zoneOf('hull-lower', 'Hull below the waterline', 'fuselage'), 'down'),
      ...SIDES.map((side) => zoneOf(sided('hull', side), `Hull side, ${side}`, 'fuselage', side)),
      faced(zoneOf('deck', 'Deck', 'fuselage'), 'up'),
    ],
  };
}

/** The flat top of a body: round its spine, in two halves. */
function deckOf(chart: Chart, body: Body, zone: string): ZoneRegion[] {
  const { port, starboard } = round(body, DECK, 1);
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
  const sides = round(body, 0.07, DECK);
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
        faced(zoneOf('island-top', 'Decks of the island', 'fuselage'), 'up'),
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
  const { port, starboard } = round(body, 0, DECK);
  return {
    level: 30,
    lines: [],
    regions: [
      ...deckOf(chart, body, 'ground'),
      ...[port, starboard].map((region) => ({ zone: 'edge', chart, region })),
    ],
    zones: [
      faced(zoneOf('ground', 'Ground or water', 'fuselage'), 'up'),
      zoneOf('edge', 'Edge of the base', 'fuselage'),
    ],
  };
}
