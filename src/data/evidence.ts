import type { Fields } from '@/core/kept/records';
import type { ActWriter } from './acts';
import { rows } from './database';

/** The question of a zone and aspect: the one that is asked, or a new one. */
export async function askedQuestion(writer: ActWriter, asked: Fields<'question'>): Promise<string> {
  const [known] = await rows<{ id: string }>(
    writer.client,
    'select id from question where brief_id = $1 and zone = $2 and aspect = $3 and item = $4',
    [writer.act.briefId, asked.zone, asked.aspect, asked.item],
  );
  return known?.id ?? (await writer.insert('question', asked)).id;
}
