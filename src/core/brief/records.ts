import { z } from 'zod';
import { ASPECT_NAMES } from '@/core/evidence/aspects';
import { EVENT_KIND_NAMES } from '@/core/evidence/events';
import { FILM_NAMES } from '@/core/evidence/film';
import { CLARITIES, SOURCE_KIND_NAMES } from '@/core/evidence/weights';
import { CHIP_ORIGINS } from '@/core/colour/chips';
import { dimensionsSchema } from '@/core/outline/dimensions';
import { PRESET_NAMES } from '@/core/outline/presets';
import { VIEWS } from '@/core/outline/zones';
import { CODE_RELATIONS, CODE_SHAPES } from '@/core/codes/system';
import { FINISHES, FLOPS, METAL_GROUNDS, OPACITIES, PAINT_KINDS } from '@/core/paint/catalogue';
import { TONES } from '@/core/match/mix/tones';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { isTimeZone } from '@/core/route/calendar';
import { isDay } from '@/core/units/day';
import { MARKING_KINDS, MARKING_METHODS, RULING_BASES } from './choices';
import { calibrationSchema, marksSchema } from './picture-marks';
import { optionsSchema } from './options';

/** The shape of every noun that is kept: what a form, a file or the database must hold before anything is computed from it. */

const line = (title: string, most = 120) =>
  z
    .string({ error: `${title}: text is needed` })
    .trim()
    .max(most, `${title}: at most ${most} signs`);
const needed = (title: string, most = 120) => line(title, most).min(1, `${title} is needed`);
const number = (title: string) => z.number({ error: `${title}: a number is needed` });
const day = (title: string) => z.string().refine(isDay, `${title}: a day that exists is needed`);
const optionalDay = (title: string) => day(title).nullable();
const id = z.uuid('a reference is needed');
const choice = <const T extends readonly [string, ...string[]]>(title: string, values: T) =>
  z.enum(values as unknown as [T[number], ...T[number][]], { error: `${title}: choose one of ${values.join(', ')}` });
const labNumber = (axis: string, least: number, most: number) =>
  number(axis)
    .min(least, `${axis} must lie between ${least} and ${most}`)
    .max(most, `${axis} must lie between ${least} and ${most}`);
export const labFields = z.tuple([labNumber('L*', 0, 100), labNumber('a*', -128, 128), labNumber('b*', -128, 128)]);

/** A window whose end is before its start is refused at its end. */
function inOrder<T extends z.ZodObject>(schema: T, from: string, to: string, says: string) {
  return schema.superRefine((value, context) => {
    const [first, last] = [value[from] as string | null, value[to] as string | null];
    if (first && last && last < first) context.addIssue({ code: 'custom', path: [to], message: says });
  });
}

const weightNumber = (most: number) =>
  number('Weight').min(0, 'Weight: never below 0').max(most, `Weight: at most ${most}`);
/** How the sources of this brief are weighed where the builder does not follow the defaults. */
export const weightChanges = z.strictObject({
  kind: z.partialRecord(z.enum(SOURCE_KIND_NAMES), weightNumber(10)),
  clarity: z.partialRecord(z.enum(CLARITIES), weightNumber(1)),
  unknownDate: weightNumber(1).optional(),
  decayDays: number('Days').min(1, 'Days: at least one').max(100_000).optional(),
});

export const briefFields = z.strictObject({
  kitMaker: line('Kit maker'),
  kitNumber: line('Kit number', 40),
  denominator: number('Scale').min(4, 'Scale: from 1/4').max(700, 'Scale: to 1/700'),
  options: optionsSchema,
  timeZone: z.string().refine(isTimeZone, 'Time zone: no known IANA zone'),
  tempC: number('Temperature').min(5, 'Temperature: from 5 °C').max(40, 'Temperature: to 40 °C'),
  humidity: number('Humidity').min(10, 'Humidity: from 10 %').max(95, 'Humidity: to 95 %'),
  startOn: day('Start'),
  notes: line('Notes', 2000),
  weights: weightChanges,
});

export const airframeFields = inOrder(
  z.strictObject({
    type: needed('Type', 60),
    variant: line('Variant', 40),
    serial: line('Serial', 40),
    codeLetters: line('Code letters', 20),
    name: line('Name', 60),
    unit: line('Unit'),
    place: line('Place'),
    targetFrom: optionalDay('Depicts from'),
    targetTo: optionalDay('Depicts to'),
    lostOn: optionalDay('Lost on'),
    preset: choice('Preset', PRESET_NAMES),
    dimensions: dimensionsSchema,
  }),
  'targetFrom',
  'targetTo',
  'Depicts to: the window ends before it starts',
);

