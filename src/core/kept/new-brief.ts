import { DEFAULT_OPTIONS } from '@/core/kit/options';
import type { ToolKind } from '@/core/kit/tools';
import { NO_CHANGES } from '@/core/evidence/weights';
import { PRESETS } from '@/core/outline/presets';
import type { Day } from '@/core/units/day';
import type { Fields } from './records';

/** A brief as it is made: with its airframe and the builder's week. */
export interface NewBrief {
  brief: Fields<'brief'>;
  airframe: Fields<'airframe'>;
  sessions: Fields<'weekly_session'>[];
  /** Tools that the house is told of with it. */
  tools?: ToolKind[];
  /** What it raises: see brief/born. */
  questions?: Fields<'question'>[];
}

/** What a brief says of its kit once somebody says it. */
export const NO_KIT_EXTRAS: Pick<
  Fields<'brief'>,
  'title' | 'boughtOn' | 'leftOut' | 'storesAt' | 'rod' | 'maskOrder' | 'schoolsAt' | 'remedies'
> = {
  title: '',
  boughtOn: null,
  leftOut: [],
  storesAt: [],
  rod: null,
  maskOrder: [],
  schoolsAt: [],
  remedies: [],
};

/** An airframe as its layout has it: nobody has pulled its outline to a drawing, or said that it has another gear. */
export const AS_OUTLINED: Pick<
  Fields<'airframe'>,
  'gear' | 'spinner' | 'cockpit' | 'surfaces' | 'profile' | 'edges'
> = {
  gear: '',
  spinner: true,
  cockpit: '',
  surfaces: { fuselage: '', wings: '', tail: '' },
  profile: null,
  edges: null,
};

/** What a new brief begins with; everything can be changed. */
export const newBrief = (today: Day, timeZone = 'UTC'): NewBrief => ({
  brief: {
    kitMaker: '',
    kitNumber: '',
    denominator: 48,
    options: DEFAULT_OPTIONS,
    timeZone,
    tempC: 20,
    humidity: 50,
    startOn: today,
    notes: '',
    weights: NO_CHANGES,
    ...NO_KIT_EXTRAS,
  },
  airframe: {
    type: '',
    variant: '',
    serial: '',
    codeLetters: '',
    name: '',
    unit: '',
    place: '',
    targetFrom: null,
    targetTo: null,
    lostOn: null,
    preset: 'single',
    dimensions: PRESETS.single.dimensions,
    ...AS_OUTLINED,
  },
  sessions: [
    { weekday: 2, startsAt: '19:30', minutes: 120, booth: true },
    { weekday: 6, startsAt: '10:00', minutes: 180, booth: true },
  ],
});
