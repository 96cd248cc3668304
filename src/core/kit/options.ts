import { among, type Among } from './among';
import type { Machine } from './machine';

const LANDING = ['wheels', 'skis', 'floats', 'skids'] as const;
export type Landing = (typeof LANDING)[number];

export interface Choice {
  title: string;
  choices: readonly [string, ...string[]];
  /** What is taken while nobody chose. */
  usual: string;
  /** Machines that have this choice at all; all where it is left out. */
  only?: Among<Machine>;
  /** "gear down", "lands on skis": a choice as a sentence has it. */
  said: (value: string) => string;
}
/** Nothing of it is asked of a ship or a base. */
const AIRCRAFT = { form: ['aircraft'] } satisfies Among<Machine>;

const choices = <const T extends Record<string, Choice>>(table: T) => table;

/** The choices of one build: each changes parts, fits, holes and the route. */
export const OPTION_CHOICES = choices({
  state: {
    title: 'State of the machine',
    choices: ['parked', 'running', 'hovering', 'flying', 'stored', 'derelict'],
    usual: 'parked',
    only: AIRCRAFT,
    said: (value) => value,
  },
  canopy: {
    title: 'Canopy and hoods',
    choices: ['closed', 'open'],
    usual: 'closed',
    only: { glazing: ['canopy', 'cabin', 'nose'] },
    said: (value) => `canopy ${value}`,
  },
  doors: {
    title: 'Doors and hatches',
    choices: ['closed', 'open'],
    usual: 'closed',
    only: AIRCRAFT,
    said: (value) => `doors ${value}`,
  },
  gear: { title: 'Gear', choices: ['down', 'up'], usual: 'down', only: AIRCRAFT, said: (value) => `gear ${value}` },
  landing: {
    title: 'Lands on',
    choices: LANDING,
    usual: 'wheels',
    only: AIRCRAFT,
    said: (value) => `lands on ${value}`,
  },
  flaps: {
    title: 'Flaps and slats',
    choices: ['up', 'down'],
    usual: 'up',
    only: { wings: ['fixed', 'swing'] },
    said: (value) => `flaps ${value}`,
  },
  wings: {
    title: 'Wings or blades',
    choices: ['spread', 'folded'],
    usual: 'spread',
    only: AIRCRAFT,
    said: (value) => `wings or blades ${value}`,
  },
  sweep: {
    title: 'Moving wings',
    choices: ['forward', 'swept'],
    usual: 'forward',
    only: { wings: ['swing'] },
    said: (value) => `wings ${value}`,
  },
  blades: {
    title: 'Rotor blades',
    choices: ['level', 'drooping', 'tied down'],
    usual: 'drooping',
    only: { power: ['rotor', 'rotor and propeller'] },
    said: (value) => `blades ${value}`,
  },
  stores: {
    title: 'Stores',
    choices: ['none', 'tanks', 'loads'],
    usual: 'none',
    only: AIRCRAFT,
    said: (value) => (value === 'none' ? 'no stores' : `with ${value}`),
  },
  crew: {
    title: 'Crew',
    choices: ['none', 'aboard'],
    usual: 'none',
    only: AIRCRAFT,
    said: (value) => (value === 'none' ? 'nobody aboard' : 'crew aboard'),
  },
  lights: {
    title: 'Lights',
    choices: ['painted', 'lenses', 'lit'],
    usual: 'painted',
    only: AIRCRAFT,
    said: (value) => `lights ${value === 'lenses' ? 'as lenses' : value}`,
  },
  stand: {
    title: 'Stands on',
    choices: ['its gear', 'a rod', 'a base'],
    usual: 'its gear',
    only: AIRCRAFT,
    said: (value) => `stands on ${value}`,
  },
  tonal: {
    title: 'Light and shade',
    choices: ['plain', 'pre-shaded', 'black base'],
    usual: 'pre-shaded',
    said: (value) =>
      value === 'plain' ? 'plain coats' : value === 'pre-shaded' ? 'pre-shaded coats' : 'coats over a black base',
  },
  priming: {
    title: 'Priming',
    choices: ['primer', 'paint as primer'],
    usual: 'primer',
    said: (value) => (value === 'primer' ? 'primed with a primer' : 'a paint as primer'),
  },
  cockpit: {
    title: 'Cockpit',
    choices: ['assembled first', 'painted on sticks'],
    usual: 'assembled first',
    only: AIRCRAFT,
    said: (value) => (value === 'assembled first' ? 'cockpit assembled before paint' : 'cockpit painted on sticks'),
  },
  undercoats: {
    title: 'Undercoats',
    choices: ['as chosen', 'white', 'warm'],
    usual: 'as chosen',
    said: (value) =>
      value === 'as chosen'
        ? 'undercoats as chosen for each colour'
        : value === 'white'
          ? 'white under all that hides badly'
          : 'pink under yellow and cream, white under red',
  },
  gearOn: {
    title: 'Gear goes on',
    choices: ['after paint', 'before paint', 'inside its bays'],
    usual: 'after paint',
    only: AIRCRAFT,
    said: (value) => (value === 'inside its bays' ? 'gear assembled inside its bays' : `gear on ${value}`),
  },
  clearParts: {
    title: 'Canopy goes on',
    choices: ['before paint', 'after paint'],
    usual: 'before paint',
    only: { glazing: ['canopy'] },
    said: (value) => `canopy on ${value}`,
  },
  rigging: {
    title: 'Rigging',
    choices: ['stretched thread', 'wire', 'none'],
    usual: 'stretched thread',
    only: { wires: ['braced'] },
    said: (value) => (value === 'none' ? 'not rigged' : `rigged with ${value}`),
  },
  washOver: {
    title: 'Wash over',
    choices: ['gloss', 'matt'],
    usual: 'gloss',
    said: (value) => (value === 'gloss' ? 'wash over gloss' : 'wash over matt'),
  },
  chips: {
    title: 'Chips',
    choices: ['sponge on top', 'fluid beneath', 'none'],
    usual: 'sponge on top',
    said: (value) =>
      value === 'none' ? 'no chips' : value === 'sponge on top' ? 'chips sponged on top' : 'chips over a fluid beneath',
  },
  decalGround: {
    title: 'Ground of decals',
    choices: ['gloss coat', 'straight on'],
    usual: 'gloss coat',
    said: (value) => (value === 'gloss coat' ? 'decals on a gloss coat' : 'decals straight on the colour'),
  },
  weathering: {
    title: 'Weathering',
    choices: ['none', 'in service', 'neglected', 'derelict'],
    usual: 'in service',
    said: (value) => (value === 'none' ? 'not weathered' : `weathered as ${value}`),
  },
});

