import type { Chemistry } from './chemistry';

/** What protects at the bench, in the order in which it is put or switched on. */
export const PROTECTION = [
  'respirator',
  'dust mask',
  'gloves',
  'eye protection',
  'extraction on',
  'window open',
] as const;
export type Protection = (typeof PROTECTION)[number];

/** A caution of the bench as a builder reads it, and what protects. */
export interface Caution {
  says: string;
  protection: readonly Protection[];
}

/** Solvents that are breathed in: all but water. */
const SPRAYED: Record<'water' | 'solvent' | 'spirit', readonly Protection[]> = {
  water: ['dust mask', 'extraction on'],
  solvent: ['respirator', 'gloves', 'extraction on'],
  spirit: ['respirator', 'extraction on', 'window open'],
};
const CARRIER: Record<Chemistry, keyof typeof SPRAYED> = {
  WA: 'water',
  SA: 'solvent',
  AL: 'solvent',
  ML: 'solvent',
  EN: 'solvent',
  OI: 'spirit',
  EW: 'spirit',
};

/** What protects from a paint that is sprayed, or only opened and brushed. */
export const protectionFrom = (chemistry: Chemistry, sprayed: boolean): readonly Protection[] =>
  sprayed ? SPRAYED[CARRIER[chemistry]] : CARRIER[chemistry] === 'water' ? [] : ['window open'];

/** All that some cautions ask for, each once. */
export const protectionOf = (cautions: readonly Caution[]): Protection[] =>
  PROTECTION.filter((one) => cautions.some(({ protection }) => protection.includes(one)));
