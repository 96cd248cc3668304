import { elapsedToLocal } from '@/core/route/calendar';
import type { PlannedWork } from '@/core/route/plan';
import type { Minutes } from '@/core/units/minutes';
import { cardOf, type BenchCard, type PlannedBrief } from './cards';

/** Tonight's session: what there is to do and to check. */

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
