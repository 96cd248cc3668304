import { MOST_PARTS } from '@/core/kit/parts';
import type { BriefState } from './state';

/** The most records of each kind that a brief holds and its file carries: no act goes beyond what an import takes. */
export const MOST_RECORDS: Record<Exclude<keyof BriefState, 'brief' | 'airframe'>, number> = {
  sources: 2000,
  questions: 2000,
  sightings: 20_000,
  rulings: 2000,
  events: 2000,
  mirrors: 500,
  markings: 500,
  sessions: 50,
  evenings: 1000,
  log: 20_000,
  timers: 100,
  choices: 500,
  coats: 4,
  recipes: 500,
  uses: 2000,
  parts: MOST_PARTS,
  measures: 500,
  subjects: 100,
  zoneDays: 500,
  fields: 300,
  underlays: 4,
  edits: 500,
  mishaps: 500,
  runs: 100,
  sprayOuts: 500,
  plans: 1,
};

/** The most chips of one code. */
export const MOST_CHIPS = 100;
