import { exportBrief, importBrief } from '../src/data/brief-files';
import { listBriefs } from '../src/data/brief-list';
import { closePool } from '../src/data/database';
import { briefFileSchema, type BriefFile } from '../src/core/interchange/brief-file';
import { median, show } from './bench-figures';
import { HEAVY, heavyBrief } from './heavy-brief';
import { memoryOf } from './memory-of';
import { withoutPictures } from './without-pictures';

// `npm run bench -- briefs [MOST]`: so many briefs, one heavy in ten, opened one after the other, and what the server's processes hold then.
const most = Number(process.argv[2] ?? 500);
const base = process.env.BASE_URL!;
const server = Number(process.env.SERVER_PID);
const files: BriefFile[] = [];
for (const { id } of await listBriefs()) files.push((await exportBrief(id))!.file);
const heavy = briefFileSchema.parse(heavyBrief(HEAVY, '2026-01-01'));
for (let i = (await listBriefs()).length; i < most; i += 1) {
  const file = i % 10 === 0 ? heavy : files[i % files.length]!;
  await importBrief(withoutPictures(file));
}
const briefs = await listBriefs();
const before = memoryOf(server);
const times: number[] = [];
let highest = 0;
for (const [i, { id }] of briefs.entries()) {
  const start = performance.now();
  const answer = await fetch(`${base}/briefs/${id}/evidence`);
  await answer.text();
  if (!answer.ok) throw new Error(`a page answers ${answer.status}`);
  times.push(performance.now() - start);
  const mb = memoryOf(server);
  highest = Math.max(highest, mb.at(-1)!);
  if (i % 50 === 49) console.log(`${i + 1} briefs: MB ${mb.join(' ')}`);
}
const start = performance.now();
await (await fetch(base)).text();
const list = performance.now() - start;
const opened = `${briefs.length} briefs opened one after the other`;
show({ what: `${opened}: largest process before, highest, MB`, found: `${before.at(-1)}, ${highest}`, asked: '300' });
show({ what: `${opened}: first page, ms (median)`, found: median(times).toFixed(0), asked: 'no figure' });
show({ what: 'the start page that lists them, ms', found: list.toFixed(0), asked: 'one query' });
await closePool();
