import { parseTriple } from '@/core/units/number';
import { differenceInWords } from './words';
import { deltaE00 } from './difference';
import type { Lab } from './types';

/** Directions a test spray can be off in, as a step of Lab. For `stronger` and `greyer` the step lies along the target's own chroma. */
const DIRECTIONS: Record<string, (target: Lab) => Lab> = {
  light: () => [1, 0, 0],
  dark: () => [-1, 0, 0],
  red: () => [0, 1, 0],
  green: () => [0, -1, 0],
  yellow: () => [0, 0, 1],
  blue: () => [0, 0, -1],
  warm: () => [0, 0.5, 0.87],
  cold: () => [0, -0.5, -0.87],
  strong: (target) => alongChroma(target, 1),
  grey: (target) => alongChroma(target, -1),
};
const WORDS: Record<string, keyof typeof DIRECTIONS> = {
  lighter: 'light',
  pale: 'light',
  bright: 'light',
  darker: 'dark',
  redder: 'red',
  pink: 'red',
  greener: 'green',
  yellower: 'yellow',
  bluer: 'blue',
  warmer: 'warm',
  cool: 'cold',
  colder: 'cold',
  stronger: 'strong',
  vivid: 'strong',
  greyer: 'grey',
  dull: 'grey',
  gray: 'grey',
};
/** Sizes in dE00. */
const SIZES: [RegExp, number][] = [
  [/\b(a touch|a hint|barely|slightly)\b/, 1.5],
  [/\b(a little|a bit|a shade|somewhat)\b/, 3],
  [/\b(much|far|way|a lot|very|clearly)\b/, 9],
];
const PLAIN_SIZE = 5;
/** Judging by eye, an amount is known to about half of itself. */
const SHARE_UNSURE = 0.5;
const LEAST_SD = 1;

function alongChroma(target: Lab, sign: number): Lab {
  const chroma = Math.hypot(target[1], target[2]);
  return chroma < 1 ? [0, 0, sign] : [0, (sign * target[1]) / chroma, (sign * target[2]) / chroma];
}

export interface Observation {
  lab: Lab;
  /** dE00. */
  sd: number;
  /** How it was understood. */
  says: string;
}

/** What was seen of a test spray, said in words beside its target ("too blue, a little too dark"). Null when nothing of it is understood. */
export function readObservation(text: string, target: Lab): Observation | null {
  let lab: Lab = target;
  let total = 0;
  for (const clause of text.toLowerCase().split(/[,;]|\band\b|\bbut\b/)) {
    if (/\b(right|good|same|spot on|no difference)\b/.test(clause)) continue;
    const word = clause
      .match(/[a-z]+/g)
      ?.map((found) => WORDS[found] ?? found)
      .find((found) => Object.hasOwn(DIRECTIONS, found));
    if (!word) {
      if (clause.trim() === '') continue;
      return null;
    }
    const negative = /\bnot\b/.test(clause) ? -1 : 1;
    const size = SIZES.find(([pattern]) => pattern.test(clause))?.[1] ?? PLAIN_SIZE;
    const step = DIRECTIONS[word]!(target);
    lab = moved(lab, step.map((value) => value * negative) as unknown as Lab, size);
    total = Math.hypot(total, size);
  }
  return {
    lab,
    sd: Math.max(LEAST_SD, SHARE_UNSURE * total),
    says: total === 0 ? 'as wanted' : differenceInWords(target, lab, deltaE00(target, lab)),
  };
}

/** An instrument, or a photograph with a chart in it. */
const MEASURED_SD = 0.6;
export const SAY_IT_AS = 'Say it as “too blue, a little too dark”, or as three numbers L* a* b*.';

/** What was seen, in words beside its target or as three numbers L* a* b*; null where it is neither. */
export function readLook(text: string, target: Lab): Observation | null {
  const lab = parseTriple(text);
  if (!lab) return text.trim() === '' ? null : readObservation(text, target);
  const isColour = lab[0] >= 0 && lab[0] <= 100 && Math.abs(lab[1]) <= 128 && Math.abs(lab[2]) <= 128;
  return isColour ? { lab, sd: MEASURED_SD, says: `L* ${lab[0]} a* ${lab[1]} b* ${lab[2]}` } : null;
}

/** As far in a direction as makes a difference of `size` dE00, by bisection. */
function moved(from: Lab, step: Lab, size: number): Lab {
  const at = (t: number): Lab => [
    Math.min(100, Math.max(0, from[0] + t * step[0])),
    from[1] + t * step[1],
    from[2] + t * step[2],
  ];
  let [low, high] = [0, 60];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (deltaE00(from, at(middle)) < size) low = middle;
    else high = middle;
  }
  return at(low);
}
