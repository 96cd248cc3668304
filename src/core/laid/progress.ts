import { groupBy } from '@/core/units/grouped';
import type { Minutes } from '@/core/units/minutes';
import type { Layer } from '@/core/work/layer';
import { laysColour, type Route, type RouteStep } from '@/core/work/step';
import { inTime, stayingOf, type Laid, type LaidLayer, type LoggedWork } from './laid';
import { wantedStacks } from './stack';
import type { Tape } from './taped';

/** How far a step is: what is wanted of it, less what is laid and done. */
export interface StepProgress {
  /** Zones on which it is done, and those on which it is still to do, in the step's order; none where it works on no zone. */
  done: string[];
  toDo: string[];
  isFinished: boolean;
  /** How much of it is done, 0 to 1, by area. */
  share: number;
  minutesLeft: Minutes;
  /** When the last of what is done of it began and ended; null where nothing is. */
  startedAt: string | null;
  endedAt: string | null;
}

/** Whatever is left of a step takes so long at the least, or a quarter of the step where that is less: to set up and to clean. */
const LEAST_LEFT: { minutes: Minutes; share: number } = { minutes: 10, share: 0.25 };

/** Of the minutes of a step what a share of it takes. */
export function minutesOfShare(minutes: Minutes, share: number): Minutes {
  if (share <= 0) return 0;
  const least = Math.min(LEAST_LEFT.minutes, LEAST_LEFT.share * minutes);
  return Math.min(minutes, Math.max(1, Math.ceil(least), Math.round(minutes * share)));
}

/** The area of some zones together; one that is too small to be measured counts a little, so that no share is of nothing. */
export const areaIn = (zones: readonly string[], areaOf: (zone: string) => number): number =>
  zones.reduce((sum, zone) => sum + Math.max(areaOf(zone), 1e-4), 0);

/** Of the minutes of a step what some of its zones take. */
export const minutesOn = (
  { minutes, zones }: Pick<RouteStep, 'minutes' | 'zones'>,
  on: readonly string[],
  areaOf: (zone: string) => number,
): Minutes => minutesOfShare(minutes, areaIn(on, areaOf) / areaIn(zones, areaOf));

/** Zones that are called to have a colour, and do not have it yet. */
export const lackingColour = (
  { steps }: Pick<Route, 'steps'>,
  progress: ReadonlyMap<string, StepProgress>,
  code: string,
): string[] => [...new Set(steps.flatMap((step) => (laysColour(step, code) ? progress.get(step.key)!.toDo : [])))];

/** Families whose colour is the same work whoever laid it: what decides is the code. */
const BY_CODE: ReadonlySet<RouteStep['family']> = new Set(['colour', 'earlier coat', 'temporary', 'subject']);

/** How far each step is. `areaOf` weighs zones against each other; any measure will do. */
export function progressOf(
  route: Route,
  log: readonly LoggedWork[],
  laid: Laid,
  taped: ReadonlyMap<string, readonly Tape[]>,
  areaOf: (zone: string) => number,
): Map<string, StepProgress> {
  const facts = factsOf(route, log, laid, taped);
  const progress = new Map<string, StepProgress>();
  // What is masked for is known before its tape.
  const [tapes, others] = [route.steps.filter(({ tape }) => tape), route.steps.filter(({ tape }) => !tape)];
  for (const step of [...others, ...tapes]) progress.set(step.key, howFar(step, facts, progress, areaOf));
  return progress;
}

interface Facts {
  /** Entries that count, by their step, in the order of time. */
  entries: ReadonlyMap<string, LoggedWork[]>;
  lying: ReadonlyMap<string, LaidLayer[]>;
  /** On each zone the highest coat that nobody wants there any more; what lies under it is lost to the eye. */
  covered: ReadonlyMap<string, LaidLayer | null>;
  /** Steps that lay something before the colour of a zone. */
  ground: ReadonlySet<string>;
  taped: ReadonlyMap<string, readonly Tape[]>;
  /** By step and zone: a rework lays it again. */
  relaid: ReadonlySet<string>;
}

function factsOf(
  route: Route,
  log: readonly LoggedWork[],
  laid: Laid,
  taped: ReadonlyMap<string, readonly Tape[]>,
): Facts {
  const counting = inTime(log).flatMap(({ entry }) => (entry.again ? [] : [entry]));
  const entries = groupBy(counting, ({ stepKey }) => stepKey);
  // What a repair takes off, and nobody lays again, is to do again.
  const lying = new Map([...laid].map(([zone, stack]) => [zone, stayingOf(stack)]));
  const covered = new Map<string, LaidLayer | null>();
  const ground = new Set<string>();
  for (const [zone, stack] of wantedStacks(route, [...zonesOf(route)])) {
    const colours = stack.filter(({ what }) => what === 'colour');
    const wanted = new Set(colours.map(({ code }) => code));
    // While a colour is open nobody can say that what lies there is not wanted.
    const known = colours.length > 0 && !wanted.has(null);
    covered.set(
      zone,
      (known &&
        lying
          .get(zone)
          ?.findLast(({ what, code, again }) => what === 'colour' && code !== null && (again || !wanted.has(code)))) ||
        null,
    );
    const first = stack.findIndex(({ what }) => what === 'colour');
    for (const { step } of stack.slice(0, Math.max(0, first))) ground.add(`${step} ${zone}`);
  }
  const relaid = new Set(
    route.steps.flatMap(({ again, zones }) => (again ? zones.map((zone) => `${again} ${zone}`) : [])),
  );
  return { entries, lying, covered, ground, relaid, taped };
}

