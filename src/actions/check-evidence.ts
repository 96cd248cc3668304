import { checkSource } from '@/core/kept/check-source';
import type { Fields, RecordName } from '@/core/kept/records';
import { resolveCode } from '@/core/codes/resolve';
import { ASPECTS, type Aspect } from '@/core/evidence/aspects';
import { readValue } from '@/core/evidence/value';
import { readRecord } from '@/data/acts';
import { loadBrief } from '@/data/briefs';
import { loadCodeBook } from '@/data/shelf';
import { Refused } from './answer';

/** A value as it is kept for an aspect: a code as its system prints it. Throws Refused at `field` where it cannot be read, or is not clear. */
export async function checkValue(
  aspect: Aspect,
  text: string,
  field = 'value',
): Promise<{ value: string; sd: number | null }> {
  const read = readValue(aspect, text);
  if ('fault' in read) throw new Refused(field, read.fault);
  if (ASPECTS[aspect].type !== 'code') return read;
  const code = resolveCode(await loadCodeBook(), read.value);
  if ('says' in code) throw new Refused(field, code.says, code.offers);
  return { ...read, value: code.value };
}

/** What one record of evidence alone cannot tell, checked against the rest; answers with the fields as they are kept. */
export async function checkEvidence(
  briefId: string,
  entity: RecordName,
  id: string | null,
  fields: never,
): Promise<never> {
  if (entity !== 'source' && entity !== 'sighting' && entity !== 'ruling') return fields;
  if (entity === 'source') {
    const state = await loadBrief(briefId);
    if (!state) throw new Refused('', 'This brief is gone.');
    const given = fields as Fields<'source'>;
    // Links to sources that were removed meanwhile fall away with them.
    const standing = new Set(state.sources.map((source) => source.id));
    const source = { ...given, derivedFrom: given.derivedFrom.filter((origin) => standing.has(origin)) };
    const [fault] = checkSource(source, id, state);
    if (fault) throw new Refused(fault.field, fault.says);
    return source as never;
  }
  const said = fields as Fields<'sighting' | 'ruling'>;
  const question = await readRecord(briefId, 'question', said.questionId);
  if (!question) throw new Refused('', 'This question is gone.');
  const read = await checkValue(question.aspect, said.value);
  return { ...said, value: read.value, ...('sd' in said ? { sd: read.sd ?? said.sd } : {}) } as never;
}
