import type { Paint } from '@/core/paint/catalogue';
import type { PaintSet } from '@/core/match/sets';
import { buildOutline, ownOutline, type Outline, type OutlineSpec } from '@/core/outline/outline';
import { withSubjects } from '@/core/outline/subject-zones';
import type { ShownUnits } from '@/core/units/shown';
import type { Fields, Kept } from './records';

/** Everything kept about one brief, as it comes from the database or an exported file: facts, nothing computed. */
export interface BriefState {
  brief: Kept<'brief'>;
  airframe: Kept<'airframe'>;
  sources: Kept<'source'>[];
  questions: Kept<'question'>[];
  sightings: Kept<'sighting'>[];
  rulings: Kept<'ruling'>[];
  events: Kept<'paint_event'>[];
  mirrors: Kept<'mirror'>[];
  markings: Kept<'marking'>[];
  sessions: Kept<'weekly_session'>[];
  /** Single ones beside the weekly pattern, and those taken off. */
  evenings: Kept<'evening'>[];
  log: Kept<'log_entry'>[];
  timers: Kept<'timer'>[];
  choices: Kept<'colour_choice'>[];
  /** The products of primer and clears. */
  coats: Kept<'general_coat'>[];
  recipes: Kept<'recipe'>[];
  uses: Kept<'paint_use'>[];
  parts: Kept<'part'>[];
  measures: Kept<'kit_measure'>[];
  subjects: Kept<'subject'>[];
  /** Zones that are shown as on another day. */
  zoneDays: Kept<'zone_day'>[];
  /** The scheme, from the first field laid to the last. */
  fields: Kept<'scheme_field'>[];
  /** Drawings under the views. */
  underlays: Kept<'underlay'>[];
  /** What the builder changed in the route, in that order. */
  edits: Kept<'route_edit'>[];
  /** What went wrong, from the first on. */
  mishaps: Kept<'mishap'>[];
  /** Techniques and plans of weathering that were taken into the route. */
  runs: Kept<'work_run'>[];
  sprayOuts: Kept<'spray_out'>[];
  /** The plan that was accepted; none where nobody did. */
  plans: Kept<'accepted_plan'>[];
}

/** One line of the list of briefs. */
export interface BriefSummary {
  id: string;
  /** Of the brief's own; '' where it is called by its machine. */
  title: string;
  /** Of the brief's record, for whoever changes its title. */
  version: number;
  airframe: Kept<'airframe'>;
  denominator: number;
  kit: string;
  stepsDone: number;
}

/** What all briefs of the house share. */
export interface ColourShelf {
  systems: Kept<'colour_system'>[];
  codes: Kept<'colour_code'>[];
  relations: Kept<'code_relation'>[];
  chips: Kept<'chip'>[];
  paints: Paint[];
  sets: PaintSet[];
  tools: Kept<'tool'>[];
  /** What holds for the whole house: one record, or none while nobody chose anything. */
  house: Kept<'house'>[];
  decalSheets: Kept<'decal_sheet'>[];
  /** Those that were made here, beside the ones that the house ships. */
  techniques: Kept<'technique'>[];
}

/** The units in which the house shows its measures. */
export const unitsOf = ({ house }: Pick<ColourShelf, 'house'>): ShownUnits => house[0]?.units ?? 'metric';

/** "TK-G, C 417" - how a builder calls the machine. */
export function identityOf(
  airframe: Pick<Kept<'airframe'>, 'type' | 'variant' | 'serial' | 'codeLetters' | 'name'>,
): string {
  const marks = [airframe.codeLetters, airframe.serial].filter(Boolean).join(', ');
  return marks || airframe.name || typeOf(airframe);
}

/** What a brief is called: by its own name, or by what stands on the machine. */
export const briefTitle = (title: string, airframe: Parameters<typeof identityOf>[0]): string =>
  title || identityOf(airframe);

export const typeOf = (airframe: Pick<Kept<'airframe'>, 'type' | 'variant'>): string =>
  `${airframe.type} ${airframe.variant}`.trim();

/** The outline that an airframe has with the options of its brief. */
export const outlineSpecOf = (
  airframe: Fields<'airframe'>,
  { options, storesAt }: Pick<Fields<'brief'>, 'options' | 'storesAt'>,
): OutlineSpec => ({
  preset: airframe.preset,
  dimensions: airframe.dimensions,
  landing: options.landing,
  folded: options.wings === 'folded',
  swept: options.sweep === 'swept',
  ...(options.stores !== 'none' && storesAt.length > 0 ? { stores: storesAt } : {}),
  ...ownOutline(airframe),
  ...(airframe.profile ? { profile: airframe.profile } : {}),
  ...(airframe.edges ? { edges: airframe.edges } : {}),
});

/** The outline of a brief with the zones of what else is modelled in it. */
export const outlineOf = ({
  airframe,
  brief,
  subjects,
}: {
  airframe: Fields<'airframe'>;
  brief: Fields<'brief'>;
  subjects: readonly Fields<'subject'>[];
}): Outline => withSubjects(buildOutline(outlineSpecOf(airframe, brief)), subjects, brief.denominator);
