import { z } from 'zod';
import {
  airframeFields,
  bottleFields,
  briefFields,
  chipFields,
  codeRelationFields,
  colourCodeFields,
  colourSystemFields,
  eveningFields,
  filterFields,
  kitMeasureFields,
  layingFields,
  logEntryFields,
  markingFields,
  paintFields,
  paintLineFields,
  paintUseFields,
  partFields,
  recipeFields,
  recipePart,
  subjectFields,
  timerFields,
  weeklySessionFields,
  schemeFieldFields,
  underlayFields,
  acceptedPlanFields,
  routeEditFields,
  mishapFields,
  sprayOutFields,
  workRunFields,
  decalSheetFields,
  generalCoatFields,
  meet,
  zoneDayFields,
} from '@/core/kept/records';
import type { FieldShape } from '@/core/scheme/field';
import { subjectFaults } from '@/core/kept/check-subjects';
import { whyNot } from '@/core/kit/conflicts';
import { NOT_BEGUN } from '@/core/kit/machine';
import { asRegister, registerFaults, replacedNumbers } from '@/core/kit/parts';
import { subjectName } from '@/core/kit/subjects';
import { machineOf } from '@/core/outline/presets';
import { MOST_CHIPS, MOST_RECORDS } from '@/core/kept/most';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { lineFieldsOf, type Paint } from '@/core/paint/catalogue';
import { broughtUp } from './earlier-brief-files';
import { renameIn, withStepKeys } from './step-keys';
import { checkDossier, dossierParts, dossierPartsOf, plain, ref, unlike, type FileFault } from './dossier';

/** `build-brief/15`: a whole brief as a file, see docs/formats/brief.md. References are names inside the file (s1, q1, e1). */

const chipInFile = chipFields.omit({ codeId: true });
const paintInFile = paintFields.omit({ lineId: true });

const { codeId: _code, otherId: _other, ...relationInFile } = codeRelationFields.shape;
const paintName = { line: z.string().min(1), number: z.string().min(1) };

/** Of parts that another is used instead of the numbers stand in the file. */
const partInFile = z.strictObject({
  ...partFields.omit({ replacesIds: true }).shape,
  replaces: z.array(z.string().max(30)).max(20).default([]),
});

/** Of a marking its sheet stands by title, and its place in the list is how corners of fields name it. */
const markingInFile = markingFields.safeExtend({ sheetId: z.string().max(80).nullable().default(null) });

const layingInFile = {
  ground: layingFields.shape.ground,
  coats: layingFields.shape.coats,
  way: layingFields.shape.way,
  filter: filterFields.omit({ paintId: true }).extend(paintName).nullable().default(null),
};

/** The most that a file says of what was let go on its way out. */
export const MOST_REPAIRED = 200;

