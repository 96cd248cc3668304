import { protectionFrom, type Protection } from '@/core/paint/caution';
import type { Chemistry } from '@/core/paint/chemistry';
import type { PaintKind } from '@/core/paint/catalogue';
import type { Minutes } from '@/core/units/minutes';
import type { Mixed } from '@/core/work/mixed';
import { waitingCircle } from './schedule/network';
import type { Family, Lane, LayerKind, Stage, StepKind } from '@/core/work/kinds';
import { stepOf, type Route, type RouteLink, type RouteStep } from '@/core/work/step';

/** Runs of work that a builder adds to the route at once, step after step: a rework, a technique, a plan of weathering. */

export interface RunStep {
  key: string;
  title: string;
  kind: StepKind;
  lane: Lane;
  minutes: Minutes;
  zones: readonly string[];
  /** From the end of the step before it in the run, at the least and at the most. */
  afterMin: Minutes;
  afterMost: Minutes | null;
  /** Why it waits, or what it is done for. */
  because: string;
  lays: { what: LayerKind; chemistry: Chemistry; code: string | null; paint: string; coats: number } | null;
  /** What is in the airbrush; null where none is used. */
  load: { id: string; title: string; kind: PaintKind; lightness: number } | null;
  /** As it was mixed, where that is known. */
  mixed: Mixed | null;
  cautions: readonly string[];
  /** The step whose work it does again; none where it is done for the first time. */
  again?: string | null | undefined;
}

export interface WorkRun {
  steps: readonly RunStep[];
  /** What lies no longer on some zones, by the step that laid it. */
  lost: readonly { step: string; zones: readonly string[] }[];
  /** Steps of the route that it comes after, and that wait for it. */
  after: readonly string[];
  before: readonly string[];
  /** Rules of the route that it stands for: left out as long as it is there. */
  instead?: readonly string[] | undefined;
}

/** What a run of work is made for. */
export type RunOrigin = Extract<Family, 'rework' | 'technique' | 'weathering'>;
const STAGE_OF: Record<RunOrigin, Stage> = { rework: 'colours', technique: 'weathering', weathering: 'weathering' };

/** A run of work with what it was made for. */
export interface OwnRun {
  origin: RunOrigin;
  run: WorkRun;
}

/** The route with runs of work in it. A step of theirs that is there already, and a joint that is not there or would close a circle, is left out. */
export const withRuns = (route: Route, runs: readonly OwnRun[]): Route => runs.reduce(withRun, route);

function withRun(route: Route, { origin, run }: OwnRun): Route {
  const known = new Set(route.steps.map(({ key }) => key));
  const own = run.steps.filter(({ key }) => !known.has(key));
  const [first, last] = [own[0], own.at(-1)];
  if (!first || !last) return route;
  const chain = own.slice(1).map((step, i): RouteLink => ({
    from: own[i]!.key,
    to: step.key,
    minLag: step.afterMin,
    maxLag: step.afterMost,
    why: step.because,
  }));
  const joint = (from: string, to: string): RouteLink => ({ from, to, minLag: 0, maxLag: null, why: 'mended first' });
  // What is laid in several steps that leave the same behind is there when all of them are.
  const named = (keys: readonly string[]) => {
    const here = keys.filter((key) => known.has(key));
    return route.steps.flatMap(({ key, alike }) =>
      here.includes(key) || alike.some((other) => here.includes(other)) ? [key] : [],
    );
  };
  const into = named(run.after).map((key) => joint(key, first.key));
  const made: Route = {
    ...route,
    steps: [...route.steps, ...own.map((step) => stepOfRun(step, origin))],
    links: [...route.links, ...into, ...chain],
  };
  return named(run.before).reduce((so, key) => withJoint(so, joint(last.key, key)), made);
}

function withJoint(route: Route, link: RouteLink): Route {
  const next = { ...route, links: [...route.links, link] };
  const isCircle = waitingCircle({ steps: next.steps.map(({ key }) => ({ id: key })), links: next.links });
  return isCircle ? route : next;
}

/** Of kept work only the words of a caution are known: what protects is told by what is done, and by what is laid. */
const PROTECTION_AT: Partial<Record<StepKind, readonly Protection[]>> = {
  sand: ['dust mask'],
  glue: ['window open'],
  mend: ['dust mask'],
};

function stepOfRun(
  { key, title, kind, lane, minutes, zones, because, lays, load, mixed, cautions, again = null }: RunStep,
  origin: RunOrigin,
): RouteStep {
  const protection = [...(PROTECTION_AT[kind] ?? []), ...(lays ? protectionFrom(lays.chemistry, load !== null) : [])];
  return stepOf(key, title, kind, lane, minutes, {
    family: origin,
    stage: STAGE_OF[origin],
    again,
    zones: [...zones],
    load: load && lays ? { ...load, chemistry: lays.chemistry } : null,
    lays: lays ? [lays] : [],
    code: lays?.code ?? null,
    cautions: cautions.map((says) => ({ says, protection })),
    why: because,
    mixed,
  });
}
