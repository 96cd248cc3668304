import { DUST, SPRAY } from './cautions';
import type { StepRule } from './rule';

/** Primer, and the loop of looking and mending. */
export const GROUND: readonly StepRule[] = [
  {
    key: 'prime',
    title: 'Prime',
    kind: 'spray',
    lane: 'Whole',
    minutes: 30,
    after: [{ step: 'degrease', wait: 'wash' }],
    lays: 'primer',
    caution: SPRAY,
    covers: 'outside',
  },
  {
    key: 'inspect',
    title: 'Inspect under the primer with a raking light',
    kind: 'inspect',
    lane: 'Whole',
    minutes: 25,
    after: [{ step: 'prime', until: 'handle', why: 'primer may be handled and sanded' }],
  },
  {
    key: 'mend',
    title: 'Fill the flaws that the light shows',
    kind: 'mend',
    lane: 'Whole',
    minutes: 30,
    after: ['inspect'],
    splittable: true,
    caution: DUST,
    why: 'one loop is planned; three are normal. Before you go on: no step, scratch or sink mark throws a shadow',
  },
  {
    key: 'sand-mend',
    title: 'Sand the mends, restore lost lines, wipe off the dust',
    kind: 'sand',
    lane: 'Whole',
    minutes: 25,
    after: [{ step: 'mend', wait: 'filler' }],
    splittable: true,
    caution: DUST,
  },
  {
    key: 'prime-again',
    title: 'Prime what was mended',
    kind: 'spray',
    lane: 'Whole',
    minutes: 15,
    after: [{ step: 'sand-mend', wait: 'wash' }],
    lays: 'primer',
    caution: SPRAY,
    covers: 'outside',
  },
];
