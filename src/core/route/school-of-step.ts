import { OPTION_CHOICES, SCHOOL_NAMES, type Options, type SchoolName } from '@/core/kit/options';
import { RULES } from './rules';

/** Steps that are in every school, and are done by one all the same. */
const BY_SCHOOL: readonly (readonly [RegExp, SchoolName])[] = [
  [/^(wash|wipe):/, 'washOver'],
  [/^spray:.*:ground$/, 'undercoats'],
  [/^(fit|wrap|unwrap)-gear$/, 'gearOn'],
  [/^(fit|mask|unmask)-canopy$/, 'clearParts'],
];

/** The schools that a step belongs to, as they were chosen: "wash over gloss"; none where builders agree. */
export function schoolsOfStep(key: string, options: Options): { title: string; choice: string }[] {
  const where = RULES.find((rule) => rule.key === key)?.where ?? {};
  const names = SCHOOL_NAMES.filter(
    (name) => Object.hasOwn(where, name) || BY_SCHOOL.some(([pattern, school]) => school === name && pattern.test(key)),
  );
  return names.map((name) => ({ title: OPTION_CHOICES[name].title, choice: options[name] }));
}
