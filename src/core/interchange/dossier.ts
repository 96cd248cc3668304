import { questionKey } from '@/core/evidence/question-key';
import { z } from 'zod';
import {
  mirrorFields,
  paintEventFields,
  questionFields,
  rulingFields,
  sightingFields,
  sourceFields,
  type Kept,
  type RecordName,
} from '@/core/kept/records';
import { MOST_RECORDS } from '@/core/kept/most';
import { identityOf, type BriefState } from '@/core/kept/state';
import { isPlainText } from '@/core/units/text';
import { derivationCircle } from '@/core/evidence/independence';

/** The evidence of a brief as a file: `build-brief-dossier/1`, and the same parts inside a whole brief. References are names inside the file. */

export const ref = z.string().min(1).max(64).refine(isPlainText, 'it holds signs that are no text');

/** Every part of a dossier, by its name in the file. */
export const dossierParts = {
  sources: z
    .array(
      z.strictObject({
        ref,
        ...sourceFields.shape,
        derivedFrom: z.array(ref),
        pictureId: ref.nullable(),
        afterEventId: ref.nullable(),
        beforeEventId: ref.nullable(),
      }),
    )
    .max(MOST_RECORDS.sources),
  questions: z.array(z.strictObject({ ref, ...questionFields.shape })).max(MOST_RECORDS.questions),
  sightings: z
    .array(
      z.strictObject({
        ...sightingFields.omit({ questionId: true, sourceId: true }).shape,
        question: ref,
        source: ref,
      }),
    )
    .max(MOST_RECORDS.sightings),
  rulings: z
    .array(z.strictObject({ ...rulingFields.omit({ questionId: true }).shape, question: ref }))
    .max(MOST_RECORDS.rulings),
  events: z.array(z.strictObject({ ref, ...paintEventFields.shape })).max(MOST_RECORDS.events),
  mirrors: z.array(mirrorFields).max(MOST_RECORDS.mirrors),
  pictures: z.record(z.string(), z.base64('a picture must be base64')),
};
export type DossierParts = { [N in keyof typeof dossierParts]: z.infer<(typeof dossierParts)[N]> };

export type FileFault = (path: (string | number)[], message: string) => unknown;

/** Names the place of every part that is called like an earlier one. */
export function unlike<T>(
  parts: readonly T[],
  list: string,
  nameOf: (part: T) => string,
  says: string,
  fault: FileFault,
): void {
  const names = new Set<string>();
  parts.forEach((part, i) => {
    const name = nameOf(part);
    if (names.has(name)) fault([list, i], says);
    names.add(name);
  });
}

/** What one part of a dossier says of another that is not there, or that contradicts itself. */
export function checkDossier(file: DossierParts, fault: FileFault): void {
  const sources = new Set(file.sources.map((source) => source.ref));
  const questions = new Set(file.questions.map((question) => question.ref));
  const events = new Set(file.events.map((event) => event.ref));
  unlike(file.sources, 'sources', ({ ref: name }) => name, 'two sources have the same ref', fault);
  unlike(file.questions, 'questions', ({ ref: name }) => name, 'two questions have the same ref', fault);
  unlike(file.questions, 'questions', questionKey, 'it is asked twice', fault);
  unlike(file.events, 'events', ({ ref: name }) => name, 'two events have the same ref', fault);
  unlike(file.rulings, 'rulings', ({ question }) => question, 'its question is ruled twice', fault);
  unlike(file.mirrors, 'mirrors', questionKey, 'it is said twice', fault);
  file.sources.forEach((source, i) => {
    source.derivedFrom.forEach(
      (origin, j) => sources.has(origin) || fault(['sources', i, 'derivedFrom', j], `there is no source "${origin}"`),
    );
    for (const end of ['afterEventId', 'beforeEventId'] as const)
      if (source[end] !== null && !events.has(source[end]))
        fault(['sources', i, end], `there is no event "${source[end]}"`);
    if (source.dateFrom && source.dateTo && source.dateTo < source.dateFrom)
      fault(['sources', i, 'dateTo'], 'the window ends before it starts');
    if (source.pictureId !== null && !Object.hasOwn(file.pictures, source.pictureId))
      fault(['sources', i, 'pictureId'], 'its picture is not in the file');
  });
  const circle = derivationCircle(file.sources.map((source) => ({ id: source.ref, derivedFrom: source.derivedFrom })));
  const first = file.sources.findIndex(({ ref: name }) => name === circle?.[0]);
  if (circle) fault(['sources', first, 'derivedFrom'], `derivedFrom goes in a circle: ${circle.join(' from ')}`);
  file.sightings.forEach((sighting, i) => {
    if (!questions.has(sighting.question))
      fault(['sightings', i, 'question'], `there is no question "${sighting.question}"`);
    if (!sources.has(sighting.source)) fault(['sightings', i, 'source'], `there is no source "${sighting.source}"`);
  });
  file.rulings.forEach(
    (ruling, i) =>
      questions.has(ruling.question) || fault(['rulings', i, 'question'], `there is no question "${ruling.question}"`),
  );
}

export const dossierSchema = z
  .strictObject({
    format: z.literal('build-brief-dossier/1', {
      error: 'this is not a dossier (its format should be "build-brief-dossier/1")',
    }),
    identity: z.string(),
    target: z.strictObject({ from: z.string().nullable(), to: z.string().nullable() }),
    ...dossierParts,
  })
  .superRefine((file, context) =>
    checkDossier(file, (path, message) => context.addIssue({ code: 'custom', path, message })),
  );
export type Dossier = z.infer<typeof dossierSchema>;

/** A record's fields alone, without identity and what is named. */
export const plain = <N extends RecordName, K extends string = never>(record: Kept<N>, ...without: K[]) =>
  Object.fromEntries(
    Object.entries(record).filter(([key]) => key !== 'id' && key !== 'version' && !without.includes(key as K)),
  ) as Omit<Kept<N>, 'id' | 'version' | K>;

/** The dossier parts of a brief, naming those pictures that `has` has; their bytes go beside them. */
export function dossierPartsOf(state: BriefState, has: (pictureId: string) => boolean): DossierParts {
  const sourceRef = new Map(state.sources.map((source, i) => [source.id, `s${i + 1}`]));
  const questionRef = new Map(state.questions.map((question, i) => [question.id, `q${i + 1}`]));
  const eventRef = new Map(state.events.map((event, i) => [event.id, `e${i + 1}`]));
  const eventOf = (id: string | null) => (id ? (eventRef.get(id) ?? null) : null);
  return {
    sources: state.sources.map((source) => ({
      ref: sourceRef.get(source.id)!,
      ...plain(source),
      derivedFrom: source.derivedFrom.flatMap((id) => sourceRef.get(id) ?? []),
      afterEventId: eventOf(source.afterEventId),
      beforeEventId: eventOf(source.beforeEventId),
      pictureId: source.pictureId && has(source.pictureId) ? source.pictureId : null,
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
    events: state.events.map((event) => ({ ref: eventRef.get(event.id)!, ...plain(event) })),
    mirrors: state.mirrors.map((mirror) => plain(mirror)),
    pictures: {},
  };
}

export const toDossier = (state: BriefState, pictures: Record<string, string>): Dossier => ({
  format: 'build-brief-dossier/1',
  identity: identityOf(state.airframe),
  target: { from: state.airframe.targetFrom, to: state.airframe.targetTo },
  ...dossierPartsOf(state, (id) => id in pictures),
  pictures,
});
