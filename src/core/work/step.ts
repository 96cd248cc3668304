import type { Machine } from '@/core/kit/machine';
import type { SchoolName } from '@/core/kit/options';
import type { Cover } from '@/core/outline/zones';
import type { PaintKind } from '@/core/paint/catalogue';
import type { CoatRole } from '@/core/paint/coat-roles';
import type { Caution } from '@/core/paint/caution';
import type { Coat } from '@/core/paint/drying';
import type { Day } from '@/core/units/day';
import type { Minutes } from '@/core/units/minutes';
import { rememberedFor } from '@/core/units/remembered';
import type { Family, Joint, Lane, Stage, StepKind } from './kinds';
import type { Layer } from './layer';
import type { Masking } from './masking';
import type { Mixed } from './mixed';

/** The nouns of the route: steps, what they lay, and the links between them. */

/** A piece of work; a gate is one after which some questions can no longer be answered differently. */
export interface RouteStep {
  /** Its name among the others: it stays as long as the work does, and nothing is read out of it. */
  key: string;
  title: string;
  kind: StepKind;
  lane: Lane;
  stage: Stage;
  family: Family;
  /** Where it was let in among the rules; null for what is none of the colours and markings. */
  joint: Joint | null;
  /** Of what is modelled beside the machine: whose work it is, by its name in zones. */
  subject: string | null;
  /** The marking that it makes. */
  marking: string | null;
  /** The schools by whose choice it is there, or is as it is. */
  schools: readonly SchoolName[];
  /** Tape that it puts on or takes off, by the step that is sprayed over it, or by what it protects. */
  tape: { of: string; goes: 'on' | 'off' } | null;
  /** Other steps that leave the same behind: where one of them is laid, this one is done. */
  alike: readonly string[];
  /** What it masks; null for what masks no colours. */
  masking: Masking | null;
  /** The step whose work it does again where something took that off; null where it does none again. */
  again: string | null;
  minutes: Minutes;
  /** What they come from. */
  minutesFrom: string;
  /** How many times the usual minutes this builder takes for such work; null where he said the minutes himself. */
  pace: number | null;
  splittable: boolean;
  /** Coats that it lays one after the other: one may stop between them. */
  passes: number;
  /** What is in the airbrush; null when none is used. */
  load: Load | null;
  /** It needs the booth, or the open air: whatever is sprayed. */
  booth: boolean;
  /** What it leaves on its zones, from below. */
  lays: readonly Layer[];
  /** The general coat that it lays, where its product is chosen. */
  coat: CoatRole | null;
  /** The colour code that this step lays, for its swatch. */
  code: string | null;
  /** All zones that it works on. */
  zones: string[];
  /** Where it paints less than its zones, so much, cm2 on the model; null for all of them. */
  areaCm2: number | null;
  /** They are all of a kind, so that nobody names them one by one. */
  general: Cover | null;
  gate: string | null;
  /** What it lays is not ruled yet. */
  open: boolean;
  cautions: Caution[];
  why: string;
  /** The instant before which it cannot begin: what lies under it dries until then; null where nothing does. */
  dryAt: string | null;
  /** The step of which it is a part that is done by itself; null for a whole one. */
  of: string | null;
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
  /** What is built: some rules are of aircraft alone. */
  form: Machine['form'];
  steps: RouteStep[];
  links: RouteLink[];
  /** On which zones general coats lie; none where nothing of the kind will be seen. */
  covered: Record<Cover, string[]>;
  /** Edits of the builder that cannot be made as it is now. */
  sleeping: SleepingEdit[];
}

/** Each step of a route by its key; made once for a route. */
export const stepsByKey = rememberedFor(
  ({ steps }: Pick<Route, 'steps'>): ReadonlyMap<string, RouteStep> => new Map(steps.map((step) => [step.key, step])),
);

/** Whether it lays the colour of a code. */
export const laysColour = ({ lays }: Pick<RouteStep, 'lays'>, code: string): boolean =>
  lays.some((layer) => layer.what === 'colour' && layer.code === code);

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
  minutesFrom: `${minutes} min: typical for this work`,
  pace: 1,
  splittable: false,
  passes: 1,
  load: null,
  stage: lane === 'Base' ? 'base' : 'clean',
  family: 'rule',
  joint: null,
  subject: null,
  marking: null,
  schools: [],
  tape: null,
  masking: null,
  alike: [],
  again: null,
  booth: over.load != null,
  lays: [],
  coat: null,
  code: null,
  zones: [],
  areaCm2: null,
  general: null,
  gate: null,
  open: false,
  cautions: [],
  why: '',
  notBefore: null,
  dryAt: null,
  of: null,
  ...over,
});
