import { BLADE, CA, CEMENT, SPRAY } from './cautions';
import type { StepRule } from './rule';

/** What a ship or a base as the main subject is built by, beside what all builds have. */

/** Between the box and the seams. */
export const HULL: readonly StepRule[] = [
  {
    key: 'join-hull',
    title: 'Join the hull and fix its decks, dry first',
    kind: 'glue',
    lane: 'Fuselage',
    minutes: { work: 'glue', along: 'fuselage' },
    after: ['check-parts', 'mark-replaced'],
    on: { form: ['ship'] },
    caution: CEMENT,
    why: 'a hull that is twisted shows along its whole waterline: let it set on a flat board',
  },
  {
    key: 'base-slab',
    title: 'Cut the board and its edge, seal what is of foam',
    kind: 'assemble',
    lane: 'Fuselage',
    minutes: 30,
    after: ['check-parts'],
    on: { form: ['base'] },
    caution: BLADE,
    why: 'solvents of paint and glue eat foam that is bare',
  },
  {
    key: 'groundwork',
    title: 'Lay the groundwork and press in what stands on it, to leave its marks',
    kind: 'assemble',
    lane: 'Fuselage',
    minutes: 45,
    after: ['base-slab'],
    on: { form: ['base'] },
    why: 'wheels and feet leave marks: they are pressed in while it is soft',
  },
];

/** Before the hull is degreased. */
export const ISLANDS: readonly StepRule[] = [
  {
    key: 'build-islands',
    title: 'Build islands and decks, each level tried on the one below',
    kind: 'assemble',
    lane: 'Fuselage',
    minutes: { work: 'build', parts: 30 },
    after: ['check-parts'],
    on: { form: ['ship'] },
    splittable: true,
    caution: CEMENT,
    why: 'what no brush reaches later stays apart until it is painted',
  },
];

export const FITTINGS: readonly StepRule[] = [
  {
    key: 'build-fittings',
    title: 'Build masts, boats and fittings, on sticks',
    kind: 'assemble',
    lane: 'Gear, stores',
    minutes: { work: 'build', parts: 40 },
    after: ['check-parts'],
    on: { form: ['ship'] },
    splittable: true,
    caution: BLADE,
  },
];

export const FITTED: readonly StepRule[] = [
  {
    key: 'fit-fittings',
    title: 'Fit boats and fittings, then masts, from the middle outwards',
    kind: 'fit',
    lane: 'Whole',
    minutes: { work: 'fit', parts: 40 },
    after: ['part-markings', { step: 'matt', until: 'handle', why: 'handled dry' }],
    on: { form: ['ship'] },
    splittable: true,
    caution: CA,
    why: 'what sticks out farthest comes last: sleeves tear it off',
  },
];

/** Poured and grown over paint. */
export const POURED: readonly StepRule[] = [
  {
    key: 'water-over',
    title: 'Grass, scrub or the first layer of water, over the paint',
    kind: 'assemble',
    lane: 'Base',
    minutes: 40,
    after: [{ step: 'matt', until: 'cure', why: 'resin and glue eat paint that is soft' }],
    on: { form: ['base'] },
    caution: SPRAY,
    why: 'thin layers, a day each: a thick one stays cloudy',
  },
];
