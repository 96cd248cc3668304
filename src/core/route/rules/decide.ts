import type { StepRule } from './rule';

/** Before anything is cut from a sprue. */
export const DECIDE: readonly StepRule[] = [
  {
    key: 'options',
    title: 'Settle the options against the instructions',
    kind: 'decide',
    lane: 'Whole',
    minutes: { work: 'look', parts: 60 },
    after: [],
    why: 'each choice changes parts, fits and holes',
  },
];
