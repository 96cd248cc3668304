import type { WaitName } from '@/core/paint/drying';
import type { Minutes } from '@/core/units/minutes';
import type { RouteLink, RouteStep } from '@/core/work/step';
import type { After } from './rules/rule';

/** Steps that are let in among those of the rules. */

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
