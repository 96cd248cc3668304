import { WAY_FACTS, type Way } from '@/core/kit/applying';
import { modelAreaOfZones, type Outline } from '@/core/outline/outline';
import { coveredWith } from '@/core/outline/zones';
import type { Border } from '@/core/scheme/edges';
import type { SkinEdge } from '@/core/scheme/skin-edges';
import type { Minutes } from '@/core/units/minutes';
import { STRIP_CM2, type MaskLengths } from './mask-order';
import { minutesOf, type Work } from './minutes';

/** What is masked for a spray: one truth for the order of the colours, the route, its cards, a rework, and what is bought. */

/** One stretch that is masked, between the sprayed colour and another. */
export interface MaskedEdge {
  /** Where the sprayed colour ends, and what it meets there. */
  zone: string;
  meets: { zone: string; code: string };
  mm: number;
  hard: boolean;
}

export interface Masking {
  /** Along hard edges, and along soft ones, mm on the model. */
  tapeMm: number;
  softMm: number;
  /** All else, where the colour would reach it: from a can. */
  paperCm2: number;
  minutes: Minutes;
  /** Codes that are masked off, in the order of their names. */
  against: string[];
  edges: MaskedEdge[];
}

/** What a spray meets. */
export interface Meeting {
  edges: readonly SkinEdge[];
  /** Colours that are sprayed before it; and what lies on a zone already. */
  before: ReadonlySet<string>;
  laid: Readonly<Record<string, readonly string[]>>;
  /** Whether a normal coat of a later colour hides overspray of an earlier one. */
  hides: (later: string, earlier: string) => boolean;
  paperCm2?: number;
}

/**
 * What is masked when a colour is sprayed over some zones: against all hard edges of what lies there already, and of what comes later and does
 * not hide it; against soft edges of what lies there already.
 */
export function maskingFor(
  code: string,
  zones: ReadonlySet<string>,
  { edges, before, laid, hides, paperCm2 = 0 }: Meeting,
): Masking {
  const masked = edges.flatMap(({ a, b, mm, hard }): MaskedEdge[] => {
    const [own, other] = a.code === code ? [a, b] : [b, a];
    if (own.code !== code || !zones.has(own.zone)) return [];
    const isThere = before.has(other.code) || laid[other.zone]?.includes(other.code);
    if (!isThere && (!hard || hides(other.code, code))) return [];
    return [{ zone: own.zone, meets: other, mm, hard }];
  });
  const sum = (of: readonly MaskedEdge[]) => of.reduce((total, { mm }) => total + mm, 0);
  const lengths = {
    tapeMm: sum(masked.filter(({ hard }) => hard)),
    softMm: sum(masked.filter(({ hard }) => !hard)),
    paperCm2,
  };
  return {
    ...lengths,
    minutes: minutesOf(workOfMask(lengths)),
    against: [...new Set(masked.filter(({ hard }) => hard).map(({ meets }) => meets.code))].sort(),
    edges: masked,
  };
}

/** What is papered over beside the edges when zones are painted in some way, cm2 of the model. */
export function paperFor(way: Way, own: ReadonlySet<string>, outline: Outline, denominator: number): number {
  if (WAY_FACTS[way].masking !== 'everything else') return 0;
  const rest = outline.zones.filter(({ key, group }) => !own.has(key) && coveredWith(group) === 'outside');
  return modelAreaOfZones(
    outline,
    rest.map(({ key }) => key),
    denominator,
  );
}

/**
 * Minutes of tape round some zones, whatever colours meet there, as where a place is mended; null where they have no edge on the skin.
 */
export function tapeRound(zones: ReadonlySet<string>, borders: readonly Border[], denominator: number): Minutes | null {
  const realM = borders.reduce(
    (sum, { a, b, lengthM }) => (zones.has(a.zone) === zones.has(b.zone) ? sum : sum + lengthM),
    0,
  );
  return realM > 0 ? minutesOf(workOfMask({ tapeMm: (realM * 1000) / denominator, softMm: 0 })) : null;
}

/** A mask as work: what its minutes come from. */
export const workOfMask = ({ tapeMm, softMm, paperCm2 = 0 }: MaskLengths): Work => ({
  kind: 'mask',
  hardMm: tapeMm,
  softMm,
  coverCm2: Math.max(paperCm2, STRIP_CM2 * tapeMm),
});

/** Cut in strips with something over to hold on to. */
export const CUT_OVER = 1.1;

/** The strips that are cut, the longest first: each along what it meets, mm. */
export function stripsOf({ edges }: Pick<Masking, 'edges'>): { code: string; mm: number; pieces: number }[] {
  const strips = new Map<string, { mm: number; pieces: number }>();
  for (const { meets, mm, hard } of edges)
    if (hard) {
      const known = strips.get(meets.code) ?? { mm: 0, pieces: 0 };
      strips.set(meets.code, { mm: known.mm + mm, pieces: known.pieces + 1 });
    }
  return [...strips].map(([code, own]) => ({ code, ...own })).sort((a, b) => b.mm - a.mm || (a.code < b.code ? -1 : 1));
}

/** How each masking is done, by what lies at its edges. */
export function howMasked({ tapeMm, softMm, paperCm2 = 0 }: MaskLengths, way: Way = 'airbrush'): string[] {
  const [over, soft] =
    way === 'brush'
      ? ['draw the brush away from it', 'stippled along the line with a nearly dry brush or a sponge']
      : ['spray square to it', 'putty rolls or a paper mask lifted 1 mm, or freehand close up'];
  return [
    ...(tapeMm > 0
      ? [
          `tape: cut strips for ${(Math.ceil((tapeMm * CUT_OVER) / 10) / 100).toFixed(2)} m, burnish the edge, seal it with the ground colour or clear, ${over}`,
        ]
      : []),
    ...(softMm > 0 ? [`soft edges of ${(softMm / 1000).toFixed(2)} m: ${soft}`] : []),
    ...(paperCm2 > 0 ? [`paper and tape over ${Math.round(paperCm2)} cm² beside it: a can reaches everything`] : []),
    ...(tapeMm === 0 && softMm === 0 && paperCm2 === 0 ? ['no mask: sprayed over all of it'] : []),
  ];
}
