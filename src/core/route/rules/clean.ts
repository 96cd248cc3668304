import type { StepRule } from './rule';

/** Clean parts, all of them there. */
export const CLEAN: readonly StepRule[] = [
  {
    key: 'wash-sprues',
    title: 'Wash the sprues',
    kind: 'wash',
    lane: 'Whole',
    minutes: { work: 'clean', of: () => true },
    after: [],
    why: 'release agent lets paint and masks lift',
  },
  {
    key: 'check-parts',
    title: 'Check for broken and missing parts',
    kind: 'inspect',
    lane: 'Whole',
    minutes: { work: 'look', parts: 60 },
    after: [{ step: 'wash-sprues', wait: 'wash' }, 'options'],
  },
  {
    key: 'mark-replaced',
    title: 'Cross out in the instructions what etched, resin and turned parts replace',
    kind: 'inspect',
    lane: 'Whole',
    minutes: { work: 'look', parts: 25 },
    after: ['check-parts'],
    when: ({ replaces }) => replaces,
    why: 'a kit part that is glued in first has to be cut out again',
  },
];
