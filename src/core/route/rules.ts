import { FITTED, FITTINGS, HULL, ISLANDS, POURED } from './rules/afloat';
import { ASSEMBLY } from './rules/assembly';
import { BASE } from './rules/base';
import { CLEAN } from './rules/clean';
import { CLOSING } from './rules/closing';
import { COLOURS } from './rules/colours';
import { DECIDE } from './rules/decide';
import { GROUND } from './rules/ground';
import { INTERIOR } from './rules/interior';
import { MARKINGS } from './rules/markings';
import { PREPARING } from './rules/preparing';
import { SEAMS } from './rules/seams';
import { SMALL_PARTS } from './rules/small-parts';
import { WEATHERING } from './rules/weathering';
import type { Stage } from '@/core/work/kinds';
import type { StepRule } from './rules/rule';

/** The rules of each stage of a build. */
export const STAGES: Readonly<Record<Stage, readonly StepRule[]>> = {
  decide: DECIDE,
  clean: CLEAN,
  interior: INTERIOR,
  closing: [...CLOSING, ...HULL],
  seams: SEAMS,
  preparing: [...PREPARING, ...ISLANDS],
  ground: GROUND,
  colours: COLOURS,
  markings: MARKINGS,
  weathering: WEATHERING,
  'small-parts': [...SMALL_PARTS, ...FITTINGS],
  assembly: [...ASSEMBLY, ...FITTED],
  base: [...BASE, ...POURED],
};

/**
 * All rules, stage by stage, around the steps that the colours add: `interior`, `bays`, `parts`, `part-markings`, `colours` and `markings` are joints where
 * those are let in.
 */
export const RULES: readonly StepRule[] = Object.values(STAGES).flat();

/** The names of today by those that rules had before. */
const FORMER = new Map(RULES.flatMap(({ key, formerly = [] }) => formerly.map((name) => [name, key] as const)));

/** A step as it is called now, by whatever name a log has it. */
export const stepNow = (key: string): string => FORMER.get(key) ?? key;

/** The rules that wait for another one, directly. */
export const rulesAfter = (key: string): readonly StepRule[] =>
  RULES.filter(({ after }) => after.some((one) => (typeof one === 'string' ? one : one.step) === key));

const BY_RULE = new Map(
  (Object.keys(STAGES) as Stage[]).flatMap((stage) => STAGES[stage].map(({ key }) => [key, stage] as const)),
);
export const stageOfRule = (key: string): Stage => BY_RULE.get(key)!;
