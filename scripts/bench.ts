import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { deltaE00 } from '../src/core/colour/difference';
import { planRoute } from '../src/core/route/plan';
import { deriveBrief } from '../src/core/brief/derive';
import { exportBrief } from '../src/data/brief-files';
import { listBriefs, loadBrief } from '../src/data/briefs';
import { loadShelf } from '../src/data/shelf';
import { benchColours } from './bench-colours';
import { benchEvidence } from './bench-evidence';
import { median, medianAndWorst, pace, timed, type Figure } from './bench-figures';
import { CHROMIUM } from './chromium';
import { closePool } from '../src/data/database';

// Measures what the issues promise, on the demo, against the production server that scripts/with-server.sh started.
const base = process.env.BASE_URL!;
const STATIONS = ['evidence', 'colours', 'markings', 'route', 'bench', 'log', 'brief'];
const show = ({ what, found, asked }: Figure) =>
  console.log(`${what.padEnd(72)} ${found.padStart(16)}   asked: ${asked}`);
const line = (what: string, found: string, asked: string) => show({ what, found, asked });

show(pace());
const [brief] = await listBriefs();
const id = brief!.id;

for (const station of STATIONS) {
  const taken = await timed(async () => (await fetch(`${base}/briefs/${id}/${station}`)).text(), 15);
  line(`${station}: server answers, ms (median, worst)`, medianAndWorst(taken), 'under 100 (median)');
}

const browser = await chromium.launch(CHROMIUM);
for (const station of STATIONS) {
  // A context of its own: nothing is in the cache.
  const context = await browser.newContext();
  const page = await context.newPage();
  const sizes: Promise<number>[] = [];
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script')
      sizes.push(response.body().then((body) => gzipSync(body).length));
  });
  await page.goto(`${base}/briefs/${id}/${station}`, { waitUntil: 'networkidle' });
  const bytes = (await Promise.all(sizes)).reduce((total, size) => total + size, 0);
  line(`${station}: compressed script, kB`, (bytes / 1024).toFixed(0), 'at most 350');
  await context.close();
}
for (const figure of await benchEvidence(browser, base)) show(figure);

const [state, shelf] = [(await loadBrief(id))!, await loadShelf()];
const nowUtc = new Date().toISOString();
const view = deriveBrief(state, shelf, { nowUtc, effort: 0 });

const difference = await timed(() => {
  for (let i = 0; i < 100_000; i += 1) deltaE00([50, i % 50, 10], [51, 3, i % 40]);
}, 10);
line('100 000 CIEDE2000, ms (median)', median(difference).toFixed(0), 'no figure yet');

const settings = { timeZone: state.brief.timeZone, startOn: state.brief.startOn, weekly: state.sessions, nowUtc };
for (const effort of [0, 400, 12_000]) {
  const taken = await timed(() => planRoute(view.route, state.log, settings, effort), 10);
  line(
    `schedule of ${view.route.steps.length} steps, effort ${effort}, ms (median, worst)`,
    medianAndWorst(taken),
    'first plan in 50',
  );
}

const pdf = await timed(async () => (await fetch(`${base}/briefs/${id}/brief.pdf`)).arrayBuffer(), 3);
line('brief as PDF, ms (median)', median(pdf).toFixed(0), 'no figure');
const exported = await timed(() => exportBrief(id), 5);
line('brief as JSON, ms (median)', median(exported).toFixed(0), 'no figure');
for (const figure of await benchColours(browser, base, id, shelf.paints)) show(figure);
await browser.close();
show(pace());
await closePool();
