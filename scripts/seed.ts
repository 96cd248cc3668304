import { loadDemo } from '../demo/load';
import { nowUtc } from '../src/clock/now';
import { isEmptyHouse } from '../src/data/brief-list';
import { closePool } from '../src/data/database';

// Loads the demo into an empty house; does nothing when any brief is there.
if (await isEmptyHouse()) {
  process.stdout.write('Loading the demo ...\n');
  await loadDemo(nowUtc());
}
await closePool();
