import type { Finish, PaintKind } from '@/core/paint/catalogue';
import type { Coat } from '@/core/paint/drying';
import type { Lab } from '@/core/colour/types';
import type { Way } from '@/core/kit/applying';
import type { MarkingMethod } from '@/core/markings/kinds';
import type { Minutes } from '@/core/units/minutes';
import type { Day } from '@/core/units/day';
import type { After, Lane, LayerKind, StepKind } from './rules/rule';

/** The nouns of the route: steps, what they lay, and the links between them. */

/** A colour call with what was chosen for it. */
export interface RouteCall {
  code: string;
  name: string;
  zones: string[];
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
}

/** What a step leaves on the model. */
export interface StepLayer extends Coat {
  what: LayerKind;
  code: string | null;
  /** The paint by name, for whoever has to do it again. */
  paint: string;
  coats: number;
  /** Everywhere outside or inside, where it is not of the step's own zones only. */
  covers: 'outside' | 'inside' | null;
}

/** A piece of work; a gate is one after which some questions can no longer be answered differently. */
export interface RouteStep {
  key: string;
  title: string;
  kind: StepKind;
  lane: Lane;
  minutes: Minutes;
  /** What they come from. */
  minutesFrom: string;
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
  cautions: string[];
  why: string;
  /** The day before which it cannot begin, as while a part is on order. */
  notBefore: Day | null;
}

/** One filling of the airbrush, as far as cleaning out is concerned. */
export interface Load extends Coat {
  id: string;
  title: string;
  kind: PaintKind;
  lightness: number;
}

export interface RouteLink {
  from: string;
  to: string;
  minLag: Minutes;
  maxLag: Minutes | null;
  why: string;
}

/** The whole network of steps of one brief. */
export interface Route {
  steps: RouteStep[];
  links: RouteLink[];
}

/** A step that no rule of every build holds: after some of the rules' steps, before others. */
export interface Addition {
  step: RouteStep;
  after: readonly After[];
  before: readonly string[];
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
  splittable: false,
  load: null,
  booth: over.load != null,
  layer: null,
  code: null,
  zones: [],
  gate: null,
  cautions: [],
  why: '',
  notBefore: null,
  ...over,
});
