import type { RecordName } from '@/core/kept/records';
import { rows, type Client } from './database';
import type { Row } from './rows';

/** What cannot stand without a row: it falls with it, by name, so that it is in the history and comes back with an undo. */
const DEPENDANTS: Partial<Record<RecordName, readonly (readonly [RecordName, string])[]>> = {
  source: [['sighting', 'source_id']],
  question: [
    ['sighting', 'question_id'],
    ['ruling', 'question_id'],
  ],
  recipe: [['colour_choice', 'recipe_id']],
  paint_line: [
    ['paint', 'line_id'],
    ['paint_set', 'line_id'],
  ],
  paint: [
    ['bottle', 'paint_id'],
    ['colour_choice', 'paint_id'],
    ['general_coat', 'paint_id'],
  ],
  colour_code: [
    ['colour_choice', 'code_id'],
    ['recipe', 'code_id'],
    ['paint_use', 'code_id'],
    ['chip', 'code_id'],
    ['code_relation', 'code_id'],
    ['code_relation', 'other_id'],
  ],
};

export interface Dependant {
  entity: RecordName;
  row: Row;
}

export async function dependantsOf(client: Client, name: RecordName, id: string): Promise<Dependant[]> {
  const found: Dependant[] = [];
  for (const [entity, column] of DEPENDANTS[name] ?? [])
    found.push(
      ...(
        await rows<{ row: Row }>(
          client,
          `select to_jsonb(t) as row from ${entity} t where ${column} = $1 order by id for update`,
          [id],
        )
      ).map(({ row }) => ({ entity, row })),
    );
  return found;
}
