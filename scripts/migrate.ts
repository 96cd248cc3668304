import { closePool } from '../src/data/database';
import { bringUpToDate } from '../src/data/migrate';

const url = process.env.DATABASE_URL;
if (!url) {
  process.stderr.write('DATABASE_URL is not set.\n');
  process.exit(1);
}
await bringUpToDate(url);
await closePool();
