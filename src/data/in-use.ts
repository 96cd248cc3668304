import { canonicalIn } from '@/core/codes/system';
import { CODE_ASPECTS } from '@/core/evidence/aspects';
import type { RecordName } from '@/core/kept/records';
import { identityOf } from '@/core/kept/state';
import { rows, type Client } from './database';
import { fromRow, type Row } from './rows';
import { loadCodeBook } from './shelf';

/** Who uses a row that all share: what one brief does takes nothing from another. Asked row by row within one act. */

interface Users {
  /** The row, as it is called. */
  what: string;
  users: string[];
}

export class UsersElsewhere {
  /** What all briefs say of codes, read when it is first needed: an act may take a whole standard back. */
  private said: Promise<{ briefId: string; code: string }[]> | null = null;

  /** `briefId` is where the act is done. */
  constructor(
    private readonly client: Client,
    private readonly briefId: string | null,
  ) {}

  /** Those beside the act's own brief who use a shared row; null when nobody does, or when the row is not shared. */
  async of(name: RecordName, row: Row): Promise<Users | null> {
    const found = await this.briefsOf(name, row);
    if (!found || found.briefs.length === 0) return null;
    const airframes = await rows<{ row: Row }>(
      this.client,
      'select to_jsonb(a) as row from airframe a where brief_id = any($1) order by brief_id',
      [found.briefs],
    );
    return { what: found.what, users: airframes.map(({ row: own }) => identityOf(fromRow('airframe', own))) };
  }

  private async briefsOf(name: RecordName, row: Row) {
    const { client, briefId } = this;
    if (name === 'colour_code') return { what: row.code as string, briefs: await this.briefsOfCode(row) };
    if (name === 'chip') {
      const [code] = await rows<{ row: Row }>(client, 'select to_jsonb(c) as row from colour_code c where id = $1', [
        row.code_id,
      ]);
      if (!code) return null;
      return { what: `A chip of ${code.row.code as string}`, briefs: await this.briefsOfCode(code.row) };
    }
    if (name === 'decal_sheet') {
      // Markings of this brief are in the way too: they would stand without their sheet.
      const found = await rows<{ brief_id: string }>(
        client,
        'select distinct brief_id from marking where sheet_id = $1',
        [row.id],
      );
      return { what: row.title as string, briefs: found.map((use) => use.brief_id) };
    }
    if (name === 'paint')
      return { what: await paintName(client, row), briefs: await usersOfPaint(client, row, briefId) };
    return null;
  }

  private async briefsOfCode(code: Row): Promise<string[]> {
    const held = await rows<{ brief_id: string }>(
      this.client,
      `select brief_id from colour_choice where code_id = $1 union select brief_id from recipe where code_id = $1
       union select brief_id from paint_use where code_id = $1`,
      [code.id],
    );
    const users = new Set(held.map((use) => use.brief_id));
    this.said ??= wordsOfCodes(this.client);
    for (const use of await this.said) if (use.code === code.code) users.add(use.briefId);
    if (this.briefId) users.delete(this.briefId);
    return [...users];
  }
}

/** Codes that rulings, markings and fields of schemes name, as the standards of the house read them. */
async function wordsOfCodes(client: Client): Promise<{ briefId: string; code: string }[]> {
  const said = await rows<{ brief_id: string; value: string }>(
    client,
    `select r.brief_id, r.value from ruling r join question q on q.id = r.question_id where q.aspect = any($1)
     union select m.brief_id, unnest(m.codes) from marking m
     union select brief_id, code from scheme_field`,
    [CODE_ASPECTS],
  );
  const book = await loadCodeBook(client);
  return said.map(({ brief_id: briefId, value }) => ({ briefId, code: canonicalIn(book, value) }));
}

/** Recipes name their paints within: there even this brief's own are in the way, since they would stand without a part. */
async function usersOfPaint(client: Client, paint: Row, briefId: string | null): Promise<string[]> {
  const found = await rows<{ brief_id: string }>(
    client,
    `select brief_id from colour_choice where paint_id = $1 and brief_id is distinct from $2
     union select brief_id from general_coat where paint_id = $1 and brief_id is distinct from $2
     union select brief_id from colour_choice where filter->>'paintId' = $1::text
     union select brief_id from recipe where parts @> jsonb_build_array(jsonb_build_object('paintId', $1::text))`,
    [paint.id, briefId],
  );
  return found.map((use) => use.brief_id);
}

async function paintName(client: Client, paint: Row): Promise<string> {
  const [line] = await rows<{ name: string }>(client, 'select name from paint_line where id = $1', [paint.line_id]);
  return `${line?.name ?? ''} ${paint.number as string}`.trim();
}
