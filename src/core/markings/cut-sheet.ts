import { grown, union, type Region } from '@/core/geometry/clip';
import { extentOf, rectangle, type Point, type Polygon } from '@/core/geometry/polygon';
import { isSide } from '@/core/outline/zones';
import { spanwise } from '@/core/outline/lifting';
import { followed, type Chart } from '@/core/outline/chart';
import { flattened } from '@/core/outline/unroll';
import type { Outline } from '@/core/outline/outline';
import type { ZoneRegion } from '@/core/outline/parts';
import type { PaintedField } from '@/core/scheme/cells';
import { stencilHoles } from '@/core/scheme/stencil';
import type { MarkingCoat } from './coats';
import { seenFields } from './drawn';
import { blockLetters } from './lettering';
import { codeAt, type PlaceableMarking } from './placing';

/** Sheets to cut, in true mm on the model: hairlines, no fills, all text as outlines. */

/** One piece with its label; `x`, `y` of the lines are about its own upper left corner, y down. */
export interface CutPiece {
  label: string;
  width: number;
  height: number;
  /** What the knife follows. */
  cuts: Polygon[];
  /** Marks that are printed and not cut. */
  marks: Polygon[];
  /** Areas in their colours, the first printed first; and a picture, by its id. */
  fills?: Fill[];
  picture?: SheetPicture | null;
}

/** What is printed in one colour: what an odd number of its rings surround. */
export interface Fill {
  rings: Polygon[];
  hex: string;
}

/** A picture on a sheet, its upper left corner at a place, mm. */
export interface SheetPicture {
  id: string;
  x: number;
  y: number;
  width: number;
  height: number;
  mirrored: boolean;
}

export interface CutSheet {
  title: string;
  pieces: CutPiece[];
  /** What is said beside the pieces. */
  notes: string[];
}

/** A white ground reaches a little beyond the colours, so that no dark edge shows. mm on the model. */
const GROUND_SPREAD_MM = 0.15;
/** Between red and blue a parting of white is left, or purple shows. mm on the model. */
const PARTING_MM = 0.2;
/** Registration marks stand so far out. */
const REGISTER_MM = 3;
const REGISTER_ARM_MM = 1.5;

/** From y up, as shapes are, to y down, as sheets are. */
export const turnedDown = (region: Region): Polygon[] => region.map((ring) => ring.map(([x, y]): Point => [x, -y]));
const mirroredLines = (lines: readonly Polygon[]): Polygon[] =>
  lines.map((line) => line.map(([x, y]): Point => [-x, y]));

/** A shape as a piece: its lines moved to the corner, with marks that register it to others of the same frame. */
export function pieceOf(
  label: string,
  cuts: readonly Polygon[],
  frame: readonly Polygon[],
  registered: boolean,
): CutPiece {
  const { left, right, top, bottom } = extentOf(frame);
  const room = registered ? REGISTER_MM + REGISTER_ARM_MM : 1;
  const [dx, dy] = [room - left, room - top];
  const moved = (line: Polygon): Polygon => line.map(([x, y]): Point => [x + dx, y + dy]);
  const marks: Polygon[] = registered
    ? [
        [left - REGISTER_MM, top - REGISTER_MM],
        [right + REGISTER_MM, top - REGISTER_MM],
        [left - REGISTER_MM, bottom + REGISTER_MM],
        [right + REGISTER_MM, bottom + REGISTER_MM],
      ].flatMap(([x, y]): Polygon[] => [
        [
          [x! - REGISTER_ARM_MM, y!],
          [x! + REGISTER_ARM_MM, y!],
        ],
        [
          [x!, y! - REGISTER_ARM_MM],
          [x!, y! + REGISTER_ARM_MM],
        ],
      ])
    : [];
  return {
    label,
    width: right - left + 2 * room,
    height: bottom - top + 2 * room,
    cuts: cuts.map(moved),
    marks: marks.map(moved),
  };
}

