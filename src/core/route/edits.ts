import { waitingCircle } from './schedule/network';
import type { Minutes } from '@/core/units/minutes';
import { listed, lowered } from '@/core/units/words';
import type { Lane, StepKind } from '@/core/work/kinds';
import { LEAST_WORK } from '@/core/work/minutes';
import { LONGEST_TAPE } from '@/core/work/tape';
import { stepOf, type Route, type RouteLink, type RouteStep, type SleepingEdit } from '@/core/work/step';

/** What a builder changes in the route that the rules make. It is kept and made again whenever the route is derived anew. */
export type RouteEdit =
  | {
      kind: 'add';
      key: string;
      title: string;
      work: StepKind;
      lane: Lane;
      minutes: number;
      after: string[];
      before: string[];
    }
  | { kind: 'change'; step: string; title: string | null; minutes: number | null }
  | { kind: 'off'; step: string }
  | { kind: 'split'; step: string; parts: readonly { title: string; minutes: number }[] }
  | { kind: 'merge'; steps: readonly [string, string]; title: string }
  | { kind: 'order'; first: string; then: string; wait: number }
  | { kind: 'renew'; step: string; times: number };

export interface EditedRoute {
  route: Route;
  sleeping: SleepingEdit[];
}

/** The route with the builder's edits, one after the other. One that names a step that is not there, or that would go in a circle, is left out. */
export function withEdits(route: Route, edits: readonly RouteEdit[]): EditedRoute {
  const sleeping: SleepingEdit[] = [];
  let edited = route;
  edits.forEach((edit, index) => {
    const next = tried(edited, edit);
    if (typeof next === 'string') sleeping.push({ index, says: next });
    else edited = next;
  });
  return { route: edited, sleeping };
}

/** The route with one edit; what stands against it, in words. */
function tried(route: Route, edit: RouteEdit): Route | string {
  const known = new Map(route.steps.map((step) => [step.key, step]));
  const lacking = namedIn(edit).filter((key) => !known.has(key));
  if (lacking.length > 0)
    return `${lacking.length === 1 ? 'a step' : `${lacking.length} steps`} that it names ${lacking.length === 1 ? 'is' : 'are'} not in the route now`;
  const next = made(route, edit, known);
  if (typeof next === 'string') return next;
  const circle = waitingCircle({
    steps: next.steps.map(({ key }) => ({ id: key })),
    links: next.links,
  });
  if (!circle) return next;
  const titles = new Map(next.steps.map(({ key, title }) => [key, title]));
  return `it would go in a circle: ${roundTrip(circle, next.links)
    .map((key) => `“${titles.get(key)}”`)
    .join(', then ')}`;
}

const namedIn = (edit: RouteEdit): readonly string[] => {
  switch (edit.kind) {
    case 'add':
      return [...edit.after, ...edit.before];
    case 'merge':
      return edit.steps;
    case 'order':
      return [edit.first, edit.then];
    default:
      return [edit.step];
  }
};

function made(route: Route, edit: RouteEdit, known: ReadonlyMap<string, RouteStep>): Route | string {
  switch (edit.kind) {
    case 'add':
      return known.has(edit.key) ? 'it is there already' : added(route, edit);
    case 'change':
      return replaced(route, edit.step, (step) => ({
        ...step,
        title: edit.title ?? step.title,
        ...(edit.minutes === null ? {} : saidMinutes(edit.minutes)),
      }));
    case 'off':
      return known.get(edit.step)!.gate ? 'what closes for good cannot be switched off' : without(route, edit.step);
    case 'split':
      return known.get(edit.step)!.gate
        ? 'what closes for good is not split'
        : split(route, edit, known.get(edit.step)!);
    case 'merge':
      return merged(route, edit, known);
    case 'order':
      return {
        ...route,
        links: [...route.links, linkOf(edit.first, edit.then, edit.wait)],
      };
    case 'renew':
      return renewed(route, edit, known.get(edit.step)!);
  }
}