const zonesOf = ({ steps }: Route): Set<string> => new Set(steps.flatMap(({ zones }) => zones));

/** The piece of work that did a step on a zone; null while it is to do there. */
type DoneBy = Pick<LoggedWork, 'startedAt' | 'endedAt'> | null;

function howFar(
  step: RouteStep,
  facts: Facts,
  known: ReadonlyMap<string, StepProgress>,
  areaOf: (zone: string) => number,
): StepProgress {
  const own = facts.entries.get(step.key) ?? [];
  if (step.zones.length === 0) return asAWhole(step, own);
  const zones = [...new Set(step.zones)];
  const by = zones.map((zone) => doneOn(step, zone, own, facts, known));
  const done = zones.filter((_, i) => by[i] !== null);
  const toDo = zones.filter((_, i) => by[i] === null);
  // Work that was begun on all of it and not ended counts for what it was said to be.
  const begun = Math.min(
    1,
    own.reduce((sum, { share }) => sum + (share !== null && share < 1 ? share : 0), 0),
  );
  const left = toDo.length === 0 ? 0 : (areaIn(toDo, areaOf) / areaIn(zones, areaOf)) * (1 - begun);
  const last = by.reduce<DoneBy>((late, one) => (one && (!late || one.endedAt > late.endedAt) ? one : late), null);
  return {
    done,
    toDo,
    isFinished: toDo.length === 0,
    share: 1 - left,
    minutesLeft: toDo.length === 0 ? 0 : Math.max(1, minutesOfShare(step.minutes, left)),
    startedAt: last?.startedAt ?? null,
    endedAt: last?.endedAt ?? null,
  };
}

/** Work that has no zones: so far as its entries say. */
function asAWhole({ minutes }: RouteStep, own: readonly LoggedWork[]): StepProgress {
  const share = Math.min(
    1,
    own.reduce((sum, entry) => sum + (entry.share ?? 1), 0),
  );
  const last = own.at(-1);
  const isFinished = share >= 1 - 1e-6;
  return {
    done: [],
    toDo: [],
    isFinished,
    share,
    minutesLeft: isFinished ? 0 : Math.max(minutes > 0 ? 1 : 0, minutesOfShare(minutes, 1 - share)),
    startedAt: last?.startedAt ?? null,
    endedAt: last?.endedAt ?? null,
  };
}

function doneOn(
  step: RouteStep,
  zone: string,
  own: readonly LoggedWork[],
  facts: Facts,
  known: ReadonlyMap<string, StepProgress>,
): DoneBy {
  const named = own.findLast(({ zones, share }) => (share ?? 1) >= 1 && (zones.length === 0 || zones.includes(zone)));
  if (step.lays.length > 0) return laidOn(step, zone, named ?? null, facts);
  if (step.tape) return tapedOn(step, zone, named ?? null, facts, known);
  return named ?? null;
}

function laidOn(step: RouteStep, zone: string, named: DoneBy, facts: Facts): DoneBy {
  // What something took off is laid again by the rework; the step itself was done.
  if (named && facts.relaid.has(`${step.key} ${zone}`)) return named;
  const lying = facts.lying.get(zone) ?? [];
  const over = countingFor(step, zone, lying, facts);
  const found = step.lays.map((layer) => over.findLast((own) => !own.again && isThe(layer, step, own)));
  if (found.some((one) => one === undefined)) return null;
  const last = found.reduce((late, one) => (one!.endedAt > late!.endedAt ? one : late))!;
  return named ?? { startedAt: last.endedAt, endedAt: last.endedAt };
}

/**
 * Of what lies on a zone what can count for a step: all of it, unless a coat lies there that nobody wants any more. Then a colour has to lie
 * over that, and what comes over the colours over the new one.
 */
function countingFor(step: RouteStep, zone: string, lying: readonly LaidLayer[], facts: Facts): readonly LaidLayer[] {
  const cover = facts.covered.get(zone);
  if (!cover || facts.ground.has(`${step.key} ${zone}`)) return lying;
  const over = lying.slice(lying.indexOf(cover) + 1);
  if (step.lays.some(({ what }) => what === 'colour')) return over;
  const colour = over.findIndex(({ what, again }) => what === 'colour' && !again);
  return colour < 0 ? [] : over.slice(colour + 1);
}

/** Whether what was laid is what a step is to lay. */
const isThe = (layer: Layer, step: RouteStep, own: LaidLayer): boolean =>
  own.what === layer.what &&
  (layer.code !== null && layer.what === 'colour' && BY_CODE.has(step.family)
    ? own.code === layer.code
    : own.step === step.key || step.alike.includes(own.step));

/** Tape is done with what is sprayed over it, and is off where none is on. */
function tapedOn(
  { tape }: RouteStep,
  zone: string,
  named: DoneBy,
  { covered, taped }: Facts,
  known: ReadonlyMap<string, StepProgress>,
): DoneBy {
  const cover = covered.get(zone);
  const own = named && (!cover || named.endedAt > cover.endedAt) ? named : null;
  if (tape!.goes === 'off' && taped.get(zone)?.some(({ of }) => of === tape!.of)) return null;
  const sprayed = known.get(tape!.of);
  if (own || !sprayed?.done.includes(zone) || sprayed.endedAt === null) return own;
  return { startedAt: sprayed.endedAt, endedAt: sprayed.endedAt };
}