export const wholeBrief = z
  .strictObject({
    format: z.literal('build-brief/15', {
      error:
        'this is not a Build Brief file (its format should be "build-brief/15", or 14, 13, 12, 11, 10, 9, 8, 7, 6, 5, 4, 3, 2 or 1)',
    }),
    /** What the brief said against itself and was let go, so that the file can be taken in: see repair.ts. */
    repaired: z
      .array(z.string().max(500))
      .max(MOST_REPAIRED + 1)
      .default([]),
    brief: briefFields,
    airframe: airframeFields,
    ...dossierParts,
    markings: z.array(markingInFile).max(MOST_RECORDS.markings),
    sessions: z.array(weeklySessionFields).max(MOST_RECORDS.sessions),
    evenings: z.array(eveningFields).max(MOST_RECORDS.evenings).default([]),
    parts: z.array(partInFile).max(MOST_RECORDS.parts, 'parts: at most 3 000').default([]),
    measures: z.array(kitMeasureFields).max(MOST_RECORDS.measures).default([]),
    subjects: z.array(subjectFields).max(MOST_RECORDS.subjects).default([]),
    zoneDays: z.array(zoneDayFields).max(MOST_RECORDS.zoneDays).default([]),
    fields: z.array(schemeFieldFields).max(MOST_RECORDS.fields).default([]),
    underlays: z.array(underlayFields).max(MOST_RECORDS.underlays).default([]),
    decalSheets: z.array(decalSheetFields).max(200).default([]),
    edits: z.array(routeEditFields).max(MOST_RECORDS.edits).default([]),
    mishaps: z.array(mishapFields).max(MOST_RECORDS.mishaps).default([]),
    runs: z.array(workRunFields).max(MOST_RECORDS.runs).default([]),
    sprayOuts: z.array(sprayOutFields).max(MOST_RECORDS.sprayOuts).default([]),
    plans: z.array(acceptedPlanFields).max(MOST_RECORDS.plans, 'plans: one at most').default([]),
    log: z.array(logEntryFields).max(MOST_RECORDS.log),
    timers: z.array(timerFields).max(MOST_RECORDS.timers),
    choices: z
      .array(
        z.union([
          z.strictObject({ code: ref, ...paintName, ...layingInFile }),
          z.strictObject({ code: ref, recipe: ref, ...layingInFile }),
        ]),
      )
      .max(MOST_RECORDS.choices),
    coats: z
      .array(z.strictObject({ ...paintName, ...generalCoatFields.omit({ paintId: true }).shape }))
      .max(MOST_RECORDS.coats),
    recipes: z
      .array(
        z.strictObject({
          ref,
          ...recipeFields.omit({ codeId: true, parts: true }).shape,
          code: ref,
          parts: z
            .array(z.strictObject({ ...paintName, drops: recipePart.shape.drops }))
            .min(1)
            .max(8),
        }),
      )
      .max(MOST_RECORDS.recipes),
    uses: z.array(z.strictObject({ ...paintUseFields.omit({ codeId: true }).shape, code: ref })).max(MOST_RECORDS.uses),
    systems: z.array(colourSystemFields).max(50),
    relations: z
      .array(
        z.strictObject({
          ...relationInFile,
          code: ref,
          other: ref,
        }),
      )
      .max(2000),
    codes: z.array(z.strictObject({ ...colourCodeFields.shape, chips: z.array(chipInFile).max(MOST_CHIPS) })).max(5000),
    lines: z
      .array(
        z.strictObject({
          ...paintLineFields.shape,
          paints: z
            .array(
              z.strictObject({
                ...paintInFile.shape,
                bottle: bottleFields.omit({ paintId: true }).nullable().default(null),
              }),
            )
            .max(5000),
        }),
      )
      .max(100),
  })
  .superRefine((file, context) =>
    checkFile(file, (path, message) => context.addIssue({ code: 'custom', path, message })),
  );

export type BriefFile = z.infer<typeof wholeBrief>;

/** Lists of what is done at the bench, each with a picture where somebody took one. */
export const PICTURED = ['log', 'mishaps', 'sprayOuts'] as const;

/** What one part of the file says of another that is not there, or says twice. */
function checkFile(file: BriefFile, fault: FileFault): void {
  checkDossier(file, fault);
  for (const says of whyNot(file.brief.options, machineOf(file.airframe), NOT_BEGUN)) fault(['brief', 'options'], says);
  for (const { id, field, says } of fileParts(file).faults)
    fault(['parts', Number(id), field === 'replacesIds' ? 'replaces' : field], says);
  subjectFaults(file.subjects).forEach(({ at, field, says }) => fault(['subjects', at, field], says));
  file.coats.forEach((coat, i) => {
    if (file.coats.slice(0, i).some((other) => meet(coat, other))) fault(['coats', i], 'two products for one coat');
  });
  unlike(file.zoneDays, 'zoneDays', ({ zone }) => zone, 'this zone has two days', fault);
  const recipes = new Set(file.recipes.map((recipe) => recipe.ref));
  unlike(file.recipes, 'recipes', (recipe) => recipe.ref, 'two recipes have the same ref', fault);
  unlike(file.choices, 'choices', ({ code }) => code, 'two choices are made for one code', fault);
  unlike(file.systems, 'systems', ({ name }) => name, 'two standards have the same name', fault);
  unlike(
    file.systems,
    'systems',
    ({ prefix }) => prefix,
    'two standards have the same letters before their numbers',
    fault,
  );
  unlike(file.codes, 'codes', ({ code }) => code, 'this code is there twice', fault);
  unlike(file.lines, 'lines', ({ name }) => name, 'this line is there twice', fault);
  unlike(
    file.relations,
    'relations',
    ({ code, other, kind }) => `${code} ${other} ${kind}`,
    'this relation is there twice',
    fault,
  );
  file.lines.forEach(({ paints }, i) =>
    unlike(
      paints,
      'paints',
      ({ number }) => number,
      'two paints of the line have this number',
      (path, says) => fault(['lines', i, ...path], says),
    ),
  );
  file.choices.forEach((choice, i) => {
    if ('recipe' in choice && !recipes.has(choice.recipe))
      fault(['choices', i, 'recipe'], `there is no recipe "${choice.recipe}"`);
  });
  for (const list of PICTURED)
    file[list].forEach(({ pictureId }, i) => {
      if (pictureId !== null && !Object.hasOwn(file.pictures, pictureId))
        fault([list, i, 'pictureId'], 'its picture is not in the file');
    });
}

