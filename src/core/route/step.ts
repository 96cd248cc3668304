import type { Finish, PaintKind } from '@/core/paint/catalogue';
import type { Coat, WaitName } from '@/core/paint/drying';
import type { Lab } from '@/core/colour/types';
import type { Way } from '@/core/kit/applying';
import type { MarkingMethod } from '@/core/markings/kinds';
import type { Cover } from '@/core/outline/zones';
import type { Minutes } from '@/core/units/minutes';
import type { Day } from '@/core/units/day';
import type { Mixed } from './mixed';
import type { After, Lane, LayerKind, StepKind } from './rules/rule';

/** The nouns of the route: steps, what they lay, and the links between them. */

/** A colour call with what was chosen for it. */
export interface RouteCall {
  code: string;
  name: string;
  zones: string[];
  /** It covers a good part of the airframe. */
  large?: boolean;
  lab: Lab | null;
  /** How many coats it will take; null where nobody can tell. */
  coats: number | null;
  /** What is laid under it beside the ground of the whole build, by name. */
  ground?: string | null;
  /** Wet passes of a few per cent of another paint, over it. */
  filter?: (Coat & { label: string; percent: number; passes: number }) | null;
  /** How it is brought on; an airbrush where nothing is said. */
  way?: Way;
  /** Why that way. */
  wayBecause?: string;
  paint: (Coat & { id: string; label: string; kind: PaintKind; finish: Finish }) | null;
}

export interface RouteMarking {
  id: string;
  title: string;
  zone: string;
  method: MarkingMethod;
  /** How many of it go on; one where nothing is said. */
  pieces?: number;
  /** One of the many small ones: they go on quickly, and no general step for stencils is needed beside them. */
  isStencil?: boolean;
  /** Its colours, where it is painted. */
  calls?: RouteCall[];
}

/** What a step leaves on the model. */
export interface StepLayer extends Coat {
  what: LayerKind;
  code: string | null;
  /** The paint by name, for whoever has to do it again. */
  paint: string;
  coats: number;
  /** Everywhere of a kind, where it is not of the step's own zones only. */
  covers: Cover | null;
}

/** What a general coat leaves behind: on the zones of its step, or on all that it covers. */
export const layerOfCoat = (
  { what, title, chemistry, dries = {} }: Coat & { what: LayerKind; title: string },
  covers: Cover | null = null,
): StepLayer => ({ what, chemistry, dries, code: null, paint: title, coats: 1, covers });

/** A piece of work; a gate is one after which some questions can no longer be answered differently. */
export interface RouteStep {
  key: string;
  title: string;
  kind: StepKind;
  lane: Lane;
  minutes: Minutes;
  /** What they come from. */
  minutesFrom: string;
  /** How many times the usual minutes this builder takes for such work; null where he said the minutes himself. */
  pace: number | null;
  splittable: boolean;
  /** What is in the airbrush; null when none is used. */
  load: Load | null;
  /** It needs the booth, or the open air: whatever is sprayed. */
  booth: boolean;
  layer: StepLayer | null;
  /** The colour code that this step lays, for its swatch. */
  code: string | null;
  zones: string[];
  gate: string | null;
  /** What it lays is not ruled yet. */
  open: boolean;
  cautions: string[];
  why: string;
  /** The day before which it cannot begin, as while a part is on order. */
  notBefore: Day | null;
  /** What goes into the cup, where that was logged or said before. */
  mixed?: Mixed | null;
}

/** One filling of the airbrush, as far as cleaning out is concerned. */
export interface Load extends Coat {
  id: string;
  title: string;
  kind: PaintKind;
  lightness: number;
  /** It goes into an airbrush that is kept for it, and is never cleaned out for anything else. */
  ownAirbrush?: true;
}

export interface RouteLink {
  from: string;
  to: string;
  minLag: Minutes;
  maxLag: Minutes | null;
  why: string;
}

/** An edit of the builder that cannot be made as the route now is: it is kept and waits. */
export interface SleepingEdit {
  /** Its place among the edits. */
  index: number;
  says: string;
}

/** The whole network of steps of one brief. */
export interface Route {
  steps: RouteStep[];
  links: RouteLink[];
  /** On which zones general coats lie; none where nothing of the kind will be seen. */
  covered: Record<Cover, string[]>;
  /** Edits of the builder that cannot be made as it is now. */
  sleeping: SleepingEdit[];
  /** What was laid and lies no longer on some zones, by its step: a mishap took it. */
  lost: readonly { step: string; zones: readonly string[] }[];
}

/** The zones that a step lays something on, or works on: its own, and all that its coat covers. */
export const zonesOfStep = ({ zones, layer }: RouteStep, covered: Route['covered']): string[] =>
  layer?.covers ? [...new Set([...zones, ...covered[layer.covers]])] : zones;

/** Where what a step lays still lies: all zones that it lays it on, less those that a mishap took it from. */
export function zonesLaid(step: RouteStep, { covered, lost }: Pick<Route, 'covered' | 'lost'>): string[] {
  const zones = zonesOfStep(step, covered);
  const gone = lost.filter((one) => one.step === step.key);
  return gone.length === 0 ? zones : zones.filter((zone) => !gone.some((one) => one.zones.includes(zone)));
}

/** A step that no rule of every build holds: after some of the rules' steps, before others. */
export interface Addition {
  step: RouteStep;
  after: readonly After[];
  before: readonly string[];
  /** What it makes waits so long before what follows; none where it is left out. */
  then?: WaitName;
}

/** A run of steps let in at a joint: those that start it, those that end it, and what lies between. */
export interface Insert {
  steps: RouteStep[];
  links: RouteLink[];
  first: string[];
  /** Ends with the wait before the next work may touch it. */
  last: { key: string; wait: Minutes; why: string }[];
}

export const stepOf = (
  key: string,
  title: string,
  kind: StepKind,
  lane: Lane,
  minutes: Minutes,
  over: Partial<RouteStep> = {},
): RouteStep => ({
  key,
  title,
  kind,
  lane,
  minutes,
  minutesFrom: `${minutes} min: typical for this work; your log corrects it`,
  pace: 1,
  splittable: false,
  load: null,
  booth: over.load != null,
  layer: null,
  code: null,
  zones: [],
  gate: null,
  open: false,
  cautions: [],
  why: '',
  notBefore: null,
  ...over,
});
