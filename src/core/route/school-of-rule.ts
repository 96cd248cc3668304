import { SCHOOL_NAMES, type SchoolName } from '@/core/kit/options';
import type { StepRule } from './rules/rule';

/** The schools by whose choice a rule is there, or is done as it is; none where builders agree. */
export const schoolsOfRule = ({ where = {}, school }: StepRule): SchoolName[] =>
  SCHOOL_NAMES.filter((name) => name === school || Object.hasOwn(where, name));
