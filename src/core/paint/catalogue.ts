import type { Lab } from '@/core/colour/types';
import type { Chemistry } from './chemistry';
import type { Ml } from './quantity';

export const PAINT_KINDS = ['solid', 'metallic', 'clear', 'wash'] as const;
export type PaintKind = (typeof PAINT_KINDS)[number];
export const FINISHES = ['gloss', 'satin', 'matt'] as const;
export type Finish = (typeof FINISHES)[number];
export const OPACITIES = ['opaque', 'semi', 'transparent'] as const;
export type Opacity = (typeof OPACITIES)[number];

/** One catalogue entry, with what the drawer holds of it. */
export interface Paint {
  id: string;
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
  priceCents: number;
  /** Official codes that its maker says it matches. */
  claims: readonly string[];
  /** Millilitres left in the drawer over all bottles; 0 when none is owned. */
  ownedMl: Ml;
}

export const paintLabel = (paint: Pick<Paint, 'line' | 'number'>): string => `${paint.line} ${paint.number}`;
