import pg from 'pg';

// Days stay text, instants become ISO text: nothing in the house uses the server's own time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (value) => value);
pg.types.setTypeParser(pg.types.builtins.TIMESTAMPTZ, (value) => new Date(value).toISOString());

export type Client = pg.PoolClient | pg.Pool;

const held = globalThis as unknown as { buildBriefPool?: pg.Pool };

/** The one pool of this process (kept over hot reloads). */
export function pool(): pg.Pool {
  if (!process.env.DATABASE_URL) throw new Error('DATABASE_URL is not set: start the application with ./start');
  held.buildBriefPool ??= opened(process.env.DATABASE_URL);
  return held.buildBriefPool;
}

function opened(connectionString: string): pg.Pool {
  const made = new pg.Pool({ connectionString, max: 10, options: '-c timezone=UTC' });
  // A line that breaks while nobody uses it is let go: when the database is back, the next one who asks opens another.
  made.on('error', () => undefined);
  return made;
}

const PATIENCE_MS = 3000;

/** Why the database does not answer, in words; null where it does. */
export async function databaseFault(): Promise<string | null> {
  const late = new Promise<never>((_, reject) =>
    setTimeout(
      // Where this process itself was busy the answer may lie there unread: it is read first.
      () => setImmediate(() => reject(new Error(`it did not answer within ${PATIENCE_MS / 1000} s`))),
      PATIENCE_MS,
    ).unref(),
  );
  try {
    await Promise.race([pool().query('select 1'), late]);
    return null;
  } catch (error) {
    const { code, message } = error as { code?: string; message: string };
    return code === 'ECONNREFUSED' ? 'it does not run, or not where it is looked for' : message;
  }
}

export async function closePool(): Promise<void> {
  await held.buildBriefPool?.end();
  held.buildBriefPool = undefined;
}

/** Runs `work` in one transaction: all of it happens, or nothing. */
export const inTransaction = <T>(work: (client: pg.PoolClient) => Promise<T>): Promise<T> => within('begin', work);

/**
 * Runs `work` on one connection that sees the database as of one moment, however long it reads: what others write meanwhile is not there yet.
 * Nothing can be written.
 */
export const atOneMoment = <T>(work: (client: pg.PoolClient) => Promise<T>): Promise<T> =>
  within('begin isolation level repeatable read read only', work);

async function within<T>(begin: string, work: (client: pg.PoolClient) => Promise<T>): Promise<T> {
  const client = await pool().connect();
  try {
    await client.query(begin);
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    // Where the line itself broke there is nothing to take back, and why it broke is what the caller hears.
    await client.query('rollback').catch(() => undefined);
    throw error;
  } finally {
    client.release();
  }
}

/**
 * Runs `work` while nobody else, on whatever machine, runs work of that name: who comes second waits. On a line beside the pool's: many who wait
 * would leave none for the one whose turn it is.
 */
export async function inTurn<T>(name: string, work: () => Promise<T>): Promise<T> {
  const client = new pg.Client(process.env.DATABASE_URL);
  // Where it breaks, whoever waits on it hears so.
  client.on('error', () => undefined);
  await client.connect();
  try {
    await client.query('select pg_advisory_lock(hashtext($1))', [name]);
    return await work();
  } finally {
    // With its line goes its turn.
    await client.end();
  }
}

export async function rows<T>(client: Client, sql: string, values: readonly unknown[] = []): Promise<T[]> {
  const result = await client.query(sql, [...values]);
  return result.rows as T[];
}