export interface ColourFacts {
  /** L*, a*, b* by code. */
  labOf: (code: string) => readonly [number, number, number] | null;
  nameOf: (code: string) => string;
}

const isRed = ([, a, b]: readonly [number, number, number]) => a > 25 && b > -10;
const isBlue = ([, a, b]: readonly [number, number, number]) => b < -12 && a < 20;

export interface MaskLayer {
  code: string;
  title: string;
  /** What is open while this is sprayed, mm on the model, y up. */
  region: Region;
}

/** The layers of a painted marking, one for each of its coats; white a little larger, and red and blue kept apart by it. */
export function maskLayers(
  marking: PlaceableMarking,
  denominator: number,
  { labOf, nameOf }: ColourFacts,
  coats: readonly MarkingCoat[],
): MaskLayer[] {
  const size = marking.heightMm / denominator;
  const scaled = seenFields(marking).map(({ region, colour }) => ({
    code: codeAt(marking.codes, colour),
    region: region.map((ring) => ring.map(([x, y]): Point => [x * size, y * size])),
  }));
  const seen = new Map<string, Region>();
  for (const { code, region } of scaled) seen.set(code, seen.has(code) ? union(seen.get(code)!, region) : region);
  const whole = scaled.reduce<Region>((all, { region }) => union(all, region), []);
  const labs = marking.codes.map(labOf).filter((lab) => lab !== null);
  const white = coats.some(({ what }) => what === 'white');
  const isApart = white && labs.some(isRed) && labs.some(isBlue);
  return coats
    .map(({ what, of, covers }): MaskLayer => {
      const code = of.length > 0 ? marking.codes[of[0]!]! : '';
      const region = covers === 'all' ? whole : (seen.get(code) ?? []);
      if (what === 'white')
        return code
          ? { code: '', title: `white again, for ${code}`, region }
          : {
              code: '',
              title: `white ground, ${GROUND_SPREAD_MM} mm out`,
              region: grown(region, GROUND_SPREAD_MM, 'sharp'),
            };
      const lab = labOf(code);
      const isParted = isApart && lab !== null && (isRed(lab) || isBlue(lab));
      return {
        code,
        title: `${code} ${nameOf(code)}`.trim() + (isParted ? `, ${PARTING_MM / 2} mm in: white parts it` : ''),
        region: isParted ? grown(region, -PARTING_MM / 2, 'sharp') : region,
      };
    })
    .filter(({ region }) => region.length > 0);
}

/** One sheet for a sprayed marking: every layer with its registration, for each of its places. */
export function markingSheet(
  marking: PlaceableMarking & { title: string },
  denominator: number,
  colours: ColourFacts,
  coats: readonly MarkingCoat[],
): CutSheet {
  const layers = maskLayers(marking, denominator, colours, coats);
  const frame = turnedDown(layers.flatMap(({ region }) => region));
  const times = Math.max(1, marking.places.length);
  const mirrored = marking.places.some((place) => place.mirrored);
  const pieces = layers.flatMap(({ title, region }, i) => {
    const cuts = turnedDown(region);
    const piece = pieceOf(`${i + 1}. ${title}`, cuts, frame, true);
    const other = pieceOf(`${i + 1}. ${title}, mirrored`, mirroredLines(cuts), mirroredLines(frame), true);
    return marking.places.length > 0 ? marking.places.map((place) => (place.mirrored ? other : piece)) : [piece];
  });
  return {
    title: `${marking.title}: masks`,
    pieces,
    notes: [
      `${layers.length} layers in the order of spraying, for ${times} ${times === 1 ? 'place' : 'places'}${mirrored ? ', some mirrored' : ''}.`,
      'Lay all masks once to register. Seal each edge with the ground colour or clear; spray square to the surface.',
    ],
  };
}

/** How far a line runs. */
export const lineLength = (line: Polygon): number =>
  line.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - line[i]![0], y - line[i]![1]), 0);

