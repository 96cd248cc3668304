import { loadDemo } from '../../demo/load';
import { closePool, pool } from '../../src/data/database';
import { bumpRevision, SHELF } from '../../src/data/revisions';
import { SHARED } from '../../src/data/rows';

// Empties the test database; with "demo" loads the demo again. Only ever run by the tests.
await pool().query('truncate brief, tool, colour_system, colour_code, paint_line, picture, change, act cascade');
// The server that is tested goes on: it must hear that its shelf is gone.
await bumpRevision(pool(), SHELF, [...SHARED]);
if (process.argv[2] === 'demo') await loadDemo(new Date().toISOString());
await closePool();
