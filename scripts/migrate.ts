import { closePool } from '../src/data/database';
import { nowUtc } from '../src/clock/now';
import { clearShelf } from '../src/data/removed-briefs';
import { bringUpToDate } from '../src/data/migrate';

const url = process.env.DATABASE_URL;
if (!url) {
  process.stderr.write('DATABASE_URL is not set.\n');
  process.exit(1);
}
await bringUpToDate(url);
// Removed briefs that nobody put back are gone when the house opens.
await clearShelf(nowUtc());
await closePool();
