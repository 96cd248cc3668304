import type { Lab, Reflectance } from '@/core/colour/types';
import type { Chemistry } from './chemistry';
import type { OwnDrying } from './drying';
import type { Ml } from './quantity';

export const PAINT_KINDS = ['solid', 'metallic', 'clear', 'wash', 'pigment', 'primer'] as const;
export type PaintKind = (typeof PAINT_KINDS)[number];
export const FINISHES = ['gloss', 'satin', 'matt'] as const;
export type Finish = (typeof FINISHES)[number];
/** How well one full coat hides, best first; the last are inks, clears and glazes. */
export const OPACITIES = ['opaque', 'semi', 'weak', 'transparent'] as const;
export type Opacity = (typeof OPACITIES)[number];
/** What a metallic is laid on: it decides between a mirror, service metal and dull metal. */
export const METAL_GROUNDS = ['', 'gloss black', 'satin black', 'grey'] as const;
export type MetalGround = (typeof METAL_GROUNDS)[number];
/** How much a metallic darkens when seen aslant. */
export const FLOPS = ['', 'low', 'medium', 'high'] as const;
export type Flop = (typeof FLOPS)[number];

/** What is known of a paint's colour beyond its Lab. Curves have 31 values, 400 to 700 nm by 10. */
export interface ColourData {
  contrastRatio?: number | undefined;
  tint14?: Lab | undefined;
  reflectance?: Reflectance | undefined;
  overBlack?: Reflectance | undefined;
  overWhite?: Reflectance | undefined;
  K?: readonly number[] | undefined;
  S?: readonly number[] | undefined;
}

/** One owned bottle. */
export interface Bottle {
  id: string;
  version: number;
  mlLeft: Ml;
  openedOn: string | null;
  condition: string;
  /** How strongly it tints beside what its colour data say; 1 until a test spray taught otherwise. */
  strength: number;
}

/** One catalogue entry, with what the drawer holds of it. */
export interface Paint {
  id: string;
  version: number;
  lineId: string;
  lineVersion: number;
  line: string;
  number: string;
  name: string;
  chemistry: Chemistry;
  kind: PaintKind;
  finish: Finish;
  opacity: Opacity;
  /** Null where nobody measured it. */
  lab: Lab | null;
  /** Uncertainty of `lab` in dE00. */
  sd: number;
  sizeMl: Ml;
  /** Null where nobody says it. */
  priceCents: number | null;
  currency: string;
  /** Official codes that its maker says it matches. */
  claims: readonly string[];
  ground: MetalGround;
  flop: Flop;
  formerly: readonly string[];
  data: ColourData | null;
  /** The line's own thinner and parts of it to one of paint; '' and null where the chemistry's are used. */
  thinner: string;
  thinRatio: number | null;
  /** How the line says that it dries, where it says so. */
  dries: OwnDrying;
  bottles: readonly Bottle[];
  /** Millilitres left in the drawer over all bottles; 0 when none is owned. */
  ownedMl: Ml;
}

/** What is known of a paint's line. */
export const lineFieldsOf = ({ line, chemistry, thinner, thinRatio, dries }: Paint) => ({
  name: line,
  chemistry,
  thinner,
  thinRatio,
  recoatMin: dries.recoat ?? null,
  maskMin: dries.mask ?? null,
  cureMin: dries.cure ?? null,
});

/** "3.20 EUR"; "price unknown" where nobody says it. */
export const priceInWords = ({ priceCents, currency }: Pick<Paint, 'priceCents' | 'currency'>): string =>
  priceCents === null ? 'price unknown' : `${(priceCents / 100).toFixed(2)} ${currency}`;

export const paintLabel = (paint: Pick<Paint, 'line' | 'number'>): string => `${paint.line} ${paint.number}`;
/** With its name, where it has one: "Hask 117 Sea slate". */
export const paintInFull = (paint: Pick<Paint, 'line' | 'number' | 'name'>): string =>
  `${paintLabel(paint)} ${paint.name}`.trim();
