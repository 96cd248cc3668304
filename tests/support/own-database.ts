import pg from 'pg';
import { migrate } from '@/data/migrate';

/**
 * An empty, migrated database beside the one that the tests were given, for a file of tests that empties tables: others run at the same
 * time. From then on DATABASE_URL names it. Throws where the tests were given none.
 */
export async function ownDatabase(name: string): Promise<void> {
  const given = process.env.DATABASE_URL;
  if (!given) throw new Error('run the tests with ./test, which starts a database');
  const client = new pg.Client(given);
  await client.connect();
  // Names of databases cannot be parameters of a statement.
  const quoted = client.escapeIdentifier(name);
  await client.query(`drop database if exists ${quoted} with (force)`);
  await client.query(`create database ${quoted}`);
  await client.end();
  const own = new URL(given);
  own.pathname = `/${name}`;
  process.env.DATABASE_URL = own.toString();
  await migrate(process.env.DATABASE_URL);
}
