import type { Minutes } from '@/core/units/minutes';

/** What holds a joint: how long it may be moved, until it may be handled, until it bears. Typical values at 20 °C. */
export interface Adhesive {
  title: string;
  joins: string;
  /** It may still be moved. */
  open: Minutes;
  handle: Minutes;
  full: Minutes;
  /** What it does near glass. */
  glass: 'safe' | 'fogs' | 'crazes';
  caution: string;
}

const h = 60;
export const ADHESIVES: Readonly<Record<string, Adhesive>> = {
  cement: {
    title: 'Liquid cement',
    joins: 'bare plastic to bare plastic: seams, main parts',
    open: 3,
    handle: 2 * h,
    full: 16 * h,
    glass: 'crazes',
    caution: 'Solvent vapour: ventilate, no flame.',
  },
  thin: {
    title: 'Thin cement by capillary',
    joins: 'hairline seams held together first',
    open: 0.5,
    handle: 30,
    full: 12 * h,
    glass: 'crazes',
    caution: 'Solvent vapour: ventilate, no flame. It runs under fingers and tape.',
  },
  ca: {
    title: 'Cyanoacrylate',
    joins: 'resin, etched metal, painted faces, pins',
    open: 0.2,
    handle: 1,
    full: 10,
    glass: 'fogs',
    caution: 'Fumes, skin and eyes; never near glass.',
  },
  gel: {
    title: 'Cyanoacrylate gel',
    joins: 'parts that have to be shifted into place',
    open: 1,
    handle: 5,
    full: 60,
    glass: 'fogs',
    caution: 'Fumes, skin and eyes; never near glass.',
  },
  epoxy: {
    title: 'Two-part epoxy',
    joins: 'metal, weight, the socket of a rod',
    open: 5,
    handle: 30,
    full: 24 * h,
    glass: 'safe',
    caution: 'Skin: gloves.',
  },
  white: {
    title: 'White glue',
    joins: 'glass, small parts on paint, temporary props',
    open: 10,
    handle: 2 * h,
    full: 12 * h,
    glass: 'safe',
    caution: '',
  },
  clear: {
    title: 'Clear paint as glue',
    joins: 'etched details and foil on finished paint',
    open: 2,
    handle: 30,
    full: 4 * h,
    glass: 'safe',
    caution: '',
  },
};
