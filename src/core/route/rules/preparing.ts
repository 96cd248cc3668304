import { BLADE } from './cautions';
import { noseWheel, wingBays } from './conditions';
import type { StepRule } from './rule';

/** Glass, openings and grease before the first general coat. */
export const PREPARING: readonly StepRule[] = [
  {
    key: 'mask-canopy',
    title: 'Mask the canopy, inside and out',
    kind: 'mask',
    lane: 'Whole',
    minutes: 45,
    after: ['check-parts'],
    when: (f) => f.has('canopy'),
    splittable: true,
    caution: BLADE,
  },
  {
    key: 'fit-canopy',
    title: 'Fix the canopy and plug the cockpit',
    kind: 'glue',
    lane: 'Whole',
    minutes: 20,
    after: ['mask-canopy', 'seams-roots', 'fit-cockpit'],
    when: (f) => f.has('canopy'),
  },
  {
    key: 'plug-bays',
    title: 'Plug bays and intakes',
    kind: 'mask',
    lane: 'Whole',
    minutes: 25,
    after: ['seams-roots', 'bays'],
    when: (f) => noseWheel(f) || wingBays(f),
  },
  {
    key: 'degrease',
    title: 'Degrease without filling the model with water',
    kind: 'clean',
    lane: 'Whole',
    minutes: 15,
    after: ['seams-roots', 'rescribe', 'plug-bays', { step: 'fit-canopy', wait: 'pva' }],
  },
];
