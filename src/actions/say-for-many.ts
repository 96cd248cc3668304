'use server';

import { z } from 'zod';
import { uncontradicted, wordReason } from '@/core/workshop/word-of-source';
import { weighQuestions } from '@/core/derive/questions';
import { sightOf } from '@/core/kit/seen';
import { questionKey } from '@/core/evidence/question-key';
import { clarityOf } from '@/core/evidence/shown';
import { readSaidList } from '@/core/evidence/said-list';
import type { Clarity } from '@/core/evidence/weights';
import type { Result } from '@/core/interchange/result';
import { BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import { RECORDS, sightingFields, type Fields } from '@/core/kept/records';
import { outlineOf, type BriefState } from '@/core/kept/state';
import { otherSide, sideOf } from '@/core/outline/zones';
import { perform, stampedAct, type ActWriter } from '@/data/acts';
import { askedQuestion } from '@/data/evidence';
import { answered, ofBrief, Refused } from './answer';
import { bookOf, briefOf } from './brief-of';
import { checkValue, onItsSide } from './check-evidence';

/** What one source says of many zones, in one act that is taken back as one. */

const { aspect, item } = RECORDS.question.shape;
/** A source that is there, or a new one of a kind. */
const sourceAsked = z.union([
  z.uuid(),
  z.object({ kind: z.enum(['kit-sheet', 'photograph']), title: z.string().trim().min(1, 'Title is needed').max(120) }),
]);

interface Said {
  zone: string;
  value: string;
  sd: number | null;
  clarity: Clarity | null;
}
interface SaidOf {
  aspect: Fields<'question'>['aspect'];
  item: string;
}

type Source = Fields<'source'> & { id: string | null };

function sourceFor(state: BriefState, asked: z.infer<typeof sourceAsked>): Source {
  if (typeof asked !== 'string') return { ...BLANK_SOURCE, ...asked, id: null };
  const source = state.sources.find(({ id }) => id === asked);
  if (!source) throw new Refused('source', 'This source is gone.');
  return source;
}

/** Writes what a source says of zones; what it said of them before is changed. Answers with how many there are. */
async function writeSaid(
  writer: ActWriter,
  state: BriefState,
  { id, ...source }: Source,
  { aspect: about, item: which }: SaidOf,
  said: readonly Said[],
): Promise<{ said: number; sourceId: string }> {
  const { version: _version, ...fields } = source as Fields<'source'> & { version?: number };
  const sourceId = id ?? (await writer.insert('source', fields)).id;
  const questions = new Map(state.questions.map((one) => [questionKey(one), one.id]));
  const standing = new Map(
    state.sightings.filter((one) => one.sourceId === sourceId).map((one) => [one.questionId, one]),
  );
  const fresh: Fields<'sighting'>[] = [];
  for (const { zone, value, sd, clarity } of said) {
    const shown = onItsSide(
      { ...BLANK_SIGHTING, clarity: clarity ?? clarityOf(source, zone, about), note: '' },
      source,
      zone,
      'clarity',
    );
    const question = { zone, aspect: about, item: which };
    const questionId = questions.get(questionKey(question)) ?? (await askedQuestion(writer, question));
    const known = standing.get(questionId);
    if (known) await writer.update('sighting', known.id, known.version, { ...shown, value, sd });
    else fresh.push({ ...shown, value, sd, questionId, sourceId });
  }
  await writer.insertMany('sighting', fresh);
  return { said: said.length, sourceId };
}

/** One statement of one source for all the zones that were chosen. */
export async function sayForMany(input: unknown): Promise<Result<{ said: number; sourceId: string }>> {
  return answered(async () => {
    const { briefId, act, source, zones, value, clarity, ...about } = ofBrief
      .extend({
        source: sourceAsked,
        zones: z.array(z.string().max(60)).min(1, 'Choose the zones first').max(200),
        aspect,
        item: item.default(''),
        value: sightingFields.shape.value,
        clarity: sightingFields.shape.clarity.nullable().default(null),
      })
      .parse(input);
    return perform(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const state = await briefOf(writer);
      const known = new Set(outlineOf(state).zones.map(({ key }) => key));
      const stranger = zones.find((zone) => !known.has(zone));
      if (stranger) throw new Refused('zones', `This airframe has no zone "${stranger}".`);
      const read = checkValue(await bookOf(writer), about.aspect, value);
      const said = zones.map((zone) => ({ zone, clarity, ...read }));
      return writeSaid(writer, state, sourceFor(state, source), about, said);
    });
  });
}