const replaced = (route: Route, key: string, by: (step: RouteStep) => RouteStep): Route => ({
  ...route,
  steps: route.steps.map((step) => (step.key === key ? by(step) : step)),
});

const linkOf = (from: string, to: string, minLag = 0): RouteLink => ({
  from,
  to,
  minLag,
  maxLag: null,
  why: 'as you said',
});

/** Minutes with what they come from. */
const saidMinutes = (minutes: number) => ({ minutes, pace: null, minutesFrom: `${minutes} min: as you said` });

function added(
  route: Route,
  { key, title, work, lane, minutes, after, before }: Extract<RouteEdit, { kind: 'add' }>,
): Route {
  const own = stepOf(key, title, work, lane, minutes, {
    family: 'own',
    ...saidMinutes(minutes),
    why: 'added by you',
  });
  return {
    ...route,
    steps: [...route.steps, own],
    links: [...route.links, ...after.map((from) => linkOf(from, key)), ...before.map((to) => linkOf(key, to))],
  };
}

/** Tape is laid anew on the last day that it bears: whichever evening of the week that is, it comes again a week later. */
const BETWEEN_TAPES: Minutes = LONGEST_TAPE - 24 * 60;

/** Tape that is taken off and laid anew so many times before it comes off for good, each time within a week of the last. */
function renewed(route: Route, { times }: Extract<RouteEdit, { kind: 'renew' }>, on: RouteStep): Route | string {
  const off = route.steps.find(({ tape }) => tape?.goes === 'off' && tape.of === on.tape?.of);
  if (on.tape?.goes !== 'on' || !off) return 'it lays no tape that comes off again';
  const minutes = on.minutes + LEAST_WORK;
  const steps = Array.from({ length: times }, (_, i): RouteStep => ({
    ...on,
    key: `${on.key}:anew:${i + 1}`,
    title: `Take off and lay anew: ${lowered(on.title)}${times > 1 ? `, ${i + 1} of ${times}` : ''}`,
    minutes,
    minutesFrom: `${minutes} min: as the first time, and ${LEAST_WORK} to take it off`,
    pace: null,
    why: 'after seven days tape leaves its glue',
  }));
  const links = steps.map(({ key }, i): RouteLink => ({
    from: steps[i - 1]?.key ?? on.key,
    to: key,
    minLag: BETWEEN_TAPES,
    maxLag: LONGEST_TAPE,
    why: 'before its glue stays',
  }));
  return {
    ...route,
    steps: route.steps.flatMap((step) => (step.key === on.key ? [step, ...steps] : [step])),
    links: [...route.links, ...links, linkOf(steps.at(-1)!.key, off.key)],
  };
}

/** What waited for the step waits for what it waited for, as long as the longer of both waits. */
function without(route: Route, key: string): Route {
  const [into, out] = [route.links.filter(({ to }) => to === key), route.links.filter(({ from }) => from === key)];
  const through = into.flatMap((a) =>
    out.map((b): RouteLink => ({
      from: a.from,
      to: b.to,
      minLag: Math.max(a.minLag, b.minLag),
      maxLag: null,
      why: a.minLag >= b.minLag ? a.why : b.why,
    })),
  );
  return {
    ...route,
    steps: route.steps.filter((step) => step.key !== key),
    links: [...route.links.filter(({ from, to }) => from !== key && to !== key), ...through],
  };
}

/** One step as several, one after the other: what it lays is there with the last of them. */
function split(route: Route, { step: key, parts }: Extract<RouteEdit, { kind: 'split' }>, step: RouteStep): Route {
  const keys = parts.map((_, i) => `${key}/${i + 1}`);
  const [first, last] = [keys[0]!, keys.at(-1)!];
  return {
    ...route,
    steps: route.steps.flatMap((own) =>
      own.key === key
        ? parts.map(({ title, minutes }, i): RouteStep => ({
            ...step,
            key: keys[i]!,
            title,
            ...saidMinutes(minutes),
            lays: i === parts.length - 1 ? step.lays : [],
          }))
        : [own],
    ),
    links: [
      ...route.links.map((link) => ({
        ...link,
        from: link.from === key ? last : link.from,
        to: link.to === key ? first : link.to,
      })),
      ...keys.slice(1).map((to, i) => linkOf(keys[i]!, to)),
    ],
  };
}

