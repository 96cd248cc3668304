import type { Lab } from './types';

/** Below this no eye tells two patches apart side by side. */
export const JUST_NOTICEABLE = 1;

/** The combined uncertainty of two colours (root of the sum of squares), in dE00. */
export function combinedSd(one = 0, two = 0): number {
  return Math.hypot(one, two);
}

/** Whether a difference is too small to be seen, or too small to be known. */
export const cannotTell = (dE00: number, sd: number): boolean => dE00 < JUST_NOTICEABLE || tooUnsure(dE00, sd);

/** Whether there may be a difference that shows, if the colours were known well enough. */
const tooUnsure = (dE00: number, sd: number): boolean => dE00 < 2 * sd;

export const ALIKE = "can't tell apart";

/** Why two colours cannot be told apart: nobody sees it, or nobody knows. Null where they can. */
export function alikeInWords(dE00: number, sd: number): string | null {
  if (dE00 < JUST_NOTICEABLE) return ALIKE;
  return tooUnsure(dE00, sd) ? 'not known well enough to tell' : null;
}

const SIZES: readonly (readonly [most: number, word: string])[] = [
  [2, 'barely'],
  [4, 'a shade'],
  [8, 'clearly'],
  [16, 'much'],
  [Infinity, 'altogether'],
];

/**
 * How `two` differs from `one` in a builder's words, largest component first:
 * "can't tell apart", "not known well enough to tell", "a shade lighter and yellower", "much darker".
 */
export function differenceInWords(one: Lab, two: Lab, dE00: number, sd = 0): string {
  const alike = alikeInWords(dE00, sd);
  if (alike) return alike;
  const size = SIZES.find(([most]) => dE00 < most)![1];
  const parts = directions(one, two);
  return parts.length === 0 ? `${size} different` : `${size} ${parts.slice(0, 2).join(' and ')}`;
}

function directions(one: Lab, two: Lab): string[] {
  const [dL, da, db] = [two[0] - one[0], two[1] - one[1], two[2] - one[2]];
  const chroma = Math.hypot(one[1], one[2]);
  const dC = Math.hypot(two[1], two[2]) - chroma;
  const tints: [number, string][] = [
    [Math.abs(dL), dL > 0 ? 'lighter' : 'darker'],
    // For a strongly coloured target the eye reads a change of chroma, for a greyish one a tint.
    ...(chroma > 12 && Math.abs(dC) > 0.7 * Math.hypot(da, db)
      ? ([[Math.abs(dC), dC > 0 ? 'stronger' : 'greyer']] as [number, string][])
      : ([
          [Math.abs(da), da > 0 ? 'redder' : 'greener'],
          [Math.abs(db), db > 0 ? 'yellower' : 'bluer'],
        ] as [number, string][])),
  ];
  const largest = Math.max(...tints.map(([amount]) => amount));
  return tints
    .filter(([amount]) => amount > 0.4 * largest && amount > 0.3)
    .sort((x, y) => y[0] - x[0])
    .map(([, word]) => word);
}