export const sourceFields = inOrder(
  z.strictObject({
    kind: choice('Kind', SOURCE_KIND_NAMES),
    title: needed('Title'),
    citation: line('Citation', 500),
    page: line('Page', 40),
    place: line('Place'),
    dateFrom: optionalDay('Dated from'),
    dateTo: optionalDay('Dated to'),
    afterEventId: id.nullable(),
    beforeEventId: id.nullable(),
    sides: z.array(z.enum(VIEWS)),
    zones: z.array(needed('Zone', 60)).max(200, 'Zones shown: at most 200'),
    film: choice('Film', FILM_NAMES),
    derivedFrom: z.array(id),
    grade: number('Grade').min(0, 'Grade: from 0').max(2, 'Grade: to 2'),
    gradeReason: line('Reason for the grade', 300),
    pictureId: z.string().nullable(),
    calibration: calibrationSchema.nullable(),
  }),
  'dateFrom',
  'dateTo',
  'Dated to: the window ends before it starts',
);

export const questionFields = z.strictObject({
  zone: needed('Zone', 60),
  aspect: choice('Aspect', ASPECT_NAMES),
  /** Which one, where a zone has several: "band", "code letters". */
  item: line('Which one', 60),
});

export const sightingFields = z.strictObject({
  questionId: id,
  sourceId: id,
  value: needed('What it says', 200),
  sd: number('Plus or minus').min(0, 'Plus or minus: never below 0').nullable(),
  clarity: choice('Clarity', CLARITIES),
  sense: choice('Sense', ['for', 'against'] as const),
  note: line('Note', 500),
  /** Where in the picture it was measured. */
  marks: marksSchema.nullable(),
});

export const rulingFields = z.strictObject({
  questionId: id,
  value: needed('Ruling', 200),
  basis: choice('Basis', RULING_BASES),
  reason: needed('Reason', 500),
  ruledBy: line('Ruled by', 60),
});

export const paintEventFields = z.strictObject({
  zone: needed('Zone', 60),
  kind: choice('What happened', EVENT_KIND_NAMES),
  onDay: day('On'),
  value: line('What was laid or covered', 200),
  showsUnder: z.boolean(),
  note: line('Note', 300),
});

/** Port and starboard of a zone ruled to be the mirror of one another, for one aspect. `zone` is without its side. */
export const mirrorFields = z.strictObject({
  zone: needed('Zone', 60),
  aspect: choice('Aspect', ASPECT_NAMES),
  item: line('Which one', 60),
  reason: needed('Reason', 500),
});

export const placeFields = z.strictObject({
  view: z.enum(VIEWS),
  /** Centre: metres aft of the nose, and up from the belly (side views) or to starboard (upper, lower). */
  station: number('Station').min(-5).max(100),
  offset: number('Offset').min(-50).max(50),
  turn: number('Turn').min(-180).max(180),
});
export type MarkingPlace = z.infer<typeof placeFields>;

export const markingFields = z.strictObject({
  kind: choice('Kind', MARKING_KINDS),
  title: needed('Title'),
  zone: needed('Zone', 60),
  text: line('Letters', 40),
  heightMm: number('True height').min(1, 'True height: at least 1 mm').max(20_000, 'True height: at most 20 m'),
  printedMm: number('Printed height')
    .min(0.05, 'Printed height: at least 0.05 mm')
    .max(1000, 'Printed height: at most 1 m')
    .nullable(),
  method: choice('Method', MARKING_METHODS),
  codes: z.array(needed('Colour code', 20)).min(1, 'Colours: at least one code').max(6, 'Colours: at most six'),
  places: z.array(placeFields).max(8, 'Places: at most eight'),
});

export const weeklySessionFields = z.strictObject({
  weekday: number('Weekday').int().min(1, 'Weekday: 1 Monday to 7 Sunday').max(7, 'Weekday: 1 Monday to 7 Sunday'),
  startsAt: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Starts at: a time HH:MM'),
  minutes: number('Minutes')
    .int('Minutes: a whole number')
    .min(10, 'Minutes: at least 10')
    .max(900, 'Minutes: at most 15 hours'),
  booth: z.boolean(),
});

