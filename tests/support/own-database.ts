import { spawnSync } from 'node:child_process';
import pg from 'pg';
import { migrate } from '@/data/migrate';

/** Houses of the tests: each is made once for a run, and then copied as a whole. */
export type House = 'empty' | 'demo';
const nameOf = (house: House) => `house_${house}`;

/** The database of that name beside the one that the tests were given. Throws where they were given none. */
export function besides(name: string): string {
  const given = process.env.DATABASE_URL;
  if (!given) throw new Error('run the tests with ./test, which starts a database');
  const url = new URL(given);
  url.pathname = `/${name}`;
  return url.toString();
}

/**
 * A database beside the one that the tests were given, for who empties tables while others run: migrated and empty, or with the demo in it.
 * From then on DATABASE_URL names it.
 */
export async function ownDatabase(name: string, house: House = 'empty'): Promise<void> {
  const own = besides(name);
  const client = new pg.Client(process.env.DATABASE_URL);
  await client.connect();
  try {
    // Who comes while it is being made waits for it.
    await client.query("select pg_advisory_lock(hashtext('houses of the tests'))");
    if (!(await exists(client, nameOf(house)))) await make(client, house);
    await client.query("select pg_advisory_unlock(hashtext('houses of the tests'))");
    await copy(client, nameOf(house), name);
  } finally {
    await client.end();
  }
  process.env.DATABASE_URL = own;
}

const exists = async (client: pg.Client, name: string) =>
  (await client.query('select from pg_database where datname = $1', [name])).rowCount! > 0;

async function copy(client: pg.Client, from: string, name: string) {
  // Names of databases cannot be parameters of a statement.
  const quoted = client.escapeIdentifier(name);
  await client.query(`drop database if exists ${quoted} with (force)`);
  await client.query(`create database ${quoted} template ${client.escapeIdentifier(from)}`);
}

/** It has its name once it is whole: a run that was broken off leaves none that is not. */
async function make(client: pg.Client, house: House) {
  const unfinished = `${nameOf(house)}_unfinished`;
  if (house === 'empty') {
    await copy(client, 'template1', unfinished);
    await migrate(besides(unfinished));
  } else {
    if (!(await exists(client, nameOf('empty')))) await make(client, 'empty');
    await copy(client, nameOf('empty'), unfinished);
    // In a process of its own: what tests load is slower, and speaks with another database.
    const { status, stderr } = spawnSync('npx', ['--no-install', 'tsx', 'tests/support/make-demo-house.ts'], {
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '', DATABASE_URL: besides(unfinished) },
    });
    if (status !== 0) throw new Error(`the demo could not be loaded: ${stderr}`);
  }
  await client.query(
    `alter database ${client.escapeIdentifier(unfinished)} rename to ${client.escapeIdentifier(nameOf(house))}`,
  );
}
