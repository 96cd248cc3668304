import cie from '../../colour/cie-31.json' with { type: 'json' };
import type { Reflectance } from '@/core/colour/types';

/**
 * What a grey of a monochrome picture says about a colour. The film sensitivities and filters are Gaussian approximations of textbook
 * shapes, not measurements, and exposure and contrast of the print are unknown: the answer is a list of probabilities, never one code.
 */

const SENSITIVITY = cie.film_sensitivity.sens as Record<string, number[]>;
const TRANSMITTANCE = cie.film_sensitivity.filters as Record<string, number[]>;

export const EMULSIONS = {
  pan: { title: 'panchromatic' },
  ortho: { title: 'orthochromatic' },
  ordinary: { title: 'blue-sensitive only' },
  hyperpan: { title: 'panchromatic, red-sensitised' },
} as const;
export type Emulsion = keyof typeof EMULSIONS;
export const FILTER_NAMES = ['none', 'yellow', 'orange', 'red'] as const;
export type FilterName = (typeof FILTER_NAMES)[number];

/** Stray light in lens and enlarger, as a share of a white surface. */
export const FLARE = 0.01;

/** Exposure of a surface relative to a white one: sum(D65 S T R) / sum(D65 S T), 0..1. */
export function filmExposure(reflectance: Reflectance, emulsion: Emulsion, filter: FilterName = 'none'): number {
  const [sensitivity, transmittance] = [SENSITIVITY[emulsion]!, TRANSMITTANCE[filter]!];
  let [exposed, full] = [0, 0];
  cie.illuminant_D65.forEach((light, i) => {
    const weight = light * sensitivity[i]! * transmittance[i]!;
    exposed += weight * reflectance[i]!;
    full += weight;
  });
  return exposed / full;
}

/** log10 of exposure with flare: what print grey is linear in. */
export const filmTone = (reflectance: Reflectance, emulsion: Emulsion, filter: FilterName = 'none'): number =>
  Math.log10(filmExposure(reflectance, emulsion, filter) + FLARE);

/** One picture in which the same unknown patch was taken, with patches of known colour in the same light. */
export interface TonePicture {
  known: readonly { reflectance: Reflectance; grey: number }[];
  unknownGrey: number;
  /** The films and filters it may have been taken on, each with how likely that is beforehand. */
  films: readonly { emulsion: Emulsion; filter: FilterName; prior: number }[];
}

export interface ToneCandidate {
  code: string;
  reflectance: Reflectance;
}

export interface ToneRanking {
  /** Probabilities of the candidates, most likely first; they sum to 1. */
  ranked: { code: string; probability: number }[];
  /** The fewest candidates that hold nine tenths of the probability. */
  within: string[];
  /** Plain words: what can be told, or that it cannot. */
  says: string;
  /** How likely each film is, given everything, for the first picture. */
  films: { emulsion: Emulsion; filter: FilterName; probability: number }[];
}

/** Too few patches of known colour: the reason, for the builder. */
export class ToneFault extends Error {}

// Print grey y = alpha + beta x log10(H + flare): wide beliefs about unknown exposure and contrast, y on 0..1.
const PRIOR = { alpha: 0.85, alphaSd: 0.5, beta: 0.6, betaSd: 0.4 };
/** Scatter of grey between surfaces that should print alike: shade, gloss, grain. */
const GREY_SD = 0.03;
const LEAST_KNOWN = 2;
/** From here on the first candidate stands out. */
const STANDS_OUT = 0.5;

/**
 * Ranks candidate colours of an unknown patch by their marginal likelihood over exposure, contrast (conjugate normal, closed form) and
 * film, multiplied over pictures. Throws ToneFault below two known patches in a picture or without candidates.
 */
