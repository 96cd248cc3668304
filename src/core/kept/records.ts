import type { z } from 'zod';
import { airframeFields } from './records/airframe';
import { bottleFields } from './records/bottle';
import { briefFields } from './records/brief';
import { chipFields } from './records/chip';
import { codeRelationFields } from './records/code-relation';
import { colourChoiceFields, type layingFields } from './records/colour-choice';
import { colourCodeFields } from './records/colour-code';
import { colourSystemFields } from './records/colour-system';
import { eveningFields } from './records/evening';
import { logEntryFields } from './records/log-entry';
import { markingFields } from './records/marking';
import { mirrorFields } from './records/mirror';
import { paintFields } from './records/paint';
import { paintEventFields } from './records/paint-event';
import { paintLineFields } from './records/paint-line';
import { paintSetFields } from './records/paint-set';
import { paintUseFields } from './records/paint-use';
import { questionFields } from './records/question';
import { recipeFields } from './records/recipe';
import { rulingFields } from './records/ruling';
import { sightingFields } from './records/sighting';
import { sourceFields } from './records/source';
import { timerFields } from './records/timer';
import { kitMeasureFields } from './records/kit-measure';
import { partFields } from './records/part';
import { subjectFields } from './records/subject';
import { toolFields } from './records/tool';
import { houseFields } from './records/house';
import { schemeFieldFields } from './records/scheme-field';
import { underlayFields } from './records/underlay';
import { acceptedPlanFields } from './records/accepted-plan';
import { decalSheetFields } from './records/decal-sheet';
import { routeEditFields } from './records/route-edit';
import { mishapFields } from './records/mishap';
import { sprayOutFields } from './records/spray-out';
import { techniqueFields } from './records/technique';
import { workRunFields } from './records/work-run';
import { generalCoatFields } from './records/general-coat';
import { zoneDayFields } from './records/zone-day';
import { weeklySessionFields } from './records/weekly-session';

/** The shape of every noun that is kept, one file a noun: what a form, a file or the database must hold before anything is computed from it. */
export * from './records/airframe';
export * from './records/bottle';
export * from './records/brief';
export * from './records/chip';
export * from './records/code-relation';
export * from './records/colour-choice';
export * from './records/general-coat';
export * from './records/colour-code';
export * from './records/colour-system';
export * from './records/evening';
export * from './records/log-entry';
export * from './records/marking';
export * from './records/mirror';
export * from './records/paint';
export * from './records/paint-event';
export * from './records/paint-line';
export * from './records/paint-set';
export * from './records/paint-use';
export * from './records/question';
export * from './records/recipe';
export * from './records/ruling';
export * from './records/sighting';
export * from './records/source';
export * from './records/timer';
export * from './records/weekly-session';
export * from './records/kit-measure';
export * from './records/part';
export * from './records/subject';
export * from './records/tool';
export * from './records/house';
export * from './records/zone-day';
export * from './records/scheme-field';
export * from './records/underlay';
export * from './records/decal-sheet';
export * from './records/accepted-plan';
export * from './records/route-edit';
export * from './records/mishap';
export * from './records/work-run';
export * from './records/spray-out';
export * from './records/technique';
export { labFields } from './fields';

/** Every kind of record a brief page may write, by its name in history. */
export const RECORDS = {
  brief: briefFields,
  airframe: airframeFields,
  source: sourceFields,
  question: questionFields,
  sighting: sightingFields,
  ruling: rulingFields,
  paint_event: paintEventFields,
  mirror: mirrorFields,
  marking: markingFields,
  weekly_session: weeklySessionFields,
  evening: eveningFields,
  log_entry: logEntryFields,
  timer: timerFields,
  kit_measure: kitMeasureFields,
  part: partFields,
  subject: subjectFields,
  tool: toolFields,
  house: houseFields,
  zone_day: zoneDayFields,
  scheme_field: schemeFieldFields,
  underlay: underlayFields,
  decal_sheet: decalSheetFields,
  accepted_plan: acceptedPlanFields,
  route_edit: routeEditFields,
  mishap: mishapFields,
  work_run: workRunFields,
  spray_out: sprayOutFields,
  technique: techniqueFields,
  colour_system: colourSystemFields,
  colour_code: colourCodeFields,
  code_relation: codeRelationFields,
  chip: chipFields,
  paint_line: paintLineFields,
  paint: paintFields,
  paint_set: paintSetFields,
  bottle: bottleFields,
  recipe: recipeFields,
  paint_use: paintUseFields,
  colour_choice: colourChoiceFields,
  general_coat: generalCoatFields,
} as const;

/** How a colour is laid: what under it, in how many coats, with what filter over it. */
export type Laying = z.infer<typeof layingFields>;
export type RecordName = keyof typeof RECORDS;
export type Fields<N extends RecordName> = z.infer<(typeof RECORDS)[N]>;
/** A kept record: its fields with its identity and the version that an update must name. */
export type Kept<N extends RecordName> = Fields<N> & { id: string; version: number };
