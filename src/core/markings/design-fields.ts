import { z } from 'zod';
import {
  COURSES,
  FIGURES,
  MOST_COLOURS,
  MOST_SIGNS,
  PLAIN,
  PLAIN_FIGURE,
  PLAIN_LETTERS,
  type BandEdge,
  type Design,
  type FigureFields,
  type LetterFields,
} from './design';

/** A marking's geometry as it is checked. What is left out is plain. */

const share = (title: string, least: number, most: number) =>
  z
    .number({ error: `${title}: a number is needed` })
    .min(least, `${title}: at least ${least}`)
    .max(most, `${title}: at most ${most}`);
const colour = z
  .number()
  .int()
  .min(0)
  .max(MOST_COLOURS - 1);

export const figureFields = z.strictObject({
  figure: z.enum(FIGURES, { error: `Figure: one of ${FIGURES.join(', ')}` }),
  size: share('Size', 0.02, 3),
  aspect: share('Breadth', 0.05, 20).default(PLAIN_FIGURE.aspect),
  points: z.number().int().min(1).max(24).default(PLAIN_FIGURE.points),
  inner: share('Inner', 0.02, 0.98).default(PLAIN_FIGURE.inner),
  x: share('Across', -3, 3).default(PLAIN_FIGURE.x),
  y: share('Up', -3, 3).default(PLAIN_FIGURE.y),
  turn: share('Turned', -360, 360).default(PLAIN_FIGURE.turn),
  colour,
  border: share('Border', 0, 1).default(PLAIN_FIGURE.border),
  borderColour: colour.default(PLAIN_FIGURE.borderColour),
}) satisfies z.ZodType<FigureFields, unknown>;

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

const glyph = z.strictObject({ rings: outline, advance: z.number().min(0).max(20) });

export const letterFields = z.strictObject({
  face: z.string().max(80).default(PLAIN_LETTERS.face),
  stroke: share('Stroke', 0.03, 0.3).default(PLAIN_LETTERS.stroke),
  spacing: share('Spacing', -0.3, 2).default(PLAIN_LETTERS.spacing),
  slant: share('Slant', -45, 45).default(PLAIN_LETTERS.slant),
  breaks: share('Breaks', 0, 0.3).default(PLAIN_LETTERS.breaks),
  outline: z
    .record(z.string().min(1).max(2), glyph)
    .refine((signs) => Object.keys(signs).length <= MOST_SIGNS, `Letters: at most ${MOST_SIGNS} different signs`)
    .nullable()
    .default(PLAIN_LETTERS.outline),
}) satisfies z.ZodType<LetterFields, unknown>;

const edgeFields = z.strictObject({
  at: share('Along', 0, 1),
  low: share('Lower edge', -50, 50),
  high: share('Upper edge', -50, 50),
}) satisfies z.ZodType<BandEdge, unknown>;

export const designFields = z.strictObject({
  figures: z.array(figureFields).max(24, 'Figures: at most 24').default(PLAIN.figures),
  letters: letterFields.nullable().default(PLAIN.letters),
  artwork: z
    .array(z.strictObject({ rings: outline, colour }))
    .max(60, 'Artwork: at most 60 fields')
    .default(PLAIN.artwork),
  pictureId: z.string().max(64).nullable().default(PLAIN.pictureId),
  aspect: share('Breadth', 0.02, 4000).default(PLAIN.aspect),
  count: z.number().int().min(1, 'Count: at least one').max(400, 'Count: at most 400').default(PLAIN.count),
  perRow: z.number().int().min(1).max(100).default(PLAIN.perRow),
  gap: share('Gap', 0, 20).default(PLAIN.gap),
  line: share('Line', 0.002, 0.5).default(PLAIN.line),
  course: z.enum(COURSES, { error: `Course: one of ${COURSES.join(', ')}` }).default(PLAIN.course),
  profile: z
    .array(edgeFields)
    .max(60, 'Edges: at most 60 places')
    .refine((edges) => edges.every(({ at }, i) => i === 0 || at >= edges[i - 1]!.at), 'Edges: from the fore end aft')
    .refine((edges) => edges.every(({ low, high }) => high >= low), 'Edges: the upper one is not below the lower')
    .default(PLAIN.profile),
  cuts: z.array(z.number().int().min(1).max(400)).max(60, 'Cuts: at most 60').default(PLAIN.cuts),
}) satisfies z.ZodType<Design, unknown>;
