import type { StepRule } from './rule';

/** Clean parts, all of them there. */
export const CLEAN: readonly StepRule[] = [
  {
    key: 'wash-sprues',
    title: 'Wash the sprues',
    kind: 'wash',
    lane: 'Whole',
    minutes: 20,
    after: [],
    why: 'release agent lets paint and masks lift',
  },
  {
    key: 'check-parts',
    title: 'Check for broken and missing parts',
    kind: 'inspect',
    lane: 'Whole',
    minutes: 20,
    after: [{ step: 'wash-sprues', wait: 'wash' }, 'options'],
  },
];
