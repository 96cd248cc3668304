import { addDays, daysBetween, WEEKDAYS, weekdayOf } from '@/core/units/day';
import { takenOff } from './evening';
import type { PlanInput } from './improving';
import { planRoute, type RoutePlan } from './plan';

/** What would be different, and what it would do to the date. */
export interface Counterfactual {
  /** "an hour more on Thursdays" */
  says: string;
  /** Days sooner; below 0 days later, null where not everything fits any more. */
  days: number | null;
  /** Fillings of the airbrush less. */
  loads: number;
  finish: string | null;
}

/** What was found so far, most days first, and how many questions there still are. */
export interface AskedSoFar {
  found: Counterfactual[];
  left: number;
}

interface Change {
  says: string;
  /** It only takes something away: it can bring nothing forward, as all others can put nothing off. */
  takes?: boolean;
  to: (input: PlanInput) => PlanInput;
}

/** Placements for each of them: enough to tell, and the same for the plan that they are held against. */
const EFFORT = 1500;
/** A further evening begins and ends like this. */
const EVENING = { startsAt: '19:30', minutes: 120, booth: true };
/** Waits of a paint that dries at once, minutes. */
const AT_ONCE = 10;
/** Waits shorter than this hold nothing up. */
const LONG = 4 * 60;
const MOST_WAITS = 6;

const weekly = (
  input: PlanInput,
  to: (own: PlanInput['settings']['weekly']) => PlanInput['settings']['weekly'],
): PlanInput => ({
  ...input,
  settings: { ...input.settings, weekly: to(input.settings.weekly) },
});

/** Everything that is worth asking of this plan: longer sessions, further ones, spraying at home, quicker paints, parts that are there. */
function changesOf({ route, done, settings }: PlanInput): Change[] {
  const isDone = new Set(done.map(({ stepKey }) => stepKey));
  const open = route.steps.filter(({ key }) => !isDone.has(key));
  const used = new Set(settings.weekly.map(({ weekday }) => weekday));
  const longer = settings.weekly.map((session, i): Change => ({
    says: `an hour more on ${WEEKDAYS[session.weekday - 1]}s`,
    to: (input) => weekly(input, (own) => own.map((one, k) => (k === i ? { ...one, minutes: one.minutes + 60 } : one))),
  }));
  const further = WEEKDAYS.flatMap((name, i): Change[] =>
    used.has(i + 1)
      ? []
      : [
          {
            says: `two hours on ${name} evenings besides`,
            to: (input) => weekly(input, (own) => [...own, { ...EVENING, weekday: i + 1 }]),
          },
        ],
  );
  const booth: Change[] = settings.weekly.some((session) => !session.booth)
    ? [
        {
          says: 'spraying possible in every session',
          to: (input) => weekly(input, (own) => own.map((one) => ({ ...one, booth: true }))),
        },
      ]
    : [];
  const titles = new Map(route.steps.map(({ key, load, title }) => [key, load?.title ?? title]));
  const waits = new Map<string, number>();
  for (const { from, minLag } of route.links)
    if (minLag >= LONG && !isDone.has(from)) waits.set(from, Math.max(minLag, waits.get(from) ?? 0));
  const byPaint = new Map<string, { keys: Set<string>; minutes: number }>();
  for (const [key, minutes] of waits) {
    const name = titles.get(key)!;
    const of = byPaint.get(name) ?? { keys: new Set(), minutes: 0 };
    of.keys.add(key);
    of.minutes += minutes;
    byPaint.set(name, of);
  }
  const quicker = [...byPaint]
    .sort(([, a], [, b]) => b.minutes - a.minutes)
    .slice(0, MOST_WAITS)
    .map(([name, { keys }]): Change => ({
      says: `no waiting after “${name}”`,
      to: (input) => ({
        ...input,
        route: {
          ...input.route,
          links: input.route.links.map((link) =>
            keys.has(link.from) && link.minLag > AT_ONCE ? { ...link, minLag: AT_ONCE } : link,
          ),
        },
      }),
    }));
  const ordered: Change[] = open.some(({ notBefore }) => notBefore !== null)
    ? [
        {
          says: 'what is on order being here now',
          to: (input) => ({
            ...input,
            route: { ...input.route, steps: input.route.steps.map((step) => ({ ...step, notBefore: null })) },
          }),
        },
      ]
    : [];
  const tomorrow: Change = {
    says: 'the next session missed',
    takes: true,
    to: (input) => ({
      ...input,
      settings: { ...input.settings, evenings: [...(input.settings.evenings ?? []), offOf(input)] },
    }),
  };
  return [...longer, ...further, ...booth, ...quicker, ...ordered, ...(settings.weekly.length > 0 ? [tomorrow] : [])];
}

/** The day of the next session, taken off. */
function offOf({ settings }: PlanInput) {
  const today = settings.nowUtc.slice(0, 10);
  const days = new Set(settings.weekly.map(({ weekday }) => weekday));
  let day = addDays(today, 1);
  while (!days.has(weekdayOf(day))) day = addDays(day, 1);
  return takenOff(day);
}

/** What each change would bring, most first; one after the other, so that a reader sees them come. */
export function* counterfactuals(input: PlanInput): Generator<AskedSoFar> {
  const now = planRoute(input.route, input.done, input.settings, EFFORT);
  const changes = changesOf(input);
  const found: Counterfactual[] = [];
  for (const [i, { says, takes = false, to }] of changes.entries()) {
    const { route, done, settings } = to(input);
    const then = planRoute(route, done, settings, EFFORT);
    found.push({
      says,
      days: bounded(daysSooner(then, now), takes),
      loads: now.loads - then.loads,
      finish: then.finish,
    });
    yield { found: [...found].sort((a, b) => (b.days ?? -1e9) - (a.days ?? -1e9)), left: changes.length - 1 - i };
  }
}

/** The search finds good plans, not always the best: what cannot be is chance. */
const bounded = (days: number | null, takes: boolean): number | null =>
  days === null ? null : takes ? Math.min(0, days) : Math.max(0, days);

const daysSooner = (then: RoutePlan, now: RoutePlan): number | null =>
  then.finish && now.finish ? daysBetween(then.finish.slice(0, 10), now.finish.slice(0, 10)) : null;
