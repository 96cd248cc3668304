import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import pg from 'pg';

/** Houses as earlier states of this repository made them (scripts/make-house.sh), each under the number of its last migration. */

const FOLDER = path.join('tests', 'houses');
const MIGRATIONS = path.join('db', 'migrations');
const numbered = (folder: string, ending: string) =>
  readdirSync(folder)
    .filter((file) => file.endsWith(ending))
    .map((file) => file.slice(0, 3))
    .sort();

export const OLD_HOUSES = numbered(FOLDER, '.sql.gz');
export const MIGRATION_NUMBERS = numbered(MIGRATIONS, '.sql');

const unzipped = (name: string) => gunzipSync(readFileSync(path.join(FOLDER, name))).toString('utf8');

/** The main brief of a house as that house wrote it into a file. */
export const oldFile = (house: string): unknown => JSON.parse(unzipped(`${house}.json.gz`));

/** A database of its own with an earlier house in it, as it stood then. Answers with its address. */
export async function restoreHouse(house: string): Promise<string> {
  const given = new URL(process.env.DATABASE_URL!);
  const name = `house_${house}${given.pathname.slice(1)}`;
  const owner = new pg.Client(given.href);
  await owner.connect();
  await owner.query(`drop database if exists ${owner.escapeIdentifier(name)} with (force)`);
  await owner.query(`create database ${owner.escapeIdentifier(name)}`);
  await owner.end();
  const own = new URL(given);
  own.pathname = `/${name}`;
  const client = new pg.Client(own.href);
  await client.connect();
  // Lines that speak to the program that usually reads a dump are none of the database's.
  await client.query(unzipped(`${house}.sql.gz`).replace(/^\\.*$/gm, ''));
  await client.end();
  return own.href;
}

export interface Served {
  base: string;
  stop: () => Promise<void>;
}

/** Brings a house up to date and serves it, as ./start does. */
export async function serveHouse(databaseUrl: string, port: number): Promise<Served> {
  const env = {
    ...process.env,
    DATABASE_URL: databaseUrl,
    PORT: String(port),
    WEB_PROCESSES: '1',
    NODE_ENV: 'production' as const,
  };
  const { status, stderr } = spawnSync('npx', ['--no-install', 'tsx', 'scripts/migrate.ts'], { env, encoding: 'utf8' });
  if (status !== 0) throw new Error(`the house could not be brought up to date: ${stderr}`);
  const server = spawn('node', ['--import', 'tsx', 'scripts/serve.ts'], { env, stdio: 'ignore' });
  const base = `http://127.0.0.1:${port}`;
  await answers(server, base);
  const ended = new Promise<void>((resolve) => server.once('exit', () => resolve()));
  return {
    base,
    stop: async () => {
      server.kill('SIGTERM');
      await ended;
    },
  };
}

async function answers(server: ChildProcess, base: string) {
  while (server.exitCode === null) {
    const health = await fetch(`${base}/health`).catch(() => null);
    if (health?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server ended before it answered');
}
