import { daysBetween } from '@/core/units/day';
import type { Bottle, Paint } from './catalogue';
import type { Chemistry } from './chemistry';

/** Months a bottle keeps once it was opened; makers say less, benches find more. */
export const KEEPS_MONTHS: Record<Chemistry, { months: number; reason: string }> = {
  WA: { months: 36, reason: 'water-based paint skins and curdles after a few years' },
  SA: { months: 48, reason: 'alcohol leaves slowly; thinner brings it back' },
  AL: { months: 72, reason: 'lacquer is brought back by its thinner' },
  ML: { months: 60, reason: 'flakes settle, the lacquer keeps' },
  EN: { months: 96, reason: 'enamel keeps under a skin' },
  OI: { months: 120, reason: 'oil in a tube keeps' },
  EW: { months: 72, reason: 'spirit leaves slowly' },
};
/** Below this a bottle is low: a share of its size, and never less than a cup. */
const LOW_SHARE = 0.15;
const LOW_ML = 2;
const SPOILT = /skin|dried|dry\b|curdl|hard|spoil|dead|gone/i;

export type BottleState = 'good' | 'low' | 'empty' | 'expired' | 'spoilt';

/** How a bottle stands on a day, worst first, with the words for it. */
export function bottleState(
  bottle: Pick<Bottle, 'mlLeft' | 'openedOn' | 'condition'>,
  paint: Pick<Paint, 'sizeMl' | 'chemistry'>,
  today: string,
): { state: BottleState; says: string } {
  if (bottle.mlLeft === 0) return { state: 'empty', says: 'empty' };
  if (SPOILT.test(bottle.condition)) return { state: 'spoilt', says: bottle.condition };
  const { months, reason } = KEEPS_MONTHS[paint.chemistry];
  const age = bottle.openedOn ? daysBetween(bottle.openedOn, today) / 30.44 : 0;
  if (age > months)
    return { state: 'expired', says: `open for ${Math.round(age)} months, keeps about ${months}: ${reason}` };
  if (bottle.mlLeft < Math.max(LOW_ML, LOW_SHARE * paint.sizeMl)) return { state: 'low', says: 'low' };
  return { state: 'good', says: bottle.condition || 'good' };
}

/** Millilitres that can be counted on: what is expired or spoilt cannot. */
export const usableMl = (paint: Pick<Paint, 'bottles' | 'sizeMl' | 'chemistry'>, today: string): number =>
  paint.bottles
    .filter((bottle) => !['expired', 'spoilt'].includes(bottleState(bottle, paint, today).state))
    .reduce((sum, bottle) => sum + bottle.mlLeft, 0);
