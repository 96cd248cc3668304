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
  questionFields,
  repaintFields,
  rulingFields,
  sightingFields,
  sourceFields,
  timerFields,
  weeklySessionFields,
  type Kept,
  type RecordName,
} from '@/core/brief/records';
import type { BriefState, ColourShelf } from '@/core/brief/state';
import { derivationCircle } from '@/core/evidence/independence';
import type { Paint } from '@/core/paint/catalogue';

/** `build-brief/1`: a whole brief in one JSON file, see docs/formats/brief.md. References are names inside the file (s1, q1). */

const ref = z.string().min(1).max(40);
const chipInFile = chipFields.omit({ codeId: true });
const paintInFile = paintFields.omit({ lineId: true });

export const briefFileSchema = z
  .strictObject({
    format: z.literal('build-brief/1', {
      error: 'this is not a Build Brief file (its format should be "build-brief/1")',
    }),
    brief: briefFields,
    airframe: airframeFields,
    sources: z
      .array(
        z.strictObject({ ref, ...sourceFields.shape, derivedFrom: z.array(ref), pictureId: z.string().nullable() }),
      )
      .max(2000),
    questions: z.array(z.strictObject({ ref, ...questionFields.shape })).max(2000),
    sightings: z
      .array(
        z.strictObject({
          ...sightingFields.omit({ questionId: true, sourceId: true }).shape,
          question: ref,
          source: ref,
        }),
      )
      .max(20_000),
    rulings: z.array(z.strictObject({ ...rulingFields.omit({ questionId: true }).shape, question: ref })).max(2000),
    repaints: z.array(repaintFields).max(2000),
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
    pictures: z.record(z.string(), z.base64('a picture must be base64')),
  })
  .superRefine((file, context) => {
    const fault = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message });
    const sources = new Set(file.sources.map((source) => source.ref));
    const questions = new Set(file.questions.map((question) => question.ref));
    if (sources.size < file.sources.length) fault(['sources'], 'two sources have the same ref');
    if (questions.size < file.questions.length) fault(['questions'], 'two questions have the same ref');
    file.sources.forEach((source, i) => {
      source.derivedFrom.forEach(
        (origin, j) => sources.has(origin) || fault(['sources', i, 'derivedFrom', j], `there is no source "${origin}"`),
      );
      if (source.pictureId !== null && !Object.hasOwn(file.pictures, source.pictureId))
        fault(['sources', i, 'pictureId'], 'its picture is not in the file');
    });
    const circle = derivationCircle(
      file.sources.map((source) => ({ id: source.ref, derivedFrom: source.derivedFrom })),
    );
    if (circle) fault(['sources'], `derivedFrom goes in a circle: ${circle.join(' from ')}`);
    file.sightings.forEach((sighting, i) => {
      if (!questions.has(sighting.question))
        fault(['sightings', i, 'question'], `there is no question "${sighting.question}"`);
      if (!sources.has(sighting.source)) fault(['sightings', i, 'source'], `there is no source "${sighting.source}"`);
    });
    file.rulings.forEach(
      (ruling, i) =>
        questions.has(ruling.question) ||
        fault(['rulings', i, 'question'], `there is no question "${ruling.question}"`),
    );
  });

export type BriefFile = z.infer<typeof briefFileSchema>;

const plain = <N extends RecordName, K extends string = never>(record: Kept<N>, ...without: K[]) =>
  Object.fromEntries(
    Object.entries(record).filter(([key]) => key !== 'id' && key !== 'version' && !without.includes(key as K)),
  ) as Omit<Kept<N>, 'id' | 'version' | K>;

/** The brief as a file. `picture` gives the bytes of a picture in base64. The same brief gives the same file. */
export function toBriefFile(state: BriefState, shelf: ColourShelf, pictures: Record<string, string>): BriefFile {
  const sourceRef = new Map(state.sources.map((source, i) => [source.id, `s${i + 1}`]));
  const questionRef = new Map(state.questions.map((question, i) => [question.id, `q${i + 1}`]));
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
    format: 'build-brief/1',
    brief: plain(state.brief),
    airframe: plain(state.airframe),
    sources: state.sources.map((source) => ({
      ref: sourceRef.get(source.id)!,
      ...plain(source),
      derivedFrom: source.derivedFrom.flatMap((id) => sourceRef.get(id) ?? []),
    })),
    questions: state.questions.map((question) => ({ ref: questionRef.get(question.id)!, ...plain(question) })),
    sightings: state.sightings.map((sighting) => ({
      question: questionRef.get(sighting.questionId)!,
      source: sourceRef.get(sighting.sourceId)!,
      ...plain(sighting, 'questionId', 'sourceId'),
    })),
    rulings: state.rulings
      .map((ruling) => ({ question: questionRef.get(ruling.questionId)!, ...plain(ruling, 'questionId') }))
      .sort((a, b) => Number(a.question.slice(1)) - Number(b.question.slice(1))),
    repaints: state.repaints.map((repaint) => plain(repaint)),
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
    pictures: Object.fromEntries(
      state.sources.flatMap(({ pictureId }) =>
        pictureId && pictures[pictureId] ? [[pictureId, pictures[pictureId]]] : [],
      ),
    ),
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
    repaints: file.repaints.map((repaint, i) => kept(repaint, `repaint${i}`)),
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
