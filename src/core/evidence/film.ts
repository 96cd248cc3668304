import { aspectOf, type Aspect } from './aspects';
import type { Clarity } from './weights';

/** What a picture was taken on, and how much it can say of a colour by itself. */
export const FILMS = {
  unknown: { title: 'Not known', colourClarity: 'clear', reason: '' },
  colour: { title: 'Colour', colourClarity: 'clear', reason: '' },
  'faded colour': { title: 'Colour, faded', colourClarity: 'partial', reason: 'dyes fade at different rates' },
  panchromatic: {
    title: 'Monochrome, panchromatic',
    colourClarity: 'inferred',
    reason: 'a grey fits many colours: see the tones of the patch',
  },
  orthochromatic: {
    title: 'Monochrome, orthochromatic',
    colourClarity: 'inferred',
    reason: 'blind to red: red prints nearly black, yellow dark',
  },
} as const satisfies Record<string, { title: string; colourClarity: Clarity; reason: string }>;

export type Film = keyof typeof FILMS;
export const FILM_NAMES = Object.keys(FILMS) as [Film, ...Film[]];
export const isMonochrome = (film: Film) => film === 'panchromatic' || film === 'orthochromatic';

/** How clearly a picture on this film can show an aspect at best, unless the builder says otherwise. */
export const clarityOn = (film: Film, aspect: Aspect): Clarity =>
  aspectOf(aspect).type === 'code' ? FILMS[film].colourClarity : 'clear';
