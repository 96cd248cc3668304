import { z } from 'zod';

/** The geometry of a marking, in units of its height: what it is made of, before it has a size or a place. */

const share = (title: string, least: number, most: number) =>
  z
    .number({ error: `${title}: a number is needed` })
    .min(least, `${title}: at least ${least}`)
    .max(most, `${title}: at most ${most}`);

export const FIGURES = [
  'disc',
  'ring',
  'square',
  'bar',
  'cross',
  'diamond',
  'star',
  'polygon',
  'quarter',
  'flash',
] as const;
export type Figure = (typeof FIGURES)[number];

/** Colours of one marking. */
export const MOST_COLOURS = 6;
const colour = z
  .number()
  .int()
  .min(0)
  .max(MOST_COLOURS - 1);

/** One figure of an insignia, laid over those before it. All lengths as shares of the insignia's height. */
export const figureFields = z.strictObject({
  figure: z.enum(FIGURES, { error: `Figure: one of ${FIGURES.join(', ')}` }),
  /** Height over all, and breadth as a share of it. */
  size: share('Size', 0.02, 3),
  aspect: share('Breadth', 0.05, 20).default(1),
  /** Points of a star, corners of a polygon, quarters from the top clockwise. */
  points: z.number().int().min(1).max(24).default(5),
  /** Inner radius of a ring or star, arm of a cross, slant of a flash, as a share. */
  inner: share('Inner', 0.02, 0.98).default(0.5),
  x: share('Across', -3, 3).default(0),
  y: share('Up', -3, 3).default(0),
  turn: share('Turned', -360, 360).default(0),
  colour,
  /** Drawn first, larger by this share all round; 0 for none. */
  border: share('Border', 0, 1).default(0),
  borderColour: colour.default(0),
});
export type FigureFields = z.infer<typeof figureFields>;

/** Rings of points, y up; of outlines that are kept, never of markup. */
const MOST_RINGS = 400;
const MOST_POINTS = 6000;
const coordinate = z.number().min(-100).max(100);
const outline = z
  .array(z.array(z.tuple([coordinate, coordinate])).min(3))
  .max(MOST_RINGS, `Outline: at most ${MOST_RINGS} rings`)
  .refine(
    (rings) => rings.reduce((sum, ring) => sum + ring.length, 0) <= MOST_POINTS,
    `Outline: at most ${MOST_POINTS} points`,
  );

/** One sign of a face: its rings from the foot line up, and how far the next one stands, in heights of a capital. */
const glyph = z.strictObject({ rings: outline, advance: z.number().min(0).max(20) });
export type Glyph = z.infer<typeof glyph>;
export type Signs = Record<string, Glyph>;

/** The most signs of a face that one marking keeps. */
export const MOST_SIGNS = 80;

/** How letters look. `outline`: each sign as its font draws it, so that nobody else needs the font; null for the block alphabet. */
export const letterFields = z.strictObject({
  face: z.string().max(80).default('block'),
  /** Thickness of the block alphabet's strokes, as a share of the height. */
  stroke: share('Stroke', 0.03, 0.3).default(0.143),
  /** Between letters, as a share of the height beyond the usual. */
  spacing: share('Spacing', -0.3, 2).default(0),
  slant: share('Slant', -45, 45).default(0),
  /** Bridges of a stencil, as a share of the height; 0 for none. */
  breaks: share('Breaks', 0, 0.3).default(0),
  outline: z
    .record(z.string().min(1).max(2), glyph)
    .refine((signs) => Object.keys(signs).length <= MOST_SIGNS, `Letters: at most ${MOST_SIGNS} different signs`)
    .nullable()
    .default(null),
});
export type LetterFields = z.infer<typeof letterFields>;

export const PLAIN_LETTERS: LetterFields = letterFields.parse({});

/** How a band runs: round what it lies on, or along it. */
export const COURSES = ['round', 'along'] as const;

/** Where the edges of a band along run, so far from its fore end: between two such places straight, and stepped where two are at one. */
export const edgeFields = z.strictObject({
  /** Share of its length from the fore end. */
  at: share('Along', 0, 1),
  /** Lower and upper edge about its line, as shares of its height. */
  low: share('Lower edge', -50, 50),
  high: share('Upper edge', -50, 50),
});
export type BandEdge = z.infer<typeof edgeFields>;

export const designFields = z.strictObject({
  /** Of insignia and kill marks; the hexagon of the demo's service where none is given. */
  figures: z.array(figureFields).max(24, 'Figures: at most 24').default([]),
  letters: letterFields.nullable().default(null),
  /** Own curves with their colours, of artwork. */
  artwork: z
    .array(z.strictObject({ rings: outline, colour }))
    .max(60, 'Artwork: at most 60 fields')
    .default([]),
  /** A picture instead of curves. */
  pictureId: z.string().max(64).nullable().default(null),
  /** Breadth as a share of the height: of a walkway, a window, a picture. */
  aspect: share('Breadth', 0.02, 4000).default(1),
  /** Equal ones in a row, and the gap between them as a share of the height. */
  count: z.number().int().min(1, 'Count: at least one').max(400, 'Count: at most 400').default(1),
  perRow: z.number().int().min(1).max(100).default(20),
  gap: share('Gap', 0, 20).default(0.3),
  /** Line of a walkway, as a share of its height. */
  line: share('Line', 0.002, 0.5).default(0.05),
  course: z.enum(COURSES, { error: `Course: one of ${COURSES.join(', ')}` }).default('round'),
  /** Edges of a band along, from its fore end; none for one of even height. */
  profile: z
    .array(edgeFields)
    .max(60, 'Edges: at most 60 places')
    .refine((edges) => edges.every(({ at }, i) => i === 0 || at >= edges[i - 1]!.at), 'Edges: from the fore end aft')
    .refine((edges) => edges.every(({ low, high }) => high >= low), 'Edges: the upper one is not below the lower')
    .default([]),
  /** Windows after which their strip is cut. */
  cuts: z.array(z.number().int().min(1).max(400)).max(60, 'Cuts: at most 60').default([]),
});
export type Design = z.infer<typeof designFields>;

export const PLAIN: Design = designFields.parse({});
