import type { Way } from '@/core/kit/applying';
import type { StepLore } from './step-lore';

/** How a way of bringing colour on other than the airbrush is handled, and what is looked for with it. */
export interface Handling {
  facts: { label: string; says: string }[];
  lore: StepLore;
}

/** Brushes that one buys, mm. */
const FLATS_MM = [3, 6, 10, 15, 20] as const;

/** A brush a fifth as wide as the side of a square of the area: fewer strokes than that leave it streaked, more leave ridges. */
function flatFor(areaCm2: number): number {
  const wanted = (Math.sqrt(Math.max(0, areaCm2)) * 10) / 5;
  return FLATS_MM.find((mm) => mm >= wanted) ?? FLATS_MM.at(-1)!;
}

/** What the card says in place of pressure, needle and distance; null for the airbrush, which has these. */
export function handlingOf(way: Way, areaCm2: number): Handling | null {
  switch (way) {
    case 'airbrush':
      return null;
    case 'brush':
      return {
        facts: [
          { label: 'Brush', says: `flat, ${flatFor(areaCm2)} mm, soft; damp it first` },
          { label: 'Strokes', says: 'each coat across the one before, the last along the airflow; never back into it' },
        ],
        lore: {
          look: 'no ridge catches the light and the last coat shows no ground',
          failure: 'it was brushed again while it set, and it drags or lifts',
          cure: 'leave it; dry through, a wet 2000 over the ridges, a thinner coat across',
          mishap: null,
          tools: [`flat brush ${flatFor(areaCm2)} mm`, 'palette', 'damp cloth'],
        },
      };
    case 'spray can':
      return {
        facts: [
          { label: 'Can', says: 'ten minutes in warm water from the tap, then shaken for two' },
          { label: 'Passes', says: '25 cm off, begun and ended beside the model; a mist coat first' },
        ],
        lore: {
          look: 'it lies wet and even, and every edge is covered',
          failure: 'it runs where a pass began on the model',
          cure: 'do not touch it: dry for two days, sand the run flat, a light pass',
          mishap: null,
          tools: ['everything else masked', 'a stick to hold it by', 'warm water'],
        },
      };
    case 'sponge':
      return {
        facts: [
          { label: 'Sponge', says: 'a torn corner of open foam, dabbed on paper until it barely marks' },
          { label: 'Dabs', says: 'turn it each time, more at edges and feet, less than one thinks' },
        ],
        lore: {
          look: 'from an arm’s length the marks differ in size and none is round',
          failure: 'too much paint: blots in a row, all alike',
          cure: 'wipe at once with a damp swab; dry, the base colour over them in spots',
          mishap: null,
          tools: ['foam', 'paper', 'cotton swabs'],
        },
      };
    case 'pen':
      return {
        facts: [
          { label: 'Pen', says: 'shaken, primed on paper; one stroke, towards yourself, no second one over it' },
          { label: 'After', says: 'water-based clear over it before any solvent: permanent ink bleeds' },
        ],
        lore: {
          look: 'the line is one width and nothing pulls at its edge',
          failure: 'ink creeps under the edge of the tape or along a panel line',
          cure: 'a cocktail stick damp with water at once; later the base colour back over the edge',
          mishap: 'bleed',
          tools: ['test card', 'ruler edge lifted off the surface'],
        },
      };
  }
}