/** Reads every version of the file; the older are brought up to the newest. */
export const briefFileSchema = z.preprocess(broughtUp, wholeBrief);

/** The parts of a file with their numbers in it as identities, and what is wrong with the register. */
function fileParts(file: Pick<BriefFile, 'parts' | 'brief'>) {
  const { parts, faults } = asRegister(file.parts, (_, i) => String(i));
  return { parts, faults: [...registerFaults(parts, file.brief.boughtOn), ...faults] };
}

/** What a file says a paint or a code by: what it is called, since another house has other ids. */
function namesOf(shelf: ColourShelf) {
  const codes = new Map(shelf.codes.map(({ id, code }) => [id, code]));
  const paints = new Map(shelf.paints.map(({ id, line, number }) => [id, { line, number }]));
  return { code: (id: string) => codes.get(id), paint: (id: string | null) => (id ? paints.get(id) : undefined) };
}
type Names = ReturnType<typeof namesOf>;

const recipeRef = (i: number) => `r${i + 1}`;

/** What was chosen for each code, in the order of the codes. */
function choicesNamed(state: BriefState, names: Names): BriefFile['choices'] {
  const refOf = new Map(state.recipes.map((recipe, i) => [recipe.id, recipeRef(i)]));
  return state.choices
    .flatMap(({ codeId, recipeId, paintId, ground, coats, filter, way }): BriefFile['choices'] => {
      const code = names.code(codeId);
      const recipe = recipeId && refOf.get(recipeId);
      const paint = names.paint(paintId);
      const over = filter && names.paint(filter.paintId);
      const laying = {
        ground,
        coats,
        way,
        filter: filter && over ? { ...over, percent: filter.percent, passes: filter.passes } : null,
      };
      if (code && recipe) return [{ code, recipe, ...laying }];
      return code && paint ? [{ code, ...paint, ...laying }] : [];
    })
    .sort((a, b) => a.code.localeCompare(b.code));
}

function recipesNamed(state: BriefState, names: Names): BriefFile['recipes'] {
  return state.recipes.flatMap((record, i) => {
    const { codeId, parts, ...recipe } = plain(record);
    const named = parts.flatMap(({ paintId, drops }) => {
      const paint = names.paint(paintId);
      return paint ? [{ ...paint, drops }] : [];
    });
    const code = names.code(codeId);
    return code && named.length > 0 ? [{ ref: recipeRef(i), ...recipe, code, parts: named }] : [];
  });
}

function coatsNamed(state: BriefState, names: Names): BriefFile['coats'] {
  return state.coats.flatMap((record) => {
    const { paintId, ...coat } = plain(record);
    const paint = names.paint(paintId);
    return paint ? [{ ...coat, ...paint }] : [];
  });
}

function usesNamed(state: BriefState, names: Names): BriefFile['uses'] {
  return state.uses.flatMap((record) => {
    const { codeId, ...use } = plain(record);
    const code = names.code(codeId);
    return code ? [{ ...use, code }] : [];
  });
}

