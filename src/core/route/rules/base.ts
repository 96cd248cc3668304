import { SPRAY } from './cautions';
import type { StepRule } from './rule';

/** Base and display. */
export const BASE: readonly StepRule[] = [
  {
    key: 'base-ground',
    title: 'Cut the base and lay the groundwork',
    kind: 'assemble',
    lane: 'Base',
    minutes: { work: 'build', parts: 20 },
    after: ['options'],
    where: { stand: ['a base'] },
    when: ({ baseBeside }) => !baseBeside,
    splittable: true,
  },
  {
    key: 'base-paint',
    title: 'Paint the base',
    kind: 'spray',
    lane: 'Base',
    minutes: { work: 'build', parts: 10 },
    after: [{ step: 'base-ground', wait: 'water' }],
    where: { stand: ['a base'] },
    when: ({ baseBeside }) => !baseBeside,
    lays: 'dark',
    caution: SPRAY,
  },
  {
    key: 'mount',
    title: 'Mount on the base or rod',
    kind: 'fit',
    lane: 'Base',
    minutes: { work: 'fit', parts: 8 },
    after: ['aerials', 'base-paint'],
    where: { stand: ['a rod', 'a base'] },
    when: ({ baseBeside, options }) => !baseBeside || options.stand === 'a rod',
  },
];
