import { RECORDS, type RecordName } from '../../src/core/kept/records';
import { nowUtc } from '../../src/clock/now';
import { pool, rows } from '../../src/data/database';
import { bumpRevision, SHELF } from '../../src/data/revisions';
import { SHARED } from '../../src/data/rows';
import { emptyAll, isSaved, restoreDemo, saveDemo } from './saved-demo';

/** Empties the test database; `demo` stands in it again as it was loaded once, whatever was done there since. */
export async function stand(house: 'demo' | 'empty'): Promise<void> {
  await emptyAll(pool());
  if (house === 'demo') {
    if (await isSaved(pool())) await restoreDemo();
    else {
      const { loadDemo } = await import('../../demo/load');
      await loadDemo(nowUtc());
      await saveDemo();
    }
  }
  await tellAll();
}

/** Who goes on must hear what was changed behind the acts: all of it is another. */
export async function tellAll(): Promise<void> {
  await bumpRevision(pool(), SHELF, [...SHARED]);
  for (const { id } of await rows<{ id: string }>(pool(), 'select id from brief'))
    await bumpRevision(pool(), id, Object.keys(RECORDS) as RecordName[]);
}