/** A field of the scheme as templates, one piece for each surface; round bodies unrolled, a side at a time. */
export function fieldSheet(outline: Outline, { field, laid }: PaintedField, denominator: number): CutSheet {
  const charts = new Map(outline.regions.map(({ chart }) => [chart.id, chart]));
  const notes: string[] = [];
  const pieces = [...laid].flatMap(([id, region]): CutPiece[] => {
    const chart = charts.get(id)!;
    return patches(chart, region).flatMap(({ title, ring, put, errorPercent }) => {
      if (errorPercent > 2)
        notes.push(
          `${title}: the skin is curved both ways; this piece is stretched by up to ${errorPercent.toFixed(1)} %, slit it where it creases.`,
        );
      return [flatPiece(title, chart, ring, put, denominator)];
    });
  });
  return { title: `${field.title}: templates`, pieces, notes };
}

/** Between two holes of a stencil the card has to hold: the size of a blotch, and so much more, mm. */
const BRIDGE_MM = 4;
const PER_ROW = 4;

/** The card through which blotches are sprayed, its holes in rows. */
export function stencilSheet(title: string, shape: Parameters<typeof stencilHoles>[0], denominator: number): CutSheet {
  const holes = stencilHoles(shape, denominator);
  const cell = (1.25 * shape.blotchMm) / denominator + BRIDGE_MM;
  const cuts = holes.map((hole, i): Polygon => {
    const [dx, dy] = [((i % PER_ROW) + 0.5) * cell, (Math.floor(i / PER_ROW) + 0.5) * cell];
    return hole.map(([x, y]): Point => [x + dx, y + dy]);
  });
  const card = rectangle(0, 0, PER_ROW * cell, Math.ceil(holes.length / PER_ROW) * cell);
  return {
    title: `${title}: stencil`,
    pieces: [pieceOf(`${title}: card`, [...cuts, card], [card], false)],
    notes: [
      'Of card or thin sheet. Held off the skin, for soft blotches; turned about and over after each puff, so that nobody sees its holes come again.',
    ],
  };
}

/** A ring of a chart as a piece on the model, laid flat by `put` (m on the machine). */
export function flatPiece(
  title: string,
  chart: Chart,
  ring: Polygon,
  put: (point: Point) => Point,
  denominator: number,
): CutPiece {
  const flat = followed(chart, ring, true).map((point): Point => {
    const [u, v] = put(point);
    return [(u * 1000) / denominator, (v * 1000) / denominator];
  });
  return pieceOf(title, [flat], [flat], false);
}

interface Patch {
  title: string;
  ring: Polygon;
  put: (point: Point) => Point;
  errorPercent: number;
}

const spokenChart = (id: string) => id.replaceAll('-', ' ');

/** A region of a surface in flat pieces. */
export function patches(chart: Chart, region: Region): Patch[] {
  const { on } = chart;
  if (on.kind === 'lifting') {
    // Seen from its own side: aft to the right, out upwards.
    const put = ([out, x]: Point): Point => [x, -out * spanwise(on.of)];
    return region.map((ring) => ({ title: spokenChart(chart.id), ring, put, errorPercent: 0 }));
  }
  return region.map((ring) => {
    const [xs, qs] = [ring.map(([x]) => x), ring.map(([, q]) => q)];
    const [from, to] = [Math.min(...xs), Math.max(...xs)];
    const [low, high] = [Math.min(...qs), Math.max(...qs)];
    const { put, errorPercent } = flattened(
      on.body,
      [from, Math.max(to, from + 1e-3)],
      [low, Math.max(high, low + 0.1)],
    );
    const side = (low + high) / 2 < 180 ? 'starboard' : 'port';
    return { title: `${spokenChart(chart.id)}, ${high - low > 200 ? 'right round' : side}`, ring, put, errorPercent };
  });
}

/** Frames of a canopy stay this broad between its panes, mm in reality. */
const FRAME_MM = 55;

/** One pane of glass on the surface that it lies on: from a to b along it, from low to high round it. */
export interface Pane {
  label: string;
  chart: Chart;
  along: readonly [a: number, b: number];
  round: readonly [low: number, high: number];
}

