import type { Minutes } from '@/core/units/minutes';
import { counted, listed } from '@/core/units/words';

/** How long work takes before the log has taught it: from what it is made of, on the model. */

/** What work is measured by. Lengths in mm and areas in cm2 on the model; the rest is counted. */
export type Measure =
  | 'areaCm2'
  | 'coverCm2'
  | 'hardMm'
  | 'softMm'
  | 'edgeMm'
  | 'seamMm'
  | 'frameMm'
  | 'pieces'
  | 'panes'
  | 'crossings'
  | 'parts';

/** How a measure is said: "48 cm² sprayed", "310 mm of hard edge". */
const SAID: Record<Measure, (n: number) => string> = {
  areaCm2: (n) => `${round(n)} cm²`,
  coverCm2: (n) => `${round(n)} cm² covered`,
  hardMm: (n) => `${round(n)} mm of hard edge`,
  softMm: (n) => `${round(n)} mm of soft edge`,
  edgeMm: (n) => `${round(n)} mm of edge`,
  seamMm: (n) => `${round(n)} mm of seam`,
  frameMm: (n) => `${round(n)} mm of frame`,
  pieces: (n) => counted(n, 'piece'),
  panes: (n) => counted(n, 'pane'),
  crossings: (n) => `${n === 1 ? 'one line' : `${round(n)} lines`} to restore`,
  parts: (n) => counted(n, 'part'),
};
const round = (n: number) => (n < 10 ? Math.round(n * 10) / 10 : Math.round(n));

/**
 * Minutes that a kind of work takes: to begin, for each coat, and for each of its measures, in the order in which they are said; with coats,
 * area and pieces count for each of them.
 */
export interface Rate {
  begin: Minutes;
  coat?: Minutes;
  per: Partial<Record<Measure, number>>;
  because: string;
}

export const WORK_KINDS = [
  'spray',
  'can',
  'brush',
  'mask',
  'panes',
  'unmask',
  'sand',
  'fill',
  'restore',
  'washcoat',
  'wipe',
  'stencils',
  'decals',
  'fit',
  'glue',
  'clean',
  'build',
  'look',
] as const;
export type WorkKind = (typeof WORK_KINDS)[number];
export type Rates = Readonly<Record<WorkKind, Rate>>;

/** Bench practice, not measurements: what the log's factors correct. */
export const RATES: Rates = {
  spray: {
    begin: 5,
    coat: 1,
    per: { areaCm2: 0.03, pieces: 0.5 },
    because: 'the cup is filled and tried on paper; each coat goes over the area, and each piece is turned or taken up',
  },
  can: {
    begin: 4,
    coat: 1,
    per: { areaCm2: 0.015, pieces: 0.5 },
    because: 'shaken and warmed; its cone is twice as wide as that of an airbrush',
  },
  brush: {
    begin: 2,
    per: { areaCm2: 0.25, edgeMm: 0.015 },
    because: 'each coat is laid off by hand; edges against other colours are cut in once',
  },
  mask: {
    begin: 5,
    per: { coverCm2: 0.02, hardMm: 1 / 40, softMm: 1 / 60 },
    because: 'tape is laid and burnished along hard edges, putty along soft ones; paper covers what lies behind',
  },
  panes: { begin: 3, per: { frameMm: 1 / 30, panes: 1 }, because: 'each pane is taped and cut along its frame' },
  unmask: { begin: 2, per: { edgeMm: 1 / 200 }, because: 'drawn back flat over itself, the edge looked along' },
  sand: {
    begin: 3,
    per: { seamMm: 0.06 },
    because: 'through the grits along a hairline; twice as long where it is shallow, four times where it is deep',
  },
  fill: { begin: 3, per: { seamMm: 0.05 }, because: 'filler is drawn in between two tapes' },
  restore: { begin: 3, per: { crossings: 1 }, because: 'each line that the seam crosses is scribed anew' },
  washcoat: { begin: 2, per: { areaCm2: 0.04 }, because: 'it is drawn along the lines' },
  wipe: { begin: 2, per: { areaCm2: 0.08 }, because: 'along the airflow, with a fresh cloth for each stroke' },
  stencils: { begin: 4, per: { pieces: 1.2 }, because: 'many are soaked together and slid on one after the other' },
  decals: {
    begin: 5,
    per: { pieces: 8 },
    because: 'water, fluids and brushes are laid out; each piece is soaked, placed, pressed and looked at',
  },
  fit: { begin: 4, per: { parts: 2 }, because: 'each part is tried, trimmed and set' },
  glue: { begin: 4, per: { seamMm: 0.03 }, because: 'cement runs in along the joint while it is held' },
  clean: { begin: 8, per: { areaCm2: 0.02 }, because: 'washed, rinsed and left to dry' },
  look: {
    begin: 3,
    per: { areaCm2: 0.03, parts: 0.25 },
    because: 'every part, or every side under a raking light, is looked at once',
  },
  build: { begin: 0, per: { parts: 3 }, because: 'each part is cut off, cleaned up and joined' },
};

