import type { Consequence } from '@/core/brief/consequences';
import { durationInWords } from '@/core/units/minutes';
import { capped, counted, listed } from '@/core/units/words';
import { shortDay } from './dates';

const MOST_NAMED = 3;
const named = (steps: readonly { title: string }[]): string =>
  listed(
    capped(
      steps.map(({ title }) => title.toLowerCase()),
      MOST_NAMED,
      (left) => `${left} more`,
    ),
  );

/** "adds build the stores and hang the stores, 50 min more; decide by Thu 3 Dec": what a choice does, before it is made. */
export function consequenceInWords({
  adds,
  removes,
  minutes,
  shows,
  hides,
  decideBy,
  lost,
  says,
}: Consequence): string {
  const [first] = says;
  const parts = [
    ...(first?.never ? [`cannot be: ${first.says}`] : []),
    ...(adds.length > 0 ? [`adds ${named(adds)}`] : []),
    ...(removes.length > 0 ? [`takes away ${named(removes)}`] : []),
    ...(minutes === 0 ? [] : [`${durationInWords(Math.abs(minutes))} ${minutes > 0 ? 'more' : 'less'}`]),
    ...(shows.length > 0 ? [`shows ${counted(shows.length, 'zone')}`] : []),
    ...(hides.length > 0 ? [`hides ${counted(hides.length, 'zone')}`] : []),
    ...(lost > 0 ? [`${durationInWords(lost)} of what is done would be lost`] : []),
    ...(decideBy ? [`decide by ${shortDay(decideBy)}`] : []),
    ...says.filter(({ never }) => !never).map(({ says: told }) => told),
  ];
  return parts.length > 0 ? parts.join('; ') : 'changes no step';
}
