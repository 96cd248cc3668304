import type { RecordName } from '@/core/kept/records';
import { rows, type Client } from './database';

/** Revisions: how often a brief, or the shelf that all share, was changed. What is derived is remembered by them. */

export const SHELF = '00000000-0000-0000-0000-000000000000';

export interface Revision {
  number: number;
  /** The number at which each kind of record changed last; one that is not named has not changed since the beginning. */
  kinds: Partial<Record<RecordName, number>>;
}

export interface Revisions {
  brief: Revision;
  shelf: Revision;
}

export const numbersOf = ({ brief, shelf }: Revisions): { brief: number; shelf: number } => ({
  brief: brief.number,
  shelf: shelf.number,
});

/** Both in one word: the same word, the same brief and shelf. */
export const revisionInWords = ({ brief, shelf }: Revisions): string => `${brief.number} ${shelf.number}`;

interface RevisionRow {
  of: string;
  number: string;
  kinds: Revision['kinds'];
}
async function read(client: Client, of: readonly string[]): Promise<Map<string, Revision>> {
  const found = await rows<RevisionRow>(client, 'select of, number, kinds from revision where of = any($1)', [of]);
  return new Map(found.map(({ of: one, number, kinds }) => [one, { number: Number(number), kinds }]));
}

/** The revision of a brief by itself; null when nothing of that id was ever changed. */
export const revisionOf = async (client: Client, briefId: string): Promise<Revision | null> =>
  (await read(client, [briefId])).get(briefId.toLowerCase()) ?? null;

/** The revisions of a brief and of the shelf; null when there is no such brief. */
export async function revisionsOf(client: Client, briefId: string): Promise<Revisions | null> {
  const found = await read(client, [briefId, SHELF]);
  const brief = found.get(briefId.toLowerCase());
  return brief ? { brief, shelf: found.get(SHELF)! } : null;
}

export const shelfRevision = async (client: Client): Promise<Revision> => (await read(client, [SHELF])).get(SHELF)!;

/** Makes all later acts on these wait until this transaction ends: revisions are counted in the order of commits. */
export async function lockRevision(client: Client, of: string): Promise<void> {
  await client.query('insert into revision (of, number) values ($1, 0) on conflict (of) do nothing', [of]);
  await client.query('select 1 from revision where of = $1 for update', [of]);
}

/** Makes later acts that would change these wait until this transaction ends; others may hold them too. */
export async function holdRevision(client: Client, of: string): Promise<void> {
  await client.query('select 1 from revision where of = $1 for share', [of]);
}

/** Counts one on, and marks the kinds of record that changed. */
export async function bumpRevision(client: Client, of: string, kinds: readonly RecordName[]): Promise<number> {
  const [bumped] = await rows<{ number: string }>(
    client,
    `update revision set number = number + 1,
       kinds = kinds || (select coalesce(jsonb_object_agg(kind, number + 1), '{}') from unnest($2::text[]) as kind)
     where of = $1 returning number`,
    [of, kinds],
  );
  return Number(bumped!.number);
}
