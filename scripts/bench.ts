import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { deltaE00 } from '../src/core/colour/difference';
import type { Lab } from '../src/core/colour/types';
import { findRecipes } from '../src/core/match/recipe';
import { matchSingle } from '../src/core/match/single';
import { pigmentOf } from '../src/core/paint/pigment';
import { planRoute } from '../src/core/route/plan';
import { deriveBrief } from '../src/core/brief/derive';
import { exportBrief } from '../src/data/brief-files';
import { listBriefs, loadBrief } from '../src/data/briefs';
import { loadShelf } from '../src/data/colours';
import { benchEvidence } from './bench-evidence';
import { CHROMIUM } from './chromium';
import { closePool } from '../src/data/database';
import type { Paint } from '../src/core/paint/catalogue';

// Measures what the issues promise, on the demo, against the production server that scripts/with-server.sh started.
const base = process.env.BASE_URL!;
const STATIONS = ['evidence', 'colours', 'markings', 'route', 'bench', 'log', 'brief'];
const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const worst = (values: number[]) => Math.max(...values);
const line = (what: string, found: string, asked: string) =>
  console.log(`${what.padEnd(52)} ${found.padStart(24)}   asked: ${asked}`);

async function timed(work: () => unknown, times: number): Promise<number[]> {
  const taken: number[] = [];
  for (let i = 0; i < times + 3; i += 1) {
    const start = performance.now();
    await work();
    if (i >= 3) taken.push(performance.now() - start);
  }
  return taken;
}

const [brief] = await listBriefs();
const id = brief!.id;

for (const station of STATIONS) {
  const taken = await timed(async () => (await fetch(`${base}/briefs/${id}/${station}`)).text(), 15);
  line(
    `${station}: server answers, ms (median, worst)`,
    `${median(taken).toFixed(0)}, ${worst(taken).toFixed(0)}`,
    'under 100 (median)',
  );
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
for (const { what, found, asked } of await benchEvidence(browser, base)) line(what, found, asked);
await browser.close();

const [state, shelf] = [(await loadBrief(id))!, await loadShelf()];
const nowUtc = new Date().toISOString();
const view = deriveBrief(state, shelf, { nowUtc, effort: 0 });

const target = { lab: [41, 6, 13] as Lab, sd: 0.4, code: 'TCS 27', finish: 'matt' as const, kind: 'solid' as const };
const many: Paint[] = Array.from({ length: 5000 }, (_, i) => ({
  ...shelf.paints[i % shelf.paints.length]!,
  id: String(i),
}));
const single = await timed(() => matchSingle(target, many), 30);
line(
  'nearest of 5000 paints, ms (median, worst)',
  `${median(single).toFixed(1)}, ${worst(single).toFixed(1)}`,
  'no figure yet',
);
const drawer = shelf.paints
  .filter((paint) => paint.lab && paint.kind === 'solid')
  .slice(0, 120)
  .map((paint) => {
    const { pigment, sd } = pigmentOf({ colour: paint.lab!, opacity: paint.opacity });
    return { id: paint.id, pigment, sd, chemistry: paint.chemistry };
  });
const mixing = await timed(() => findRecipes(target.lab, drawer, { sameChemistry: false }), 10);
line(
  `recipes from ${drawer.length} paints, 3 paints, 12 drops, ms (median, worst)`,
  `${median(mixing).toFixed(0)}, ${worst(mixing).toFixed(0)}`,
  '150, 500 (contract, 120)',
);
let [same, all] = [0, 0];
for (const aim of view.calls.flatMap((call) => (call.official?.lab ? [call.official.lab] : [])).slice(0, 6)) {
  const few = drawer.slice(0, 26);
  const every = findRecipes(aim, few, { effort: 1e9, sameChemistry: false });
  const some = findRecipes(aim, few, { sameChemistry: false });
  const known = new Set(every.recipes.map((recipe) => JSON.stringify(recipe.drops)));
  same += some.recipes.filter((recipe) => known.has(JSON.stringify(recipe.drops))).length;
  all += every.recipes.length;
}
line('recipes of 26 paints that the exhaustive search has too', `${same} of ${all}`, '99.5 %');

const difference = await timed(() => {
  for (let i = 0; i < 100_000; i += 1) deltaE00([50, i % 50, 10], [51, 3, i % 40]);
}, 10);
line('100 000 CIEDE2000, ms (median)', median(difference).toFixed(0), 'no figure yet');

const settings = { timeZone: state.brief.timeZone, startOn: state.brief.startOn, weekly: state.sessions, nowUtc };
for (const effort of [0, 400, 12_000]) {
  const taken = await timed(() => planRoute(view.route, state.log, settings, effort), 10);
  line(
    `schedule of ${view.route.steps.length} steps, effort ${effort}, ms (median, worst)`,
    `${median(taken).toFixed(0)}, ${worst(taken).toFixed(0)}`,
    'first plan in 50',
  );
}

const pdf = await timed(async () => (await fetch(`${base}/briefs/${id}/brief.pdf`)).arrayBuffer(), 3);
line('brief as PDF, ms (median)', median(pdf).toFixed(0), 'no figure');
const exported = await timed(() => exportBrief(id), 5);
line('brief as JSON, ms (median)', median(exported).toFixed(0), 'no figure');
await closePool();
