import { z } from 'zod';

export const LANDING = ['wheels', 'skis', 'floats'] as const;
export type Landing = (typeof LANDING)[number];

/** The choices of one build: each changes parts, fits, holes and the route. */
export const OPTION_CHOICES = {
  canopy: { title: 'Canopy', choices: ['closed', 'open'] },
  gear: { title: 'Gear', choices: ['down', 'up'] },
  landing: { title: 'Lands on', choices: LANDING },
  flaps: { title: 'Flaps', choices: ['up', 'down'] },
  wings: { title: 'Wings or blades', choices: ['spread', 'folded'] },
  stores: { title: 'Stores', choices: ['none', 'tanks', 'loads'] },
  stand: { title: 'Stands on', choices: ['its gear', 'a rod', 'a base'] },
  tonal: { title: 'Tonal school', choices: ['plain', 'pre-shaded', 'black base'] },
  weathering: { title: 'Weathering', choices: ['none', 'in service', 'neglected'] },
} as const;

export type OptionName = keyof typeof OPTION_CHOICES;
export const OPTION_NAMES = Object.keys(OPTION_CHOICES) as OptionName[];

export const optionsSchema = z.strictObject({
  canopy: z.enum(OPTION_CHOICES.canopy.choices),
  gear: z.enum(OPTION_CHOICES.gear.choices),
  landing: z.enum(OPTION_CHOICES.landing.choices),
  flaps: z.enum(OPTION_CHOICES.flaps.choices),
  wings: z.enum(OPTION_CHOICES.wings.choices),
  stores: z.enum(OPTION_CHOICES.stores.choices),
  stand: z.enum(OPTION_CHOICES.stand.choices),
  tonal: z.enum(OPTION_CHOICES.tonal.choices),
  weathering: z.enum(OPTION_CHOICES.weathering.choices),
});
export type Options = z.infer<typeof optionsSchema>;

export const DEFAULT_OPTIONS: Options = {
  canopy: 'closed',
  gear: 'down',
  landing: 'wheels',
  flaps: 'up',
  wings: 'spread',
  stores: 'none',
  stand: 'its gear',
  tonal: 'pre-shaded',
  weathering: 'in service',
};

/** "canopy closed, gear down, stands on a rod": each choice as a sentence has it. */
const SPOKEN: Record<OptionName, (value: string) => string> = {
  canopy: (value) => `canopy ${value}`,
  gear: (value) => `gear ${value}`,
  landing: (value) => `lands on ${value}`,
  flaps: (value) => `flaps ${value}`,
  wings: (value) => `wings or blades ${value}`,
  stores: (value) => (value === 'none' ? 'no stores' : value === 'tanks' ? 'with tanks' : 'with loads'),
  stand: (value) => `stands on ${value}`,
  tonal: (value) =>
    value === 'plain' ? 'plain coats' : value === 'pre-shaded' ? 'pre-shaded coats' : 'coats over a black base',
  weathering: (value) => (value === 'none' ? 'not weathered' : `weathered as ${value}`),
};

export const optionsInWords = (options: Options): string =>
  OPTION_NAMES.map((name) => SPOKEN[name](options[name])).join(', ');
