import type { Minutes } from '@/core/units/minutes';
import type { BenchCard } from './cards';
import type { Tonight } from './tonight';

/** One piece of an evening: work, or a wait in which nothing fits. */
export type EveningPiece =
  | { kind: 'work'; card: BenchCard; from: Minutes; to: Minutes; extra: boolean }
  | { kind: 'gap'; from: Minutes; to: Minutes; waitsFor: string };

export interface PackedEvening {
  pieces: EveningPiece[];
  /** Planned for tonight, and beyond the minutes there are. */
  carried: BenchCard[];
}

/** Shorter waits are breathing space. */
const NO_GAP = 5;

/**
 * An evening of so many minutes: what is planned, in its order, each as soon as what it needs is done and dry; while something dries, what
 * else can be done; what does not fit is carried over. Nothing is begun that cannot be ended, unless it may be split.
 */
export function packEvening({ cards, spare }: Pick<Tonight, 'cards' | 'spare'>, minutes: Minutes): PackedEvening {
  const ends = new Map<string, Minutes>();
  const left = [...cards.map((card) => ({ card, extra: false })), ...spare.map((card) => ({ card, extra: true }))];
  const planned = new Set(cards.map(({ key }) => key));
  const pieces: EveningPiece[] = [];
  const readyAt = ({ needs, readyIn }: BenchCard): Minutes =>
    Math.max(readyIn, ...needs.map(({ key, wait }) => (ends.has(key) ? ends.get(key)! + wait : Infinity)));
  let now = 0;
  for (;;) {
    const fitting = left.filter(
      ({ card }) =>
        readyAt(card) < Infinity &&
        (Math.max(now, readyAt(card)) + card.minutes <= minutes ||
          (card.splittable && Math.max(now, readyAt(card)) < minutes)),
    );
    const startable = fitting.filter(({ card }) => readyAt(card) <= now + NO_GAP);
    // Spare work fills what planned work leaves; it never makes planned work late.
    const next =
      startable.find(({ extra }) => !extra) ??
      startable.find(({ card }) =>
        fitting.every((other) => other.extra || now + card.minutes <= Math.max(now, readyAt(other.card))),
      ) ??
      soonest(
        fitting.filter(({ extra }) => !extra),
        readyAt,
      ) ??
      soonest(fitting, readyAt);
    if (!next) break;
    const from = Math.max(now, readyAt(next.card));
    if (from - now > NO_GAP) pieces.push({ kind: 'gap', from: now, to: from, waitsFor: next.card.title });
    const to = Math.min(minutes, from + next.card.minutes);
    pieces.push({ kind: 'work', card: next.card, from, to, extra: next.extra });
    if (from + next.card.minutes <= minutes) ends.set(next.card.key, to);
    now = to;
    left.splice(left.indexOf(next), 1);
  }
  return { pieces, carried: left.flatMap(({ card }) => (planned.has(card.key) ? [card] : [])) };
}

const soonest = <T extends { card: BenchCard }>(
  of: readonly T[],
  readyAt: (card: BenchCard) => Minutes,
): T | undefined => [...of].sort((a, b) => readyAt(a.card) - readyAt(b.card))[0];