export type OptionName = keyof typeof OPTION_CHOICES;
export const OPTION_NAMES = Object.keys(OPTION_CHOICES) as OptionName[];
/** Options on which builders disagree: not what is built, but how. */
export const SCHOOL_NAMES = [
  'tonal',
  'priming',
  'cockpit',
  'undercoats',
  'gearOn',
  'clearParts',
  'washOver',
  'chips',
  'decalGround',
  'weathering',
] as const satisfies OptionName[];
export type SchoolName = (typeof SCHOOL_NAMES)[number];
/** Schools that may differ from zone to zone. */
export const ZONED_SCHOOLS = ['tonal', 'washOver', 'chips'] as const satisfies SchoolName[];
/** Some zones that are done by another school than the rest. */
export interface SchoolAt {
  school: (typeof ZONED_SCHOOLS)[number];
  value: string;
  zones: readonly string[];
}
type ChoiceOf<N extends OptionName> = (typeof OPTION_CHOICES)[N]['choices'][number];
export type Options = { [N in OptionName]: ChoiceOf<N> };

export const DEFAULT_OPTIONS = Object.fromEntries(
  OPTION_NAMES.map((name) => [name, OPTION_CHOICES[name].usual]),
) as Options;

export const isChoice = (name: OptionName, value: string): boolean =>
  (OPTION_CHOICES[name].choices as readonly string[]).includes(value);

/** The options by which one zone is done: of several that name it, the last holds. */
export function optionsAt(options: Options, schoolsAt: readonly SchoolAt[], zone: string): Options {
  const own = schoolsAt.filter(({ zones }) => zones.includes(zone));
  return own.length === 0
    ? options
    : { ...options, ...Object.fromEntries(own.map(({ school, value }) => [school, value])) };
}

/** The choices that a machine has: no flaps on a rotorcraft, no sweep on fixed wings, no canopy over an open cockpit. */
export const optionsFor = (machine: Machine): OptionName[] =>
  OPTION_NAMES.filter((name) => among((OPTION_CHOICES[name] as Choice).only ?? {}, machine));

export const choiceSaid = (name: OptionName, value: string): string => OPTION_CHOICES[name].said(value);

export const optionsInWords = (options: Options, machine: Machine): string =>
  optionsFor(machine)
    .map((name) => choiceSaid(name, options[name]))
    .join(', ');
