import { RECORDS, type RecordName } from '../../src/core/kept/records';
import { closePool, pool, rows } from '../../src/data/database';
import { bumpRevision, SHELF } from '../../src/data/revisions';
import { SHARED } from '../../src/data/rows';
import { emptyAll, isSaved, restoreDemo, saveDemo } from './saved-demo';

// Empties the test database; with "demo" the demo stands in it again. Only ever run by the tests.
await emptyAll(pool());
if (process.argv[2] === 'demo') {
  if (await isSaved(pool())) await restoreDemo();
  else {
    const { loadDemo } = await import('../../demo/load');
    await loadDemo(new Date().toISOString());
    await saveDemo();
  }
}
// The server that is tested goes on: it must hear that all of it is another.
await bumpRevision(pool(), SHELF, [...SHARED]);
for (const { id } of await rows<{ id: string }>(pool(), 'select id from brief'))
  await bumpRevision(pool(), id, Object.keys(RECORDS) as RecordName[]);
await closePool();
