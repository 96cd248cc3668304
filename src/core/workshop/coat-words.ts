import { CHEMISTRIES } from '@/core/paint/chemistry';
import { dryingTime, type Climate, type Coat, type DryingState } from '@/core/paint/drying';
import { durationInWords, type Minutes } from '@/core/units/minutes';
import { lowered } from '@/core/units/words';
import type { CoatRow } from './coat-rows';

/** "gloss clear", "primer on the cowling": what a row is called in a list of what is needed. */
export const coatInWords = ({ title, on }: Pick<CoatRow, 'title' | 'on'>): string =>
  `${lowered(title)}${on ? ` on ${on}` : ''}`;

/** Nobody waits to the minute for what takes hours. */
const about = (minutes: Minutes) => durationInWords(minutes < 120 ? minutes : Math.round(minutes / 60) * 60);

const STATES: readonly (readonly [DryingState, string])[] = [
  ['recoat', 'to the next coat'],
  ['handle', 'until it may be handled'],
  ['mask', 'until it bears tape'],
];

/** What another product changes by itself, before anything is planned anew: "enamel, not acrylic lacquer; 20 h to the next coat instead of 15 min". */
export function insteadInWords(other: Coat, now: Coat, climate: Climate): string {
  const kind =
    other.chemistry === now.chemistry
      ? []
      : [`${CHEMISTRIES[other.chemistry].title.toLowerCase()}, not ${CHEMISTRIES[now.chemistry].title.toLowerCase()}`];
  const waits = STATES.flatMap(([state, says]) => {
    const [then, before] = [other, now].map((coat) => dryingTime(coat, state, climate));
    return then === before ? [] : [`${about(then!)} ${says} instead of ${about(before!)}`];
  });
  return [...kind, ...waits].join('; ') || 'dries as the one before; nothing changes';
}
