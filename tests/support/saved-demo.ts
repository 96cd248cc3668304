import { inTransaction, rows, type Client } from '../../src/data/database';

/** The demo as it was loaded once: a copy beside the tables, from which it stands again in a moment. */

/** What goes on counting, so that a server that runs hears of every change. */
const COUNTED = ['revision', 'migration'];

const tables = async (client: Client): Promise<string[]> => {
  const found = await rows<{ name: string }>(
    client,
    "select tablename as name from pg_tables where schemaname = 'public' and tablename <> all($1) order by 1",
    [COUNTED],
  );
  return found.map(({ name }) => name);
};

export async function emptyAll(client: Client): Promise<void> {
  await client.query(`truncate ${(await tables(client)).join(', ')}`);
}

export const saveDemo = () =>
  inTransaction(async (client) => {
    await client.query('create schema saved');
    for (const name of await tables(client)) await client.query(`create table saved.${name} as table public.${name}`);
  });

/** Fills the empty tables; what others refer to comes first, but for what is checked at the end. */
export const restoreDemo = () =>
  inTransaction(async (client) => {
    const refers = await rows<{ from: string; to: string }>(
      client,
      `select conrelid::regclass::text as from, confrelid::regclass::text as to from pg_constraint
       where contype = 'f' and not condeferred and conrelid <> confrelid`,
    );
    const left = new Set(await tables(client));
    while (left.size > 0) {
      const ready = [...left].filter((name) => !refers.some(({ from, to }) => from === name && left.has(to)));
      if (ready.length === 0) throw new Error(`${[...left].join(', ')} refer to one another`);
      for (const name of ready) {
        await client.query(`insert into public.${name} overriding system value table saved.${name}`);
        left.delete(name);
      }
    }
  });
