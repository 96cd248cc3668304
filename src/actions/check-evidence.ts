import { z } from 'zod';
import { notSupported, ownReason } from '@/core/derive/ruling';
import { weighQuestions } from '@/core/derive/questions';
import { questionInWords } from '@/core/evidence/question-words';
import { outlineOf } from '@/core/kept/state';
import { checkSource } from '@/core/kept/check-source';
import type { Fields, RecordName } from '@/core/kept/records';
import type { CodeBook } from '@/core/codes/system';
import { resolveCode } from '@/core/codes/resolve';
import { ASPECTS, type Aspect } from '@/core/evidence/aspects';
import { coatOrderOf, printCoatOrder } from '@/core/evidence/coat-order';
import { asInferred, otherSideOnly } from '@/core/evidence/shown';
import { readValue } from '@/core/evidence/value';
import { readRecord } from '@/data/acts';
import type { Sight } from '@/data/sight';
import { Refused } from './answer';
import { bookOf, briefOf } from './brief-of';

/**
 * A value as it is kept for an aspect: a code as its system prints it. Throws Refused at `field` where it cannot be read, or is not clear.
 */
export function checkValue(
  book: CodeBook,
  aspect: Aspect,
  text: string,
  field = 'value',
): { value: string; sd: number | null } {
  const read = readValue(aspect, text);
  if ('fault' in read) throw new Refused(field, read.fault);
  const { type } = ASPECTS[aspect];
  if (type === 'coats') return { ...read, value: checkCoats(book, read.value, field) };
  if (type !== 'code') return read;
  const code = resolveCode(book, read.value);
  if ('says' in code) throw new Refused(field, code.says, code.offers);
  return { ...read, value: code.value };
}

/** An order of coats with each of its codes as its system prints it; words as they stand. */
function checkCoats(book: CodeBook, text: string, field: string): string {
  const order = coatOrderOf(text);
  if (!order) return text;
  return printCoatOrder(order, (typed) => {
    const code = resolveCode(book, typed);
    if (!('says' in code)) return code.value;
    // What is offered is the whole order with that one code in it.
    const offers = code.offers.map((offer) => printCoatOrder(order, (other) => (other === typed ? offer : other)));
    throw new Refused(field, code.says, offers);
  });
}

/** What one record of evidence alone cannot tell, checked against the rest; answers with the fields as they are kept. */
export async function checkEvidence(at: Sight, entity: RecordName, id: string | null, fields: never): Promise<never> {
  if (entity !== 'source' && entity !== 'sighting' && entity !== 'ruling') return fields;
  if (entity === 'source') {
    const state = await briefOf(at);
    const given = fields as Fields<'source'>;
    // Links to sources that were removed meanwhile fall away with them.
    const standing = new Set(state.sources.map((source) => source.id));
    const source = { ...given, derivedFrom: given.derivedFrom.filter((origin) => standing.has(origin)) };
    const [fault] = checkSource(source, id, state);
    if (fault) throw new Refused(fault.field, fault.says);
    return source as never;
  }
  const said = fields as Fields<'sighting' | 'ruling'>;
  const question = await readRecord(at, 'question', said.questionId);
  if (!question) throw new Refused('', 'This question is gone.');
  const read = checkValue(await bookOf(at), question.aspect, said.value);
  if (entity === 'sighting') {
    const sighting = said as Fields<'sighting'>;
    const source = await readRecord(at, 'source', sighting.sourceId);
    if (!source) throw new Refused('', 'This source is gone.');
    // What stood there before sides were looked at may still be corrected in other ways.
    if (id === null) Object.assign(said, onItsSide(sighting, source, question.zone));
  }
  if (entity === 'ruling')
    Object.assign(said, { favoured: await checkBasis(at, said as Fields<'ruling'>, read.value) });
  return { ...said, value: read.value, ...('sd' in said ? { sd: read.sd ?? said.sd } : {}) } as never;
}

/** A sighting as its source can show it. Throws Refused where it says clearly what lies on the other side. */
export function onItsSide<T extends Pick<Fields<'sighting'>, 'clarity' | 'note'>>(
  said: T,
  source: Fields<'source'>,
  zone: string,
  field = 'clarity',
): T {
  const shown = asInferred(said, source, zone);
  if (shown) return shown;
  const only = otherSideOnly(source, zone);
  throw new Refused(field, `${source.title} shows the ${only} side only: of this side it can only be inferred`, [
    ...(field ? ['inferred'] : []),
  ]);
}

/** The questions of a brief as they are weighed now. */
async function weighedNow(at: Sight) {
  const [state, book] = [await briefOf(at), await bookOf(at)];
  const { questions } = weighQuestions(state, book, outlineOf(state));
  return { book, questionOf: (id: string) => questions.find(({ record }) => record.id === id) };
}

/**
 * What the support does not favour is no ruling "as supported": whoever rules it says there and then on what it rests. Answers with what the
 * sources favour now; empty where that is nothing.
 */
async function checkBasis(at: Sight, ruling: Fields<'ruling'>, value: string): Promise<string> {
  const { questionOf, book } = await weighedNow(at);
  const question = questionOf(ruling.questionId);
  const says = ruling.basis === 'supported' && question && notSupported(question, value, book);
  if (says) throw new Refused('basis', `${says}: on what does this ruling rest?`, ['choice', 'departure', 'liberty']);
  return question?.best ?? '';
}

/** A ruling as it was typed, with the reason that needs no typing where the sources settle it. */
export async function withOwnReason(at: Sight, fields: Record<string, unknown>): Promise<Record<string, unknown>> {
  const typed = z
    .object({ questionId: z.uuid(), value: z.string(), basis: z.literal('supported'), reason: z.literal('') })
    .safeParse(fields);
  if (!typed.success) return fields;
  const { questionOf, book } = await weighedNow(at);
  const question = questionOf(typed.data.questionId);
  return { ...fields, reason: (question && ownReason(question, typed.data, book)) ?? '' };
}

/** Rulings as the sources settle them, for questions that are open. Throws Refused with the name of one that they do not settle. */
export async function settledRulings(at: Sight, questionIds: readonly string[], ruledBy: string) {
  const { questionOf, book } = await weighedNow(at);
  return questionIds.map((id) => {
    const question = questionOf(id);
    if (!question) throw new Refused('', 'A question is gone.');
    const value = question.best ?? '';
    const ruling = { questionId: id, value, basis: 'supported' as const, ruledBy, favoured: value };
    const reason = ownReason(question, ruling, book);
    if (!reason) throw new Refused('', `${questionInWords(question)}: the sources do not settle it`);
    return { standing: question.ruledOpposite ? null : question.ruling, fields: { ...ruling, reason } };
  });
}