export function rankByTone(
  pictures: readonly TonePicture[],
  candidates: readonly ToneCandidate[],
  greySd: number = GREY_SD,
): ToneRanking {
  if (candidates.length === 0) throw new ToneFault('There is no candidate colour to compare with.');
  for (const picture of pictures)
    if (picture.known.length < LEAST_KNOWN)
      throw new ToneFault(
        `At least ${LEAST_KNOWN} patches of known colour are needed: exposure and contrast of the print are unknown, and one patch cannot tell them apart.`,
      );
  const logOf = candidates.map((candidate) =>
    pictures.reduce((total, picture) => {
      const perFilm = picture.films.map(
        ({ emulsion, filter, prior }) => Math.log(prior) + logMarginal(picture, candidate, emulsion, filter, greySd),
      );
      return total + logSum(perFilm);
    }, 0),
  );
  const total = logSum(logOf);
  const ranked = candidates
    .map(({ code }, i) => ({ code, probability: Math.exp(logOf[i]! - total) }))
    .sort((a, b) => b.probability - a.probability || a.code.localeCompare(b.code));
  const within = ranked
    .slice(
      0,
      fewestHolding(
        ranked.map(({ probability }) => probability),
        0.9,
      ),
    )
    .map(({ code }) => code);
  return { ranked, within, says: inWords(ranked, within), films: filmChances(pictures[0]!, candidates, greySd) };
}

/** Log density of all greys of a picture under one candidate and film, exposure and contrast integrated out one grey at a time. */
function logMarginal(
  { known, unknownGrey }: TonePicture,
  candidate: ToneCandidate,
  emulsion: Emulsion,
  filter: FilterName,
  greySd: number,
): number {
  // Belief about (alpha, beta): mean and covariance, updated by each grey (recursive least squares).
  let [a, b] = [PRIOR.alpha, PRIOR.beta];
  let [vaa, vab, vbb] = [PRIOR.alphaSd ** 2, 0, PRIOR.betaSd ** 2];
  let log = 0;
  for (const { reflectance, grey } of [...known, { reflectance: candidate.reflectance, grey: unknownGrey }]) {
    const x = filmTone(reflectance, emulsion, filter);
    const [ga, gb] = [vaa + vab * x, vab + vbb * x];
    const variance = ga + gb * x + greySd ** 2;
    const miss = grey - (a + b * x);
    log += -0.5 * (Math.log(2 * Math.PI * variance) + miss ** 2 / variance);
    const [ka, kb] = [ga / variance, gb / variance];
    [a, b] = [a + ka * miss, b + kb * miss];
    [vaa, vab, vbb] = [vaa - ka * ga, vab - ka * gb, vbb - kb * gb];
  }
  return log;
}

function filmChances(picture: TonePicture, candidates: readonly ToneCandidate[], greySd: number): ToneRanking['films'] {
  const logs = picture.films.map(
    ({ emulsion, filter, prior }) =>
      Math.log(prior) +
      logSum(candidates.map((candidate) => logMarginal(picture, candidate, emulsion, filter, greySd))),
  );
  const total = logSum(logs);
  return picture.films.map(({ emulsion, filter }, i) => ({
    emulsion,
    filter,
    probability: Math.exp(logs[i]! - total),
  }));
}

function logSum(logs: readonly number[]): number {
  const greatest = Math.max(...logs);
  return greatest + Math.log(logs.reduce((total, log) => total + Math.exp(log - greatest), 0));
}

function fewestHolding(probabilities: readonly number[], share: number): number {
  let held = 0;
  const at = probabilities.findIndex((probability) => (held += probability) >= share);
  return at < 0 ? probabilities.length : at + 1;
}

function inWords(ranked: ToneRanking['ranked'], within: readonly string[]): string {
  const [first, second] = ranked;
  if (!second) return 'There is only one candidate: the grey decides nothing.';
  const percent = `${Math.round(first!.probability * 100)} %`;
  if (first!.probability >= STANDS_OUT)
    return `${first!.code} fits best (${percent}), yet a grey alone never proves a colour.`;
  return `It cannot be told: ${within.length} of ${ranked.length} candidates fit this grey about as well; the first, ${first!.code}, has ${percent}.`;
}
