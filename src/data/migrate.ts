import path from 'node:path';
import { runner } from 'node-pg-migrate';
import { newAct, perform } from './acts';

/** Applies db/migrations/ in order, forward only, each in its own transaction, under an advisory lock. */
export async function migrate(databaseUrl: string): Promise<void> {
  await runner({
    databaseUrl,
    dir: path.join(process.cwd(), 'db', 'migrations'),
    direction: 'up',
    migrationsTable: 'migration',
    checkOrder: true,
    // Two machines that start at once on one database: the second goes on where the first is done.
    advisoryLockMode: 'wait',
    log: () => undefined,
  });
}

/** Named for good: however often the house is brought up to date, this is done once. */
const CODES_KEPT_AS_THEY_READ = 'b0d1c5d2-3f0e-4c55-9a6b-6f1a52c7a011';

/** The database as this version needs it: its tables, and then what its records have to become by rules that are no SQL. */
export async function bringUpToDate(databaseUrl: string): Promise<void> {
  await migrate(databaseUrl);
  await perform({ ...newAct(null, 'setup', 'Build Brief'), id: CODES_KEPT_AS_THEY_READ }, async (writer) => {
    await writer.keepReadings();
    return null;
  });
}