/** The panes of an outline, each masked by itself: of a canopy between its frames, else windows let into the skin. */
export function panesOf(outline: Outline): Pane[] {
  const glazed = outline.regions.filter((part) => part.glass);
  const [glass] = glazed;
  if (!glass || glass.chart.on.kind !== 'body') return [];
  if (isLetIn(outline, glass)) return windowsOf(glazed);
  const { body } = glass.chart.on;
  const frames = outline.lines.filter((line) => line.chart.id === glass.chart.id).map(({ points }) => points[0]![0]);
  const [first, last] = [body.sections[0]!.x, body.sections.at(-1)!.x];
  const cuts = [first + 0.02 * (last - first), ...frames.sort((a, b) => a - b), last - 0.02 * (last - first)];
  const half = FRAME_MM / 2000;
  return cuts.slice(1).flatMap((to, i) =>
    (['starboard', 'port'] as const).map((side): Pane => ({
      label: `pane ${i + 1}, ${side}`,
      chart: glass.chart,
      along: [cuts[i]! + half, to - half],
      round: side === 'starboard' ? [4, 82] : [278, 356],
    })),
  );
}

/** Windows let into the skin lie on the surface of other zones. */
const isLetIn = (outline: Outline, glass: ZoneRegion): boolean =>
  outline.regions.some((part) => !part.glass && part.chart.id === glass.chart.id);

function windowsOf(glazed: readonly ZoneRegion[]): Pane[] {
  const counts = new Map<string, number>();
  return glazed.flatMap(({ chart, region }) => {
    if (chart.on.kind !== 'body') return [];
    const { left: a, right: b, top: low, bottom: high } = extentOf(region);
    const side = low < 180 ? 'starboard' : 'port';
    // What reaches the spine is the screen.
    const isScreen = low === 0 || high === 360;
    const number = (counts.get(side) ?? 0) + (isScreen ? 0 : 1);
    counts.set(side, number);
    return [
      {
        label: isScreen ? `screen, ${side} half` : `window ${number}, ${side}`,
        chart,
        along: [a, b],
        round: [low, high],
      },
    ];
  });
}

/** Masks for the glass, a pane each; null where there is none that lies on a body. */
export function canopySheet(outline: Outline, denominator: number): CutSheet | null {
  const panes = panesOf(outline);
  if (panes.length === 0) return null;
  const pieces = panes.flatMap(({ label, chart, along: [a, b], round: [low, high] }) => {
    if (chart.on.kind !== 'body') return [];
    const { put } = flattened(chart.on.body, [a, b], [low, high]);
    return [flatPiece(label, chart, rectangle(a, low, b, high), put, denominator)];
  });
  return outline.regions.some((part) => part.glass && isLetIn(outline, part))
    ? {
        title: 'Windows: a mask each',
        pieces,
        notes: ['Cut to the glass itself: its surround is painted. Tape comes off while the paint gives.'],
      }
    : {
        title: 'Canopy: masks by frame',
        pieces,
        notes: [
          `Frames of ${(FRAME_MM / denominator).toFixed(2)} mm stay free. Burnish with a stick; tape comes off while the paint gives.`,
        ],
      };
}

/** Where each marking goes, measured on the model from the nose and from the belly or the centre line. */
export function placingNotes(
  markings: readonly (PlaceableMarking & { title: string })[],
  denominator: number,
): string[] {
  const mm = (m: number) => `${((m * 1000) / denominator).toFixed(1)} mm`;
  return markings.flatMap(({ title, places }) =>
    places.map(({ view, station, offset, turn }) => {
      const across = isSide(view)
        ? `${mm(offset)} up from the belly`
        : offset === 0
          ? 'on the centre line'
          : `${mm(Math.abs(offset))} to ${offset < 0 ? 'port' : 'starboard'} of the centre line`;
      return `${title}, ${view}, on the model: middle ${mm(station)} aft of the nose, ${across}${turn ? `, turned ${turn}°` : ''}.`;
    }),
  );
}