/** Two steps done as one, under the key of the first. */
function merged(
  route: Route,
  { steps: [a, b], title }: Extract<RouteEdit, { kind: 'merge' }>,
  known: ReadonlyMap<string, RouteStep>,
): Route | string {
  const [one, other] = [known.get(a)!, known.get(b)!];
  if (one.gate || other.gate) return 'what closes for good stays a step of its own';
  if (one.lays.length > 0 && other.lays.length > 0) return 'two coats are two steps: each dries by itself';
  if (one.load && other.load && one.load.id !== other.load.id) return 'two colours do not go into one filling';
  const minutes = one.minutes + other.minutes;
  const whole: RouteStep = {
    ...one,
    title,
    minutes,
    minutesFrom: `${one.minutes} and ${other.minutes} min together`,
    lays: [...one.lays, ...other.lays],
    load: one.load ?? other.load,
    booth: one.booth || other.booth,
    splittable: one.splittable && other.splittable,
    code: one.code ?? other.code,
    open: one.open || other.open,
    zones: [...new Set([...one.zones, ...other.zones])],
    cautions: [...new Map([...one.cautions, ...other.cautions].map((caution) => [caution.says, caution])).values()],
    notBefore:
      [one.notBefore, other.notBefore]
        .filter((day) => day !== null)
        .sort()
        .at(-1) ?? null,
  };
  const keyOf = (key: string) => (key === b ? a : key);
  return {
    ...route,
    steps: route.steps.flatMap((step) => (step.key === a ? [whole] : step.key === b ? [] : [step])),
    links: route.links
      .map((link) => ({ ...link, from: keyOf(link.from), to: keyOf(link.to) }))
      .filter(({ from, to }) => from !== to),
  };
}

/** A circle of steps in the order in which each waits for the one before, out of those that go round in circles. */
function roundTrip(circling: readonly string[], links: readonly RouteLink[]): string[] {
  const among = new Set(circling);
  const before = (key: string) => links.find(({ from, to }) => to === key && among.has(from))?.from;
  const seen: string[] = [];
  // Going back along waits comes into the circle sooner or later.
  for (let key: string | undefined = circling[0]; key !== undefined; key = before(key)) {
    const at = seen.indexOf(key);
    if (at >= 0) return [...seen.slice(at)].reverse();
    seen.push(key);
  }
  return [...circling];
}

/** An edit as the builder would say it. */
export function editInWords(edit: RouteEdit, titleOf: (key: string) => string): string {
  const name = (key: string) => `“${titleOf(key)}”`;
  switch (edit.kind) {
    case 'add':
      return `Added “${edit.title}”, ${edit.minutes} min`;
    case 'change':
      return `${name(edit.step)} ${listed([
        ...(edit.title ? [`is called “${edit.title}”`] : []),
        ...(edit.minutes === null ? [] : [`takes ${edit.minutes} min`]),
      ])}`;
    case 'off':
      return `${name(edit.step)} is left out`;
    case 'split':
      return `${name(edit.step)} is split into ${listed(edit.parts.map(({ title }) => `“${title}”`))}`;
    case 'merge':
      return `${listed(edit.steps.map(name))} are done as one: “${edit.title}”`;
    case 'order':
      return `${name(edit.first)} comes before ${name(edit.then)}`;
    case 'renew':
      return `${name(edit.step)} is done anew ${edit.times === 1 ? 'once' : `${edit.times} times`}, each within a week`;
  }
}