/** A pasted list of one source: all lines, or none where one cannot be read. */
export async function sayList(input: unknown): Promise<Result<{ said: number; sourceId: string }>> {
  return answered(async () => {
    const { briefId, act, source, text, ...about } = ofBrief
      .extend({
        source: sourceAsked,
        aspect,
        item: item.default(''),
        text: z.string().trim().min(1, 'Paste the list first').max(50_000, 'At most 50 000 signs'),
      })
      .parse(input);
    return perform(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const state = await briefOf(writer);
      const { said, faults } = readSaidList(text, outlineOf(state).zones);
      if (faults.length > 0)
        throw new Refused('text', faults.map(({ line, says }) => `Line ${line}: ${says}`).join('. '));
      const book = await bookOf(writer);
      const whole = said.flatMap(({ line, zones, value }): Said[] => {
        try {
          const read = checkValue(book, about.aspect, value);
          return zones.map((zone) => ({ zone, clarity: null, ...read }));
        } catch (error) {
          if (error instanceof Refused) throw new Refused('text', `Line ${line}: ${error.message}`, error.offers);
          throw error;
        }
      });
      // A zone that stands in the list twice is as its last line says.
      const last = [...new Map(whole.map((one) => [one.zone, one])).values()];
      return writeSaid(writer, state, sourceFor(state, source), about, last);
    });
  });
}

/** Rules every open question on which a source has the only word: one act, taken back as one. */
export async function takeWord(input: unknown): Promise<Result<{ ruled: number }>> {
  return answered(async () => {
    const { briefId, act, sourceId } = ofBrief.extend({ sourceId: z.uuid() }).parse(input);
    return perform(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const state = await briefOf(writer);
      const source = state.sources.find(({ id }) => id === sourceId);
      if (!source) throw new Refused('', 'This source is gone.');
      const { questions } = weighQuestions(state, await bookOf(writer), outlineOf(state));
      const words = uncontradicted(questions, sourceId);
      if (words.length === 0) throw new Refused('', `${source.title} has the only word on no open question.`);
      await writer.insertMany(
        'ruling',
        words.map(({ question, value }) => ({
          questionId: question.record.id,
          value,
          basis: 'supported' as const,
          reason: wordReason(source.title),
          ruledBy: act.by,
          favoured: value,
        })),
      );
      return { ruled: words.length };
    });
  });
}

/** What a source says of one side said of the other too, where it says nothing there yet. Zones that the options hide are left alone. */
export async function copySide(input: unknown): Promise<Result<{ said: number }>> {
  return answered(async () => {
    const { briefId, act, sourceId, from } = ofBrief
      .extend({ sourceId: z.uuid(), from: z.enum(['port', 'starboard']) })
      .parse(input);
    return perform(stampedAct(act, briefId, 'evidence'), async (writer) => {
      const state = await briefOf(writer);
      const source = sourceFor(state, sourceId);
      const zones = new Map(outlineOf(state).zones.map((zone) => [zone.key, zone]));
      const questions = new Map(state.questions.map((one) => [one.id, one]));
      const own = state.sightings.filter((one) => one.sourceId === sourceId);
      const there = new Set(own.map(({ questionId }) => questionKey(questions.get(questionId)!)));
      const copies = own.flatMap((sighting) => {
        const question = questions.get(sighting.questionId)!;
        const zone = sideOf(question.zone) === from ? zones.get(otherSide(question.zone)!) : undefined;
        if (!zone || sightOf(zone, state.brief.options).sight === 'hidden') return [];
        const asked = { zone: zone.key, aspect: question.aspect, item: question.item };
        return there.has(questionKey(asked)) ? [] : [{ asked, sighting }];
      });
      if (copies.length === 0)
        throw new Refused('', `${source.title} says nothing of the ${from} side that it does not say of the other.`);
      for (const { asked, sighting } of copies) {
        const { value, sd, sense } = sighting;
        await writer.insert('sighting', {
          ...BLANK_SIGHTING,
          value,
          sd,
          sense,
          clarity: 'inferred',
          note: `copied from the ${from} side`,
          questionId: await askedQuestion(writer, asked),
          sourceId,
        });
      }
      return { said: copies.length };
    });
  });
}
