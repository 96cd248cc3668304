import { listBriefs } from '../src/data/brief-list';
import { exportBrief, importBrief } from '../src/data/brief-files';
import { closePool } from '../src/data/database';
import { benchSoak } from './bench-soak';
import { withoutPictures } from './without-pictures';

// `npm run bench -- soak [MINUTES]`: an hour of mixed use on the demo and copies of it, against the server that scripts/with-server.sh started.
const minutes = Number(process.argv[2] ?? 60);
const own = await listBriefs();
for (const { id } of own)
  for (let copies = 0; copies < 4; copies += 1) {
    const { file } = (await exportBrief(id))!;
    await importBrief(withoutPictures(file));
  }
const briefs = (await listBriefs()).map(({ id }) => id);
for (const { what, found, asked } of await benchSoak(
  process.env.BASE_URL!,
  briefs,
  Number(process.env.SERVER_PID),
  minutes,
))
  console.log(`${what.padEnd(72)} ${found.padStart(16)}   asked: ${asked}`);
await closePool();