export interface Sheet {
  title: string;
  width: number;
  height: number;
  cuts: Polygon[];
  marks: Polygon[];
  fills: Fill[];
  pictures: SheetPicture[];
}

const GAP_MM = 4;
const TEXT_MM = 2.2;
const NOTE_MM = 2.6;
/** Sheets are laid out in rows of this width, unless a piece is broader. */
export const ROW_MM = 180;

/** Text as outlines, its upper left corner at a place. */
export function textAt(text: string, x: number, y: number, height: number): Polygon[] {
  // The block alphabet has letters, figures, the hyphen and the full stop.
  const plain = text
    .replaceAll('°', ' deg')
    .replaceAll(':', ' -')
    .replace(/[,;]/g, '.')
    .replace(/[^\w .-]/g, '');
  const { region, width } = blockLetters(plain, 0.12, 0.04);
  return region.map((ring) => ring.map(([u, v]): Point => [x + (u + width / 2) * height, y + (0.5 - v) * height]));
}

/** Pieces one beside the other in rows, each under its label; notes at the foot. */
export function laidOut({ title, pieces, notes }: CutSheet): Sheet {
  const width = Math.max(ROW_MM, ...pieces.map((piece) => piece.width));
  const marks: Polygon[] = [...textAt(title, 0, 0, 4)];
  const cuts: Polygon[] = [];
  const fills: Fill[] = [];
  const pictures: SheetPicture[] = [];
  let [x, y, row] = [0, 4 + GAP_MM, 0];
  for (const piece of pieces) {
    if (x > 0 && x + piece.width > width) [x, y, row] = [0, y + row + GAP_MM, 0];
    marks.push(...textAt(piece.label, x, y, TEXT_MM));
    const top = y + TEXT_MM + 1.4;
    const moved = (line: Polygon): Polygon => line.map(([u, v]): Point => [u + x, v + top]);
    cuts.push(...piece.cuts.map(moved));
    marks.push(...piece.marks.map(moved));
    fills.push(...(piece.fills ?? []).map(({ rings, hex }) => ({ hex, rings: rings.map(moved) })));
    if (piece.picture) pictures.push({ ...piece.picture, x: piece.picture.x + x, y: piece.picture.y + top });
    const label = blockLetters(piece.label, 0.12, 0.04).width * TEXT_MM;
    row = Math.max(row, piece.height + TEXT_MM + 1.4);
    x += Math.max(piece.width, label) + GAP_MM;
  }
  y += row + GAP_MM;
  for (const note of notes) {
    for (const line of wrapped(note, width)) {
      marks.push(...textAt(line, 0, y, NOTE_MM));
      y += NOTE_MM * 1.6;
    }
  }
  const reach = extentOf([...cuts, ...marks]);
  const [right, bottom] = [Math.max(width, reach.right), Math.max(y, reach.bottom)];
  return { title, width: right, height: bottom, cuts, marks, fills, pictures };
}

function wrapped(text: string, width: number): string[] {
  const most = Math.floor(width / (NOTE_MM * 0.9));
  const lines: string[] = [''];
  for (const word of text.split(' ')) {
    if (lines.at(-1)!.length + word.length + 1 > most) lines.push(word);
    else lines[lines.length - 1] = `${lines.at(-1)} ${word}`.trim();
  }
  return lines;
}

/** A ruler of 100 mm and a square of 50 mm, to prove the printer. */
export function proofMarks(x: number, y: number): Polygon[] {
  const ticks = Array.from({ length: 11 }, (_, i): Polygon => [
    [x + i * 10, y],
    [x + i * 10, y + (i % 5 === 0 ? 5 : 3)],
  ]);
  return [
    [
      [x, y],
      [x + 100, y],
    ],
    ...ticks,
    [...rectangle(x + 110, y, x + 160, y + 50), [x + 110, y]],
  ];
}