/** The codes that a brief names anywhere, with their chips, their systems, and what is known of them beside others. */
function codesNamed(
  state: BriefState,
  shelf: ColourShelf,
  names: Names,
  chosen: readonly { code: string }[],
): Pick<BriefFile, 'codes' | 'systems' | 'relations'> {
  const named = new Set([
    ...state.rulings.map((r) => r.value),
    ...state.sightings.map((s) => s.value),
    ...state.markings.flatMap((m) => m.codes),
    ...state.fields.map((field) => field.code),
    ...state.parts.flatMap(({ codes }) => codes),
    ...chosen.map((c) => c.code),
  ]);
  const relations = shelf.relations
    .flatMap((record) => {
      const { codeId, otherId, ...relation } = plain(record);
      const [code, other] = [names.code(codeId), names.code(otherId)];
      return code && other && (named.has(code) || named.has(other)) ? [{ ...relation, code, other }] : [];
    })
    .sort((a, b) => keyOf(a).localeCompare(keyOf(b)));
  for (const { code, other } of relations) named.add(code).add(other);
  const codes = shelf.codes.filter((code) => named.has(code.code));
  return {
    systems: shelf.systems
      .filter(({ name }) => codes.some((code) => code.system === name))
      .map((system) => plain(system)),
    relations,
    codes: codes.map((code) => ({
      ...plain(code),
      chips: shelf.chips.filter((chip) => chip.codeId === code.id).map((chip) => plain(chip, 'codeId')),
    })),
  };
}

/** The paints that a brief chose or mixed. */
function paintsUsed(state: BriefState, shelf: ColourShelf): Paint[] {
  const used = new Set([
    ...state.choices.flatMap(({ paintId, filter }) => [paintId ?? [], filter?.paintId ?? []].flat()),
    ...state.coats.map(({ paintId }) => paintId),
    ...state.recipes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)),
  ]);
  return shelf.paints.filter((paint) => used.has(paint.id));
}

/** The markings of a brief with their fields, drawings and decal sheets; what is cut from a sheet names it by its title. */
function markingsNamed(
  state: BriefState,
  shelf: ColourShelf,
  pictures: ReadonlySet<string>,
): Pick<BriefFile, 'markings' | 'fields' | 'underlays' | 'decalSheets'> {
  return {
    markings: state.markings.map((marking) => ({
      ...plain(marking),
      design: {
        ...marking.design,
        pictureId: pictures.has(marking.design.pictureId ?? '') ? marking.design.pictureId : null,
      },
      sheetId: shelf.decalSheets.find(({ id }) => id === marking.sheetId)?.title ?? null,
    })),
    fields: state.fields.map((field) =>
      renamed(plain(field), (id) => markingRef(state.markings.findIndex((own) => own.id === id))),
    ),
    underlays: state.underlays.filter(({ pictureId }) => pictures.has(pictureId)).map((own) => plain(own)),
    decalSheets: shelf.decalSheets
      .filter(({ id }) => state.markings.some(({ sheetId }) => sheetId === id))
      .map((own) => plain(own)),
  };
}

/** What was planned and done, its steps keyed by markings as the file calls them. */
function workNamed(
  state: BriefState,
  pictures: ReadonlySet<string>,
): Pick<BriefFile, 'edits' | 'runs' | 'mishaps' | 'sprayOuts' | 'plans' | 'log' | 'timers'> {
  const pictured = <T extends { pictureId: string | null }>(record: T): T => ({
    ...record,
    pictureId: pictures.has(record.pictureId ?? '') ? record.pictureId : null,
  });
  const refOfMarking = new Map(state.markings.map(({ id }, i) => [id, markingRef(i)]));
  const keyed = <T>(records: readonly T[]) =>
    withStepKeys(
      records,
      renameIn((part) => refOfMarking.get(part)),
    ) as T[];
  return {
    edits: keyed(state.edits.map((own) => plain(own))),
    runs: keyed(state.runs.map((own) => plain(own))),
    mishaps: keyed(state.mishaps.map((own) => pictured(plain(own)))),
    sprayOuts: keyed(state.sprayOuts.map((own) => pictured(plain(own)))),
    plans: keyed(state.plans.map((own) => plain(own))),
    log: keyed(state.log.map((own) => pictured(plain(own)))),
    timers: keyed(state.timers.map((timer) => plain(timer))),
  };
}