export const logEntryFields = z.strictObject({
  stepKey: line('Step', 120),
  title: needed('What', 200),
  lane: line('Lane', 30),
  plannedMinutes: number('Planned').int().min(0).nullable(),
  actualMinutes: number('Minutes')
    .int('Minutes: a whole number')
    .min(1, 'Minutes: at least 1')
    .max(10_000, 'Minutes: at most 10 000'),
  startedAt: z.iso.datetime({ offset: true, error: 'Started: a time is needed' }),
  endedAt: z.iso.datetime({ offset: true, error: 'Ended: a time is needed' }),
  note: line('Note', 1000),
  paint: line('Paint', 200),
});

export const timerFields = z.strictObject({
  stepKey: line('Step', 120),
  label: needed('Label'),
  startedAt: z.iso.datetime({ offset: true }),
  minutes: number('Minutes').min(0.1, 'Minutes: above 0').max(10_080, 'Minutes: at most a week'),
});

export const colourSystemFields = z.strictObject({
  name: needed('System', 20),
  title: line('Title', 80),
  shape: choice('Shape', CODE_SHAPES),
  prefix: needed('Prefix', 10).regex(/^[A-Z][A-Z.]*$/, 'Prefix: capital letters, such as "TCS"'),
  digits: number('Digits').int().min(1, 'Digits: 1 to 6').max(6, 'Digits: 1 to 6'),
});

export const colourCodeFields = z.strictObject({
  system: needed('System', 20),
  code: needed('Code', 20),
  name: line('Name', 60),
  finish: choice('Finish', FINISHES),
  kind: choice('Kind', PAINT_KINDS),
  /** Of a metallic: what lies under it, and how much it darkens when seen aslant; '' where it is not known. */
  ground: choice('Ground', METAL_GROUNDS).default(''),
  flop: choice('Flop', FLOPS).default(''),
});

export const codeRelationFields = inOrder(
  z.strictObject({
    codeId: id,
    otherId: id,
    kind: choice('Relation', CODE_RELATIONS),
    fromDay: optionalDay('From'),
    toDay: optionalDay('To'),
    note: line('Note', 300),
  }),
  'fromDay',
  'toDay',
  'To: it ends before it starts',
);

export const chipFields = z.strictObject({
  codeId: id,
  lab: labFields,
  origin: choice('Origin', CHIP_ORIGINS),
  sd: number('Uncertainty').min(0, 'Uncertainty: never below 0').max(30, 'Uncertainty: at most 30'),
  instrument: line('Instrument', 80).default(''),
  batch: line('Batch', 40).default(''),
  leftOut: z.boolean().default(false),
  note: line('Note', 300),
});

const curve = (title: string) =>
  z
    .array(
      number(title).min(0, `${title}: reflectance runs from 0 to 1`).max(1, `${title}: reflectance runs from 0 to 1`),
    )
    .length(31, `${title}: 31 values are needed, 400 to 700 nm by 10`);
const constants = (title: string) =>
  z.array(number(title).min(0, `${title}: never below 0`)).length(31, `${title}: 31 values are needed`);

/** What is known of a paint's colour beyond its Lab: any of these. */
export const colourDataFields = z.strictObject({
  contrastRatio: number('Contrast ratio')
    .min(0.01, 'Contrast ratio: above 0')
    .max(1, 'Contrast ratio: at most 1')
    .optional(),
  /** One part of the paint in four of white. */
  tint14: labFields.optional(),
  reflectance: curve('Curve').optional(),
  overBlack: curve('Over black').optional(),
  overWhite: curve('Over white').optional(),
  K: constants('K').optional(),
  S: constants('S').optional(),
});

export const paintFields = z.strictObject({
  lineId: id,
  number: needed('Number', 20),
  name: line('Name', 60),
  kind: choice('Kind', PAINT_KINDS),
  finish: choice('Finish', FINISHES),
  opacity: choice('Opacity', OPACITIES),
  lab: labFields.nullable(),
  sd: number('Uncertainty').min(0, 'Uncertainty: never below 0').max(30, 'Uncertainty: at most 30'),
  sizeMl: number('Bottle').min(1, 'Bottle: at least 1 ml').max(1000, 'Bottle: at most 1000 ml'),
  priceCents: number('Price')
    .int('Price: whole cents')
    .min(0, 'Price: never below 0')
    .max(100_000, 'Price: at most 1000'),
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'Currency: three capital letters')
    .default('EUR'),
  claims: z.array(needed('Claim', 20)).max(40),
  ground: choice('Ground', METAL_GROUNDS).default(''),
  flop: choice('Flop', FLOPS).default(''),
  /** Numbers it had before: a renamed or merged paint is found by them. */
  formerly: z.array(needed('Former number', 60)).max(40).default([]),
  data: colourDataFields.nullable().default(null),
});

