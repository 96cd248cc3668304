import { z } from 'zod';
import {
  airframeFields,
  bottleFields,
  briefFields,
  chipFields,
  colourCodeFields,
  logEntryFields,
  markingFields,
  paintFields,
  paintLineFields,
  timerFields,
  weeklySessionFields,
} from '@/core/brief/records';
import type { BriefState, ColourShelf } from '@/core/brief/state';
import type { Paint } from '@/core/paint/catalogue';
import { checkDossier, dossierParts, dossierPartsOf, plain, ref } from './dossier';

/** `build-brief/2`: a whole brief in one JSON file, see docs/formats/brief.md. References are names inside the file (s1, q1, e1). */

const chipInFile = chipFields.omit({ codeId: true });
const paintInFile = paintFields.omit({ lineId: true });

const wholeBrief = z
  .strictObject({
    format: z.literal('build-brief/2', {
      error: 'this is not a Build Brief file (its format should be "build-brief/2", or 1)',
    }),
    brief: briefFields,
    airframe: airframeFields,
    ...dossierParts,
    markings: z.array(markingFields).max(500),
    sessions: z.array(weeklySessionFields).max(50),
    log: z.array(logEntryFields).max(20_000),
    timers: z.array(timerFields).max(100),
    choices: z.array(z.strictObject({ code: ref, line: z.string().min(1), number: z.string().min(1) })).max(500),
    codes: z.array(z.strictObject({ ...colourCodeFields.shape, chips: z.array(chipInFile).max(100) })).max(5000),
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
    checkDossier(file, (path, message) => context.addIssue({ code: 'custom', path, message })),
  );

export type BriefFile = z.infer<typeof wholeBrief>;

/** Reads either version of the file; the first is brought up to the second. */
export const briefFileSchema = z.preprocess(fromFirstVersion, wholeBrief);

/** `build-brief/1` had repaints only, and knew nothing of film, places and marks in pictures. Anything odd is left for the schema to name. */
function fromFirstVersion(raw: unknown): unknown {
  const file = raw as Record<string, unknown>;
  if (typeof raw !== 'object' || raw === null || file.format !== 'build-brief/1') return raw;
  const each = (list: unknown, added: (item: object, i: number) => object) =>
    Array.isArray(list)
      ? list.map((item, i) => (typeof item === 'object' && item ? { ...added(item, i), ...item } : item))
      : list;
  const { repaints, airframe, brief, ...rest } = file;
  return {
    ...rest,
    format: 'build-brief/2',
    brief: typeof brief === 'object' && brief ? { weights: { kind: {}, clarity: {} }, ...brief } : brief,
    airframe: typeof airframe === 'object' && airframe ? { lostOn: null, ...airframe } : airframe,
    sources: each(file.sources, () => ({
      page: '',
      place: '',
      film: 'unknown',
      zones: [],
      afterEventId: null,
      beforeEventId: null,
      calibration: null,
    })),
    questions: each(file.questions, () => ({ item: '' })),
    sightings: each(file.sightings, () => ({ marks: null })),
    events: each(repaints, (_, i) => ({ ref: `e${i + 1}`, kind: 'repaint', value: '', showsUnder: false })),
    mirrors: [],
  };
}

/** The brief as a file. `picture` gives the bytes of a picture in base64. The same brief gives the same file. */
export function toBriefFile(state: BriefState, shelf: ColourShelf, pictures: Record<string, string>): BriefFile {
  const codeOf = new Map(shelf.codes.map((code) => [code.id, code]));
  const paintOf = new Map(shelf.paints.map((paint) => [paint.id, paint]));
  const choices = state.choices
    .flatMap((choice) => {
      const [code, paint] = [codeOf.get(choice.codeId), paintOf.get(choice.paintId)];
      return code && paint ? [{ code: code.code, line: paint.line, number: paint.number }] : [];
    })
    .sort((a, b) => a.code.localeCompare(b.code));
  const named = new Set([
    ...state.rulings.map((r) => r.value),
    ...state.sightings.map((s) => s.value),
    ...state.markings.flatMap((m) => m.codes),
    ...choices.map((c) => c.code),
  ]);
  const chosen = state.choices.flatMap((choice) => paintOf.get(choice.paintId) ?? []);
  return {
    format: 'build-brief/2',
    brief: plain(state.brief),
    airframe: plain(state.airframe),
    ...dossierPartsOf(state, pictures),
    markings: state.markings.map((marking) => plain(marking)),
    sessions: state.sessions.map((session) => plain(session)),
    log: state.log.map((entry) => plain(entry)),
    timers: state.timers.map((timer) => plain(timer)),
    choices,
    codes: shelf.codes
      .filter((code) => named.has(code.code))
      .map((code) => ({
        ...plain(code),
        chips: shelf.chips.filter((chip) => chip.codeId === code.id).map((chip) => plain(chip, 'codeId')),
      })),
    lines: linesOf(chosen),
  };
}

function linesOf(paints: readonly Paint[]): BriefFile['lines'] {
  const names = [...new Set(paints.map((paint) => paint.line))].sort();
  return names.map((name) => {
    const own = [
      ...new Map(paints.filter((paint) => paint.line === name).map((paint) => [paint.number, paint])).values(),
    ];
    return {
      name,
      chemistry: own[0]!.chemistry,
      paints: own
        .sort((a, b) => a.number.localeCompare(b.number))
        .map(({ number, name: title, kind, finish, opacity, lab, sd, sizeMl, priceCents, claims }) => ({
          number,
          name: title,
          kind,
          finish,
          opacity,
          lab: lab as [number, number, number] | null,
          sd,
          sizeMl,
          priceCents,
          claims: [...claims],
          bottle: null,
        })),
    };
  });
}

/** The facts of a file as if it were kept, its refs standing for identities: for computing from a file before it is imported. */
export function stateOfFile(file: BriefFile, shelf: ColourShelf): BriefState {
  const kept = <T extends object>(fields: T, id: string) => ({ ...fields, id, version: 1 });
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
    markings: file.markings.map((marking, i) => kept(marking, `marking${i}`)),
    sessions: file.sessions.map((session, i) => kept(session, `session${i}`)),
    log: file.log.map((entry, i) => kept(entry, `log${i}`)),
    timers: file.timers.map((timer, i) => kept(timer, `timer${i}`)),
    choices: file.choices.flatMap((choice, i) => {
      const code = shelf.codes.find((candidate) => candidate.code === choice.code);
      const paint = shelf.paints.find(
        (candidate) => candidate.line === choice.line && candidate.number === choice.number,
      );
      return code && paint ? [kept({ codeId: code.id, paintId: paint.id }, `choice${i}`)] : [];
    }),
  };
}
