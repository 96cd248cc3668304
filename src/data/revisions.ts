import { rows, type Client } from './database';

/** Revisions: how often a brief, or the shelf that all share, was changed. What is derived is remembered by them. */

export const SHELF = '00000000-0000-0000-0000-000000000000';

export interface Revisions {
  brief: number;
  shelf: number;
}

/** The revisions of a brief and of the shelf; null when there is no such brief. */
export async function revisionsOf(client: Client, briefId: string): Promise<Revisions | null> {
  const found = await rows<{ of: string; number: string }>(
    client,
    'select of, number from revision where of in ($1, $2)',
    [briefId, SHELF],
  );
  const number = new Map(found.map((row) => [row.of, Number(row.number)]));
  const brief = number.get(briefId.toLowerCase());
  return brief === undefined ? null : { brief, shelf: number.get(SHELF)! };
}

export async function shelfRevision(client: Client): Promise<number> {
  const [found] = await rows<{ number: string }>(client, 'select number from revision where of = $1', [SHELF]);
  return Number(found!.number);
}

/** Makes all later acts on these wait until this transaction ends: revisions are counted in the order of commits. */
export async function lockRevision(client: Client, of: string): Promise<void> {
  await client.query('insert into revision (of, number) values ($1, 0) on conflict (of) do nothing', [of]);
  await client.query('select 1 from revision where of = $1 for update', [of]);
}

export async function bumpRevisions(client: Client, of: readonly string[]): Promise<Map<string, number>> {
  const bumped = await rows<{ of: string; number: string }>(
    client,
    'update revision set number = number + 1 where of = any($1) returning of, number',
    [of],
  );
  return new Map(bumped.map((row) => [row.of, Number(row.number)]));
}
