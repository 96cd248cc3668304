import { RECORDS, type RecordName } from '../../src/core/kept/records';
import { pool, rows } from '../../src/data/database';
import { bumpRevision, SHELF } from '../../src/data/revisions';
import { SHARED } from '../../src/data/rows';
import type { House } from './own-database';
import { emptyAll, restoreDemo } from './saved-demo';

/** Empties a database that was made with the demo; `demo` stands in it again as it was loaded once, whatever was done there since. */
export async function stand(house: House): Promise<void> {
  await emptyAll(pool());
  if (house === 'demo') await restoreDemo();
  await tellAll();
}

/** Who goes on must hear what was changed behind the acts: all of it is another. */
export async function tellAll(): Promise<void> {
  await bumpRevision(pool(), SHELF, [...SHARED]);
  for (const { id } of await rows<{ id: string }>(pool(), 'select id from brief'))
    await bumpRevision(pool(), id, Object.keys(RECORDS) as RecordName[]);
}
