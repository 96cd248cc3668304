import path from 'node:path';
import { runner } from 'node-pg-migrate';

/** Applies db/migrations/ in order, forward only, each in its own transaction, under an advisory lock. */
export async function migrate(databaseUrl: string): Promise<void> {
  await runner({
    databaseUrl,
    dir: path.join(process.cwd(), 'db', 'migrations'),
    direction: 'up',
    migrationsTable: 'migration',
    checkOrder: true,
    log: () => undefined,
  });
}
