import { loadDemo } from '../../demo/load';
import { closePool, pool } from '../../src/data/database';

// Empties the test database; with "demo" loads the demo again. Only ever run by the tests.
await pool().query('truncate brief, colour_system, colour_code, paint_line, picture, change, act cascade');
if (process.argv[2] === 'demo') await loadDemo(new Date().toISOString());
await closePool();
