import { SPRAY } from './cautions';
import type { StepRule } from './rule';

/** A ground for them, the markings, and their seal. */
export const MARKINGS: readonly StepRule[] = [
  {
    key: 'gloss',
    title: 'Gloss coat',
    kind: 'seal',
    lane: 'Whole',
    minutes: 20,
    after: ['touch-up'],
    lays: 'clear',
    caution: SPRAY,
    why: 'decals and washes need a smooth ground',
    covers: 'outside',
  },
  {
    key: 'gate:seal',
    title: 'Begin the markings',
    kind: 'decide',
    lane: 'Whole',
    minutes: 10,
    after: [{ step: 'gloss', until: 'mask', why: 'the clear bears tape and may be wetted' }],
    gate: 'seal',
    why: 'sizes and places of markings are fixed from here on',
  },
  { key: 'markings', title: 'Markings', kind: 'decal', lane: 'Whole', minutes: 0, after: ['gate:seal'] },
  {
    key: 'stencils',
    title: 'Stencils, zone by zone',
    kind: 'decal',
    lane: 'Whole',
    minutes: 60,
    after: ['markings'],
    splittable: true,
  },
  {
    key: 'seal',
    title: 'Seal the markings',
    kind: 'seal',
    lane: 'Whole',
    minutes: 15,
    after: [{ step: 'stencils', wait: 'decalOvernight' }],
    lays: 'clear',
    caution: SPRAY,
    covers: 'outside',
  },
];
