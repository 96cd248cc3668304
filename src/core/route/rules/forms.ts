import type { Machine } from '@/core/kit/machine';
import type { Lane } from '@/core/work/kinds';
import type { StepRule } from './rule';

/** Which rules hold for a main subject that is no aircraft. */

/** From the box to the last look, whatever is built. */
const OF_ALL: readonly string[] = [
  'options',
  'wash-sprues',
  'check-parts',
  'mark-replaced',
  // Where colours are let in, whatever there is to be painted.
  'interior',
  'bays',
  'parts',
  'part-markings',
  'degrease',
  'prime',
  'prime-paint',
  'inspect',
  'mend',
  'sand-mend',
  'prime-again',
  'prime-paint-again',
  'polish-ground',
  'gate:colour',
  'spray-out',
  'shade',
  'black-base',
  'marble',
  'colours',
  'test-chips',
  'highlight',
  'highlight-brushed',
  'look-over',
  'touch-up',
  'gloss',
  'gate:seal',
  'test-decal',
  'markings',
  'stencils',
  'soften',
  'clean-decals',
  'seal',
  'matt-for-wash',
  'wash:upper',
  'wipe:upper',
  'matt-for-oils',
  'last-gloss',
  'last-satin',
  'matt',
  'last-look',
];

const OF_SHIPS: readonly string[] = [
  'weld-seams',
  'seams-fuselage',
  'fill-shallow',
  'fill-seams',
  'sand-seams',
  'rescribe',
  'tone-metal',
  'wash:port',
  'wipe:port',
  'wash:starboard',
  'wipe:starboard',
  'streaks',
  'chips',
  'chips-for-fluid',
  'neglect',
  'derelict',
  'rust',
  'growth',
  'prime-parts',
  'aerials',
];

const HELD: Readonly<Record<Exclude<Machine['form'], 'aircraft'>, ReadonlySet<string>>> = {
  ship: new Set([...OF_ALL, ...OF_SHIPS]),
  base: new Set(OF_ALL),
};

/** What the lanes are called where they are no aircraft's. */
const LANES_OF: Readonly<Record<Machine['form'], Partial<Record<Lane, string>>>> = {
  aircraft: {},
  ship: { Fuselage: 'Hull', 'Gear, stores': 'Fittings' },
  base: { Fuselage: 'Board' },
};
export const laneTitle = (lane: Lane, form: Machine['form']): string => LANES_OF[form][lane] ?? lane;

/** Whether a rule is for such a main subject: for an aircraft, all that name no other; for others, what is theirs and what holds for all. */
export const holdsFor = ({ key, on }: StepRule, form: Machine['form']): boolean => {
  const own = on?.form;
  if (own) return (own as readonly string[]).includes(form);
  return form === 'aircraft' || HELD[form].has(key);
};
