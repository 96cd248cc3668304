import { loadDemo } from '../demo/load';
import { nowUtc } from '../src/clock/now';
import { isEmptyHouse } from '../src/data/brief-list';
import { closePool, inTurn } from '../src/data/database';

// Loads the demo into an empty house; does nothing when any brief is there.
await inTurn('the demo', async () => {
  if (!(await isEmptyHouse())) return;
  process.stdout.write('Loading the demo ...\n');
  await loadDemo(nowUtc());
});
await closePool();
