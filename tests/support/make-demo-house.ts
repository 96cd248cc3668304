import { loadDemo } from '../../demo/load';
import { nowUtc } from '../../src/clock/now';
import { closePool } from '../../src/data/database';
import { saveDemo } from './saved-demo';

// The demo in an empty database, and beside it what it was, from which it stands again.
await loadDemo(nowUtc());
await saveDemo();
await closePool();
