/** Default weights of the evidence weighing, all editable, each with its reason. */

export const SOURCE_KINDS = {
  photograph: { weight: 3, title: 'Photograph', reason: 'the machine itself on a day' },
  'official-drawing': { weight: 2.5, title: 'Official drawing', reason: 'what was ordered, not always what was done' },
  manual: { weight: 2.5, title: 'Manual', reason: 'what was ordered for the type' },
  'moving-film': { weight: 2.5, title: 'Film or video', reason: 'the machine itself, moving: stills are soft' },
  'museum-visit': { weight: 1.5, title: 'Museum visit', reason: 'perfect for structure, repainted since' },
  letter: { weight: 1.2, title: 'Letter', reason: 'somebody who was there, from memory' },
  book: { weight: 1, title: 'Book', reason: 'an author’s choice of sources that he may not name' },
  magazine: { weight: 0.8, title: 'Magazine', reason: 'as a book, in more haste' },
  memory: { weight: 0.6, title: 'Memory', reason: 'what somebody remembers, long after' },
  'profile-drawing': { weight: 0.8, title: 'Profile drawing', reason: 'an interpretation of other sources' },
  'decal-sheet': { weight: 0.8, title: 'Decal sheet', reason: 'researched for one machine, often cropped' },
  'kit-sheet': { weight: 0.7, title: 'Kit sheet', reason: 'one side only, wrong demarcations, close-enough call-outs' },
  caption: { weight: 0.6, title: 'Caption', reason: 'copied from other captions' },
  'box-painting': { weight: 0.3, title: 'Box painting', reason: 'gaps invented or closed' },
  'another-model': { weight: 0.3, title: 'Model of another', reason: 'somebody else’s reading of the same sources' },
  other: { weight: 0.5, title: 'Other', reason: 'unknown worth' },
  'client-wish': {
    weight: 0,
    title: "Client's wish",
    reason: 'what is wanted, not what was: it moves rulings, never support',
  },
} as const;

/** What somebody wants rather than what was: of no weight as evidence, but shown beside it, and a reason for a ruling. */
export const WISH = 'client-wish';

export type SourceKind = keyof typeof SOURCE_KINDS;
/** The kinds that say what was: those of the `weigh` contract. */
export type EvidenceKind = Exclude<SourceKind, typeof WISH>;
export const EVIDENCE_KIND_NAMES = Object.keys(SOURCE_KINDS).filter((kind) => kind !== WISH) as [
  EvidenceKind,
  ...EvidenceKind[],
];
export const SOURCE_KIND_NAMES = Object.keys(SOURCE_KINDS) as [SourceKind, ...SourceKind[]];

export const CLARITIES = ['clear', 'partial', 'inferred'] as const;
export type Clarity = (typeof CLARITIES)[number];

/** What a builder weighs differently from the defaults. */
export interface WeightChanges {
  kind: Partial<Record<SourceKind, number>>;
  clarity: Partial<Record<Clarity, number>>;
  unknownDate?: number;
  decayDays?: number;
}
export const NO_CHANGES: WeightChanges = { kind: {}, clarity: {} };

export interface Weights {
  kind: Record<SourceKind, number>;
  clarity: Record<Clarity, number>;
  /** Date fit of a source without a date. */
  unknownDate: number;
  /** Days over which date fit falls to 1/e. */
  decayDays: number;
}

export const DEFAULT_WEIGHTS: Weights = {
  kind: Object.fromEntries(SOURCE_KIND_NAMES.map((kind) => [kind, SOURCE_KINDS[kind].weight])) as Record<
    SourceKind,
    number
  >,
  clarity: { clear: 1, partial: 0.5, inferred: 0.25 },
  unknownDate: 0.5,
  decayDays: 180,
};

export const changedWeights = ({ kind, clarity, unknownDate, decayDays }: WeightChanges): Weights => ({
  kind: { ...DEFAULT_WEIGHTS.kind, ...kind },
  clarity: { ...DEFAULT_WEIGHTS.clarity, ...clarity },
  unknownDate: unknownDate ?? DEFAULT_WEIGHTS.unknownDate,
  decayDays: decayDays ?? DEFAULT_WEIGHTS.decayDays,
});
