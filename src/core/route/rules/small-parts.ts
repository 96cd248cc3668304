import { BLADE, CEMENT, SPIRIT } from './cautions';
import { rotor, wheelsDown, weathered, propelled } from './conditions';
import type { StepRule } from './rule';

/** What is built and painted apart. */
export const SMALL_PARTS: readonly StepRule[] = [
  {
    key: 'build-gear',
    title: 'Build the gear',
    kind: 'assemble',
    lane: 'Gear, stores',
    minutes: 30,
    after: ['check-parts'],
    when: (f) => wheelsDown(f) && (f.has('gear-main') || f.has('skids')),
    caution: BLADE,
  },
  {
    key: 'build-stores',
    title: 'Build the stores',
    kind: 'assemble',
    lane: 'Gear, stores',
    minutes: 30,
    after: ['check-parts'],
    when: (f) => f.options.stores !== 'none',
    caution: CEMENT,
  },
  {
    key: 'build-propeller',
    title: 'Build propeller and spinner',
    kind: 'assemble',
    lane: 'Gear, stores',
    minutes: 20,
    after: ['check-parts'],
    when: propelled,
  },
  {
    key: 'build-rotor',
    title: 'Build rotor head and blades',
    kind: 'assemble',
    lane: 'Gear, stores',
    minutes: 45,
    after: ['check-parts', 'hinges'],
    when: rotor,
    caution: BLADE,
  },
  {
    key: 'exhausts',
    title: 'Paint the exhausts',
    kind: 'brush',
    lane: 'Gear, stores',
    minutes: 20,
    after: ['check-parts'],
  },
  {
    key: 'parts',
    title: 'Colours of the small parts',
    kind: 'spray',
    lane: 'Gear, stores',
    minutes: 0,
    after: ['build-gear', 'build-stores', 'build-propeller', 'build-rotor'],
  },
  {
    key: 'weather-gear',
    title: 'Wash gear and wheels',
    kind: 'washcoat',
    lane: 'Gear, stores',
    minutes: 20,
    after: ['parts'],
    when: (f) => weathered(f) && wheelsDown(f),
    caution: SPIRIT,
    lays: 'wash',
  },
];