function partsNamed(state: BriefState): BriefFile['parts'] {
  const partOf = new Map(state.parts.map((part) => [part.id, part]));
  return state.parts.map((record) => {
    const { replacesIds, ...part } = plain(record);
    return { ...part, replaces: replacedNumbers({ replacesIds }, partOf) };
  });
}

/** The brief as a file, naming those of its pictures that are kept; their bytes go beside it. The same brief gives the same file. */
export function toBriefFile(state: BriefState, shelf: ColourShelf, pictureIds: readonly string[]): BriefFile {
  const pictures = new Set(pictureIds);
  const names = namesOf(shelf);
  const [choices, recipes, uses] = [choicesNamed(state, names), recipesNamed(state, names), usesNamed(state, names)];
  return {
    format: 'build-brief/15',
    repaired: [],
    brief: plain(state.brief),
    airframe: plain(state.airframe),
    ...dossierPartsOf(state, (id) => pictures.has(id)),
    ...markingsNamed(state, shelf, pictures),
    ...workNamed(state, pictures),
    sessions: state.sessions.map((session) => plain(session)),
    evenings: state.evenings.map((evening) => plain(evening)),
    parts: partsNamed(state),
    measures: state.measures.map((measure) => plain(measure)),
    subjects: state.subjects.map((subject) => plain(subject)),
    zoneDays: state.zoneDays.map((own) => plain(own)),
    choices,
    coats: coatsNamed(state, names),
    recipes,
    uses,
    ...codesNamed(state, shelf, names, [...choices, ...recipes, ...uses]),
    lines: linesOf(paintsUsed(state, shelf)),
  };
}

/** What a relation is ordered by: nothing of the house that it was kept in. */
const keyOf = ({ code, other, kind, fromDay }: BriefFile['relations'][number]) =>
  `${code} ${other} ${kind} ${fromDay ?? ''}`;

function linesOf(paints: readonly Paint[]): BriefFile['lines'] {
  const names = [...new Set(paints.map((paint) => paint.line))].sort();
  return names.map((name) => {
    const own = paints.filter((paint) => paint.line === name);
    return {
      ...asToday(paintLineFields, lineFieldsOf(own[0]!)),
      paints: own
        .sort((a, b) => a.number.localeCompare(b.number))
        .map((paint) => ({ ...asToday(paintInFile, pickFields(paintInFile, paint)), bottle: null })),
    };
  });
}

/** A record as its schema has it; one that the schema would refuse goes as it is, for whoever mends the file. */
const asToday = <S extends z.ZodObject>(schema: S, record: object): z.infer<S> =>
  schema.safeParse(record).data ?? (record as z.infer<S>);

/** Of a record only what a schema knows. */
const pickFields = (schema: z.ZodObject, record: object) =>
  Object.fromEntries(Object.entries(record).filter(([field]) => field in schema.shape));

