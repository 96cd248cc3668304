import { SPRAY } from './cautions';
import type { StepRule } from './rule';

/** The scheme, round the joint where the calls are let in. */
export const COLOURS: readonly StepRule[] = [
  {
    key: 'gate:colour',
    title: 'Begin the colours',
    kind: 'decide',
    lane: 'Whole',
    minutes: 10,
    after: [{ step: 'prime-again', until: 'mask', why: 'primer may be masked' }],
    gate: 'colour',
    why: 'codes, boundaries and paints are fixed from here on',
  },
  {
    key: 'shade',
    title: 'Pre-shade panel lines',
    kind: 'spray',
    lane: 'Whole',
    minutes: 35,
    after: ['gate:colour'],
    where: { tonal: ['pre-shaded'] },
    lays: 'dark',
    caution: SPRAY,
    why: 'the coats over it must stay translucent',
    covers: 'outside',
  },
  {
    key: 'black-base',
    title: 'Black base coat',
    kind: 'spray',
    lane: 'Whole',
    minutes: 25,
    after: ['gate:colour'],
    where: { tonal: ['black base'] },
    lays: 'dark',
    caution: SPRAY,
    covers: 'outside',
  },
  {
    key: 'colours',
    title: 'Colours',
    kind: 'spray',
    lane: 'Whole',
    minutes: 0,
    after: ['shade', 'black-base', 'gate:colour'],
  },
  { key: 'unmask', title: 'Unmask and inspect', kind: 'unmask', lane: 'Whole', minutes: 25, after: ['colours'] },
  { key: 'touch-up', title: 'Mend overspray', kind: 'mend', lane: 'Whole', minutes: 30, after: ['unmask'] },
];
