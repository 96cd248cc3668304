import type { Lab } from '@/core/colour/types';
import type { Machine } from '@/core/kit/machine';
import { coveredWith, type Zone } from '@/core/outline/zones';
import type { Chemistry } from '@/core/paint/chemistry';
import type { LayerKind, StepKind } from '@/core/work/kinds';
import { CARE_STRENGTH, FADE, type Exposure } from './exposure';

/** Where in the order of work an effect lies: under the gloss, between the clears, or on the last one. */
export type Place = 'ground' | 'body' | 'last';

type On = Pick<Zone, 'group' | 'faces' | 'station'>;

/** One way in which use and weather show. */
export interface Effect {
  title: string;
  what: LayerKind;
  kind: StepKind;
  chemistry: Chemistry;
  place: Place;
  /** How strong, 0 for not at all; 1 is what a usual machine shows. */
  strength: (exposure: Exposure, machine: Machine) => number;
  on: (zone: On, machine: Machine) => boolean;
  /** The colour that it wants; from the base colour where it depends on it. */
  colour: (exposure: Exposure, base: Lab | null) => Lab;
  /** Its largest mark on the real machine, mm, at strength 1; null where it is no mark. */
  largestMm: number | null;
  /** How wide such a mark is, mm; it has to be seen. */
  wideMm: number | null;
  /** Of the area of its zones, how much it covers at strength 1. */
  share: number;
  how: string;
  test: string;
  /** Rules of the route that it stands for. */
  instead: readonly string[];
}

const outside = ({ group }: On) => coveredWith(group) === 'outside';
const isUpper = (zone: On) => outside(zone) && zone.faces === 'up';
const isLower = ({ faces }: On) => faces === 'down';
const isSide = ({ group, faces }: On) => group === 'fuselage' && faces !== 'down';
const isAft = ({ station }: On) => station === 'rear' || station === 'middle';
const isEngine = ({ group }: On) => group === 'engines';

/** What the exhausts of a machine stain, by where they are. */
const STAINED: Record<Machine['exhausts'], (zone: On) => boolean> = {
  cowling: (zone) => isEngine(zone) || (isSide(zone) && (zone.station === 'front' || zone.station === 'middle')),
  nacelles: (zone) => isEngine(zone) && zone.station !== 'front',
  tail: (zone) => isSide(zone) && zone.station === 'rear',
  body: (zone) => isSide(zone) && zone.station === 'middle',
  none: () => false,
};

/** Earth, sand, mud, by what it rolled on and where. */
const dustColour = ({ climate, ground }: Exposure): Lab => {
  if (climate === 'desert') return [72, 6, 24];
  if (climate === 'tropical') return [46, 18, 28];
  if (ground === 'tarmac') return [58, 1, 6];
  return [50, 6, 18];
};