const waitMinutes = (title: string) =>
  number(title)
    .int(`${title}: whole minutes`)
    .min(1, `${title}: at least a minute`)
    .max(20_000, `${title}: at most two weeks`)
    .nullable();
/** A line of paints: what is empty follows from its chemistry. */
export const paintLineFields = z.strictObject({
  name: needed('Line', 40),
  chemistry: choice('Chemistry', CHEMISTRY_NAMES),
  thinner: line('Thinner', 60).default(''),
  thinRatio: number('Thinner to paint')
    .min(0, 'Thinner to paint: never below 0')
    .max(20, 'Thinner to paint: at most 20 to 1')
    .nullable()
    .default(null),
  recoatMin: waitMinutes('Recoat').default(null),
  maskMin: waitMinutes('Mask').default(null),
  cureMin: waitMinutes('Cured').default(null),
});
export const bottleFields = z.strictObject({
  paintId: id,
  mlLeft: number('Millilitres left')
    .min(0, 'Millilitres left: never below 0')
    .max(1000, 'Millilitres left: at most 1000'),
  openedOn: optionalDay('Opened'),
  condition: line('Condition', 100),
  /** How strongly it tints beside what its colour data say; learnt from test sprays. */
  strength: number('Strength').min(0.2, 'Strength: at least 0.2').max(5, 'Strength: at most 5').default(1),
});

export const recipePart = z.strictObject({
  paintId: id,
  drops: number('Drops').int('Drops: a whole number').min(1, 'Drops: at least 1').max(500, 'Drops: at most 500'),
});
/** A mixture of a brief for a code, or for a tone of it. */
export const recipeFields = z.strictObject({
  codeId: id,
  tone: choice('Tone', TONES),
  parts: z.array(recipePart).min(1, 'Parts: at least one paint').max(8, 'Parts: at most eight'),
  predicted: labFields,
  sd: number('Uncertainty').min(0).max(60),
  observed: labFields.nullable(),
  observedSd: number('Uncertainty').min(0).max(60).nullable(),
  ml: number('Millilitres').min(0.05, 'Millilitres: above 0').max(1000, 'Millilitres: at most 1000').nullable(),
  madeOn: optionalDay('Made'),
  note: line('Note', 500),
});
export const colourChoiceFields = z
  .strictObject({ codeId: id, paintId: id.nullable(), recipeId: id.nullable().default(null) })
  .refine((made) => (made.paintId === null) !== (made.recipeId === null), 'a paint or a recipe is chosen, not both');

/** What a job of spraying really took. */
export const paintUseFields = z.strictObject({
  codeId: id,
  onDay: day('On'),
  areaCm2: number('Area').min(0.1, 'Area: above 0').max(100_000, 'Area: at most 10 square metres'),
  coats: number('Coats').int('Coats: a whole number').min(1, 'Coats: at least 1').max(30, 'Coats: at most 30'),
  fillings: number('Fillings')
    .int('Fillings: a whole number')
    .min(1, 'Fillings: at least 1')
    .max(50, 'Fillings: at most 50'),
  sprayedMl: number('Sprayed').min(0.05, 'Sprayed: above 0 ml').max(1000, 'Sprayed: at most 1000 ml'),
  note: line('Note', 300),
});

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
  log_entry: logEntryFields,
  timer: timerFields,
  colour_system: colourSystemFields,
  colour_code: colourCodeFields,
  code_relation: codeRelationFields,
  chip: chipFields,
  paint_line: paintLineFields,
  paint: paintFields,
  bottle: bottleFields,
  recipe: recipeFields,
  paint_use: paintUseFields,
  colour_choice: colourChoiceFields,
} as const;

export type RecordName = keyof typeof RECORDS;
export type Fields<N extends RecordName> = z.infer<(typeof RECORDS)[N]>;
/** A kept record: its fields with its identity and the version that an update must name. */
export type Kept<N extends RecordName> = Fields<N> & { id: string; version: number };
