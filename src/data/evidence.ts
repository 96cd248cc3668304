import type { Fields, Kept } from '@/core/kept/records';
import type { ActWriter } from './acts';
import { rows } from './database';
import { fromRow, type Row } from './rows';

/** The question of a zone and aspect: the one that is asked, or a new one. */
export async function askedQuestion(writer: ActWriter, asked: Fields<'question'>): Promise<string> {
  const [known] = await rows<{ id: string }>(
    writer.client,
    'select id from question where brief_id = $1 and zone = $2 and aspect = $3 and item = $4',
    [writer.act.briefId, asked.zone, asked.aspect, asked.item],
  );
  return known?.id ?? (await writer.insert('question', asked)).id;
}

/** The first of what a source says of a question; null where it says nothing. */
export async function saidOf(
  writer: ActWriter,
  questionId: string,
  sourceId: string,
): Promise<Kept<'sighting'> | null> {
  const [found] = await rows<{ row: Row }>(
    writer.client,
    'select to_jsonb(t) as row from sighting t where question_id = $1 and source_id = $2 order by created_at, id limit 1',
    [questionId, sourceId],
  );
  return found ? fromRow('sighting', found.row) : null;
}