/** A file as if it were kept, its refs standing for identities: for computing from a file before it is imported. */
export function stateOfFile(file: BriefFile, shelf: ColourShelf): BriefState {
  const kept = <T extends object>(fields: T, id: string) => ({ ...fields, id, version: 1 });
  const codeIdOf = (code: string) => shelf.codes.find((candidate) => candidate.code === code)?.id;
  const paintIdOf = ({ line, number }: { line: string; number: string }) =>
    shelf.paints.find((candidate) => candidate.line === line && candidate.number === number)?.id;
  return {
    brief: kept(file.brief, 'brief'),
    airframe: kept(file.airframe, 'airframe'),
    sources: file.sources.map(({ ref: id, ...source }) => kept(source, id)),
    questions: file.questions.map(({ ref: id, ...question }) => kept(question, id)),
    sightings: file.sightings.map(({ question, source, ...sighting }, i) =>
      kept({ ...sighting, questionId: question, sourceId: source }, `sighting${i}`),
    ),
    rulings: file.rulings.map(({ question, ...ruling }, i) => kept({ ...ruling, questionId: question }, `ruling${i}`)),
    events: file.events.map(({ ref: id, ...event }) => kept(event, id)),
    mirrors: file.mirrors.map((mirror, i) => kept(mirror, `mirror${i}`)),
    markings: file.markings.map((marking, i) =>
      kept({ ...marking, name: marking.name || marking.title }, markingRef(i)),
    ),
    fields: file.fields.map((field, i) => kept(field, `field${i}`)),
    underlays: file.underlays.map((own, i) => kept(own, `underlay${i}`)),
    edits: file.edits.map((own, i) => kept(own, `edit${i}`)),
    mishaps: file.mishaps.map((own, i) => kept(own, `mishap${i}`)),
    runs: file.runs.map((own, i) => kept(own, `run${i}`)),
    sprayOuts: file.sprayOuts.map((own, i) => kept(own, `sprayOut${i}`)),
    plans: file.plans.map((own, i) => kept(own, `plan${i}`)),
    evenings: file.evenings.map((evening, i) => kept(evening, `evening${i}`)),
    sessions: file.sessions.map((session, i) => kept(session, `session${i}`)),
    parts: fileParts(file).parts.map(({ id, ...part }) =>
      kept({ ...part, replacesIds: part.replacesIds.map((old) => `part${old}`) }, `part${id}`),
    ),
    measures: file.measures.map((measure, i) => kept(measure, `measure${i}`)),
    subjects: file.subjects.map((subject, i) =>
      kept({ ...subject, name: subject.name || subjectName(subject.title) }, `subject${i}`),
    ),
    zoneDays: file.zoneDays.map((own, i) => kept(own, `zoneDay${i}`)),
    log: file.log.map((entry, i) => kept(entry, `log${i}`)),
    timers: file.timers.map((timer, i) => kept(timer, `timer${i}`)),
    coats: file.coats.flatMap(({ line, number, ...coat }, i) => {
      const paintId = paintIdOf({ line, number });
      return paintId ? [kept({ ...coat, paintId }, `coat${i}`)] : [];
    }),
    choices: file.choices.flatMap((choice, i) => {
      const codeId = codeIdOf(choice.code);
      const recipeId = 'recipe' in choice ? choice.recipe : null;
      const paintId = 'recipe' in choice ? null : paintIdOf(choice);
      const { ground, coats, way } = choice;
      const over = choice.filter && paintIdOf(choice.filter);
      const filter =
        choice.filter && over ? { paintId: over, percent: choice.filter.percent, passes: choice.filter.passes } : null;
      return codeId && (recipeId || paintId)
        ? [kept({ codeId, paintId: paintId ?? null, recipeId, ground, coats, filter, way }, `choice${i}`)]
        : [];
    }),
    recipes: file.recipes.flatMap(({ ref: id, code, parts, ...recipe }) => {
      const codeId = codeIdOf(code);
      const known = parts.flatMap(({ drops, ...name }) => {
        const paintId = paintIdOf(name);
        return paintId ? [{ paintId, drops }] : [];
      });
      return codeId && known.length > 0 ? [kept({ ...recipe, codeId, parts: known }, id)] : [];
    }),
    uses: file.uses.flatMap(({ code, ...use }, i) => {
      const codeId = codeIdOf(code);
      return codeId ? [kept({ ...use, codeId }, `use${i}`)] : [];
    }),
  };
}

/** How corners of fields name a marking of the file. */
export const markingRef = (i: number): string => `marking${i}`;

/** A field whose corners hang on markings of other names. */
export function renamed<F extends { shape: FieldShape }>(field: F, nameOf: (marking: string) => string): F {
  const { shape } = field;
  if (!('corners' in shape)) return field;
  return {
    ...field,
    shape: {
      ...shape,
      corners: shape.corners.map((corner) =>
        corner.on ? { ...corner, on: { ...corner.on, marking: nameOf(corner.on.marking) } } : corner,
      ),
    },
  };
}