/** How deep a seam is, and how many times as long it is sanded as a hairline. */
export const SEVERITIES = { hairline: 1, shallow: 2, deep: 4 } as const;
export type Severity = keyof typeof SEVERITIES;

/** A piece of work by what it is made of. What is not said is not there; one coat, one piece that is turned, a hairline. */
export interface Work extends Partial<Record<Measure, number>> {
  kind: WorkKind;
  coats?: number;
  severity?: Severity;
}

/** Work that takes longer than this may be stopped and gone on with: but a coat only after it. */
export const LONG_WORK: Minutes = 60;

/** A coat that takes longer than this is laid in pieces, each whole: no evening holds more. */
export const LONG_COAT: Minutes = 180;

/** Nothing at the bench is over sooner. */
export const LEAST_WORK: Minutes = 2;

/** What arithmetic leaves beyond a whole minute. */
const NOISE = 1e-9;

/** What counts for each coat, where there are coats. */
const PER_COAT: ReadonlySet<Measure> = new Set(['areaCm2', 'pieces']);
const COATED: ReadonlySet<WorkKind> = new Set(['spray', 'can', 'brush']);
/** A model is one piece at the least, however few are told. */
const ONE_PIECE: ReadonlySet<WorkKind> = new Set(['spray', 'can', 'stencils', 'decals']);

const measured = (work: Work, measure: Measure): number =>
  work[measure] ?? (measure === 'pieces' && ONE_PIECE.has(work.kind) ? 1 : 0);

/** What a kind of work is measured by, in the order in which it is said. */
const measuresOf = (per: Rate['per']) => Object.entries(per) as [Measure, number][];

/** Minutes of a piece of work, not rounded: what the order of masks is reckoned by. */
export function minutesExactly(work: Work, rates: Rates = RATES): number {
  const { kind } = work;
  const { begin, coat = 0, per } = rates[kind];
  const coats = COATED.has(kind) ? (work.coats ?? 1) : 1;
  const harder = kind === 'sand' ? SEVERITIES[work.severity ?? 'hairline'] : 1;
  return measuresOf(per).reduce(
    (sum, [measure, each]) => sum + each * harder * measured(work, measure) * (PER_COAT.has(measure) ? coats : 1),
    begin + coats * coat,
  );
}

/** Whole minutes of a piece of work, at least two (contract `minutes`). */
export const minutesOf = (work: Work, rates: Rates = RATES): Minutes =>
  Math.max(LEAST_WORK, Math.ceil(minutesExactly(work, rates) - NOISE));

/** What its minutes come from, as a builder reads it: "5 min to begin, 2 coats over 48 cm² and 3 pieces". */
export function minutesSaid(work: Work, rates: Rates = RATES): string {
  const { begin, per } = rates[work.kind];
  const facts = measuresOf(per).flatMap(([measure]) => {
    const n = measured(work, measure);
    return n > 0 ? [SAID[measure](n)] : [];
  });
  const coats = COATED.has(work.kind) ? `${counted(work.coats ?? 1, 'coat')} over ` : '';
  return [
    ...(begin > 0 ? [`${begin} min to begin`] : []),
    ...(facts.length > 0 ? [`${coats}${listed(facts)}`] : []),
  ].join(', ');
}