export const EFFECTS = {
  fade: {
    title: 'Sun fade',
    what: 'tone',
    kind: 'spray',
    chemistry: 'WA',
    place: 'ground',
    strength: ({ climate, care }) => (FADE[climate] / 1.5) * CARE_STRENGTH[care],
    on: isUpper,
    colour: (_, base) => (base ? [base[0] + 0.35 * (95 - base[0]), base[1] * 0.7, base[2] * 0.7] : [80, 0, 4]),
    largestMm: null,
    wideMm: null,
    share: 0.6,
    how: 'The base colour with 5 % white, cloudy, inside the panels; above only: what faces down keeps its colour.',
    test: 'Three steps on card, 5, 10 and 15 %, judged dry at arm’s length.',
    instead: ['highlight', 'highlight-brushed'],
  },
  filter: {
    title: 'Filter',
    what: 'tone',
    kind: 'washcoat',
    chemistry: 'EW',
    place: 'body',
    strength: ({ care }) => CARE_STRENGTH[care] * 0.8,
    on: outside,
    colour: dustColour,
    largestMm: null,
    wideMm: null,
    share: 0.08,
    how: 'So many parts in a hundred, a broad damp brush, no puddles; each pass dry before the next.',
    test: 'On the test piece with the same clear: two passes must still let the base colour speak.',
    instead: [],
  },
  streaks: {
    title: 'Streaks along the airflow',
    what: 'oil',
    kind: 'oil',
    chemistry: 'OI',
    place: 'body',
    strength: ({ care }) => CARE_STRENGTH[care],
    on: (zone) => isSide(zone) || isLower(zone),
    colour: () => [30, 4, 10],
    largestMm: 600,
    wideMm: 20,
    share: 0.06,
    how: 'Dots of drained oil at fillers, hinges and drains, drawn back with a flat brush that is barely damp.',
    test: 'On a spare half: the length that looks right is shorter than one thinks.',
    instead: ['streaks', 'neglect'],
  },
  leak: {
    title: 'Engine oil on the belly',
    what: 'oil',
    kind: 'oil',
    chemistry: 'OI',
    place: 'body',
    strength: ({ care }, { power }) => (power === 'jet' || power === 'none' ? 0 : CARE_STRENGTH[care]),
    on: (zone) => zone.group === 'fuselage' && isLower(zone),
    colour: () => [18, 3, 8],
    largestMm: 1800,
    wideMm: 40,
    share: 0.15,
    how: 'Thin, from the lip of the cowling aft, thinner with the way; a few drips across the first frames.',
    test: 'One streak, wiped off again while it is wet.',
    instead: [],
  },
  exhaust: {
    title: 'Exhaust',
    what: 'tone',
    kind: 'spray',
    chemistry: 'AL',
    place: 'body',
    strength: ({ care }, { power }) => (power === 'none' ? 0 : power === 'jet' ? 0.5 : 1) * CARE_STRENGTH[care],
    on: (zone, { exhausts }) => STAINED[exhausts](zone),
    colour: ({ climate }) => (climate === 'desert' ? [42, 3, 10] : [24, 2, 6]),
    largestMm: 1500,
    wideMm: 120,
    share: 0.25,
    how: 'A quarter paint and the rest thinner, at low pressure, in many passes from the stub aft; light ash in the middle.',
    test: 'On paper until it barely marks.',
    instead: ['exhaust', 'exhaust-pigment'],
  },
  chips: {
    title: 'Chips',
    what: 'chip',
    kind: 'chip',
    chemistry: 'WA',
    place: 'body',
    strength: ({ care, skin }) => CARE_STRENGTH[care] * (skin === 'metal' ? 1 : 0.5),
    on: (zone) => isEngine(zone) || (isUpper(zone) && zone.group === 'wings') || zone.group === 'gear',
    colour: ({ skin }) => (skin === 'metal' ? [76, 0, 1] : skin === 'composite' ? [62, 0, 2] : [58, 12, 28]),
    largestMm: 40,
    wideMm: 40,
    share: 0.02,
    how: 'Where feet and hands go and where panels are taken off; sponge first, then join the largest with a brush.',
    test: 'Three dabs on paper until the sponge is nearly dry.',
    instead: ['chips', 'chips-for-fluid'],
  },
  salt: {
    title: 'Salt',
    what: 'pigment',
    kind: 'pigment',
    chemistry: 'WA',
    place: 'last',
    strength: ({ climate, ground, care }) =>
      climate === 'sea' || ground === 'water' || ground === 'deck' ? CARE_STRENGTH[care] : 0,
    on: (zone) => outside(zone) && (isLower(zone) || isSide(zone)),
    colour: () => [88, 0, 3],
    largestMm: 250,
    wideMm: 60,
    share: 0.12,
    how: 'Pale pigment thinned in water, as tide marks low down, streaked aft.',
    test: 'Let it dry first: it comes up much whiter than it goes on.',
    instead: [],
  },
  dust: {
    title: 'Dust and mud from the wheels',
    what: 'pigment',
    kind: 'pigment',
    chemistry: 'WA',
    place: 'last',
    strength: ({ ground, care }) =>
      ({ grass: 0.8, dirt: 1.2, tarmac: 0.4, deck: 0, snow: 0.2, water: 0 })[ground] * CARE_STRENGTH[care],
    on: (zone) => zone.group === 'gear' || (isLower(zone) && (zone.group === 'wings' || isAft(zone))),
    colour: dustColour,
    largestMm: 120,
    wideMm: 60,
    share: 0.2,
    how: 'Behind the wheels in the arc that they throw, and on the tyres; never under a wet coat afterwards.',
    test: 'A pinch on the spare wheel, fixed with spirit from below.',
    instead: ['dust'],
  },
} as const satisfies Record<string, Effect>;
export type EffectName = keyof typeof EFFECTS;
export const EFFECT_NAMES = Object.keys(EFFECTS) as [EffectName, ...EffectName[]];
