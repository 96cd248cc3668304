import type { Lab } from '@/core/colour/types';
import { upsample } from '@/core/colour/upsample';
import type { Film } from '@/core/evidence/film';
import {
  EMULSIONS,
  FILTER_NAMES,
  rankByTone,
  ToneFault,
  type Emulsion,
  type FilterName,
  type ToneRanking,
} from './film-tone';

/** What is sent to the worker: colours as Lab, greys as sampled. */
export interface ToneQuestion {
  film: Film;
  filter: FilterName | 'unknown';
  unknownGrey: number;
  known: { lab: Lab; grey: number }[];
  candidates: { code: string; lab: Lab }[];
}
export type ToneAnswer = { ranking: ToneRanking } | { fault: string };

/** Which codes fit the grey of a patch: reflectances are made from Lab, then ranked over the films and filters it may be. */
export function rankCodes({ film, filter, unknownGrey, known, candidates }: ToneQuestion): ToneAnswer {
  const emulsions = EMULSIONS_OF[film];
  const filters = filter === 'unknown' ? FILTER_NAMES : [filter];
  const prior = 1 / (emulsions.length * filters.length);
  const films = emulsions.flatMap((emulsion) => filters.map((name) => ({ emulsion, filter: name, prior })));
  try {
    const ranking = rankByTone(
      [{ known: known.map(({ lab, grey }) => ({ reflectance: upsample(lab), grey })), unknownGrey, films }],
      candidates.map(({ code, lab }) => ({ code, reflectance: upsample(lab) })),
    );
    return { ranking };
  } catch (error) {
    if (error instanceof ToneFault) return { fault: error.message };
    throw error;
  }
}

/** A picture of unknown film may be on either of the common two. */
const EMULSIONS_OF: Record<Film, readonly Emulsion[]> = {
  unknown: ['pan', 'ortho'],
  colour: ['pan', 'ortho'],
  'faded colour': ['pan', 'ortho'],
  panchromatic: ['pan'],
  orthochromatic: ['ortho'],
};

export const emulsionTitle = (emulsion: Emulsion): string => EMULSIONS[emulsion].title;
