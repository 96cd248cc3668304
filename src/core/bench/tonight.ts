import { elapsedToLocal } from '@/core/route/calendar';
import type { PlannedWork } from '@/core/route/plan';
import type { Minutes } from '@/core/units/minutes';
import { cardOf, type BenchCard, type PlannedBrief } from './cards';
import { protectionOf, type Protection } from '@/core/paint/caution';

/** Tonight's session: what there is to do, to fetch and to check, packed to the minutes there are. */

export interface Tonight {
  /** The session in hand, or the next one; null where nothing is planned. */
  session: string | null;
  startLocal: string | null;
  running: boolean;
  /** Of the session, from now on where it runs. */
  minutes: Minutes;
  /** What the plan has for it, in that order. */
  cards: BenchCard[];
  /** What could be done as well, since nothing stands before it any more. */
  spare: BenchCard[];
  /** Coats of which tonight's work needs that they are dry. */
  check: { title: string; says: string; readyLocal: string; isReady: boolean }[];
}

const endsOf = ({ work }: PlannedBrief['plan']): Map<string, Minutes> =>
  new Map(work.flatMap(({ done, key, segments }) => (done ? [[key, segments.at(-1)![1]] as const] : [])));

/** So much is offered beyond what is planned. */
const MOST_SPARE = 20;

/** The session in hand, or the next one. */
export function tonightOf(view: PlannedBrief & { state: { brief: { timeZone: string } } }): Tonight {
  const { plan } = view;
  const open = plan.work.filter((item) => !item.done);
  const first = open[0];
  if (!first) return { session: null, startLocal: null, running: false, minutes: 0, cards: [], spare: [], check: [] };
  const session = plan.sessions.find((candidate) => candidate.id === first.session);
  const running = session !== undefined && session.start <= plan.now && plan.now < session.end;
  // What is not decided cannot be done: it comes last.
  const all = open.filter((item) => item.session === first.session);
  const here = [...all.filter(({ step }) => !step.open), ...all.filter(({ step }) => step.open)];
  const spare = readyBeside(view, open, here, session?.booth !== false);
  const begins = session && !running ? session.start : plan.now;
  const evening = { among: new Set([...here, ...spare].map(({ key }) => key)), begins, ends: endsOf(plan) };
  return {
    session: first.session,
    startLocal: session?.startLocal ?? first.start,
    running,
    minutes: session ? session.end - begins : here.reduce((sum, { step }) => sum + step.minutes, 0),
    cards: here.map((item) => cardOf(view, item, evening)),
    spare: spare.slice(0, MOST_SPARE).map((item) => cardOf(view, item, evening)),
    check: toCheck(view, here, session?.start ?? plan.now),
  };
}

/**
 * Planned for later, but nothing stands before it that is neither done, nor tonight's, nor offered too; and what it waits for of what is done
 * is over by now.
 */
function readyBeside(
  { plan, standing: { left: route } }: PlannedBrief,
  open: readonly PlannedWork[],
  here: readonly PlannedWork[],
  booth: boolean,
): PlannedWork[] {
  const offered = new Set(here.map(({ key }) => key));
  const work = new Map(plan.work.map((item) => [item.key, item]));
  const into = new Map<string, typeof route.links>();
  for (const link of route.links) into.set(link.to, [...(into.get(link.to) ?? []), link]);
  const spare: PlannedWork[] = [];
  for (const item of open) {
    const { key, step } = item;
    if (offered.has(key) || step.gate !== null || (step.booth && !booth)) continue;
    if (step.notBefore !== null && step.notBefore > (here[0]?.start ?? '')) continue;
    const isReady = (into.get(key) ?? []).every(({ from, minLag }) => {
      const before = work.get(from);
      return offered.has(from) || (before?.done === true && before.segments.at(-1)![1] + minLag <= plan.now);
    });
    if (!isReady) continue;
    offered.add(key);
    spare.push(item);
  }
  return spare;
}

/** Of what was laid within so many minutes it is worth to look whether it is dry. */
const LOOK_BACK: Minutes = 4 * 24 * 60;

function toCheck(
  { plan, standing: { left: route }, state }: PlannedBrief & { state: { brief: { timeZone: string } } },
  here: readonly PlannedWork[],
  at: Minutes,
): Tonight['check'] {
  const tonight = new Set(here.map(({ key }) => key));
  const done = new Map(plan.work.filter((item) => item.done).map((item) => [item.key, item]));
  const checks = new Map<string, Tonight['check'][number] & { ready: Minutes }>();
  for (const { from, to, minLag, why } of route.links) {
    const before = done.get(from);
    if (!tonight.has(to) || !before || minLag === 0) continue;
    const ready = before.segments.at(-1)![1] + minLag;
    if (ready < at - LOOK_BACK) continue;
    const known = checks.get(from);
    if (known && known.ready >= ready) continue;
    checks.set(from, {
      title: before.step.title,
      says: why,
      ready,
      readyLocal: elapsedToLocal(ready, state.brief.timeZone, plan.origin),
      isReady: ready <= plan.now,
    });
  }
  return [...checks.values()].sort((a, b) => b.ready - a.ready).map(({ ready: _, ...check }) => check);
}

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

/** What to bring to the bench for some cards. */
export interface Fetched {
  paints: { label: string; hex: string | null; neededMl: number | null; ownedMl: number | null; isShort: boolean }[];
  thinners: string[];
  tools: string[];
  protection: Protection[];
}

export function fetchFor(cards: readonly BenchCard[]): Fetched {
  const paints = new Map<string, Fetched['paints'][number]>();
  for (const { cup, paint } of cards) {
    const parts = cup?.parts ?? (paint ? [{ label: paint.label, drops: 0, hex: paint.hex }] : []);
    const drops = parts.reduce((sum, part) => sum + part.drops, 0);
    for (const { label, drops: own, hex } of parts) {
      const known = paints.get(label);
      const needed = paint?.neededMl && drops > 0 ? (paint.neededMl * own) / drops : null;
      const neededMl = known?.neededMl || needed ? (known?.neededMl ?? 0) + (needed ?? 0) : null;
      const ownedMl = known?.ownedMl ?? (parts.length === 1 ? (paint?.ownedMl ?? null) : null);
      paints.set(label, {
        label,
        hex: hex ?? known?.hex ?? null,
        neededMl,
        ownedMl,
        isShort: ownedMl !== null && neededMl !== null && ownedMl < neededMl,
      });
    }
  }
  return {
    paints: [...paints.values()],
    thinners: [...new Set(cards.flatMap(({ cup }) => (cup && cup.thinnerDrops > 0 ? [cup.thinner] : [])))],
    tools: [...new Set(cards.flatMap(({ lore }) => lore.tools))],
    protection: protectionOf(cards.flatMap(({ cautions }) => cautions)),
  };
}
