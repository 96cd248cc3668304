import { chromium } from '@playwright/test';
import { deltaE00 } from '../src/core/colour/difference';
import { planRoute } from '../src/core/route/plan';
import { deriveBrief } from '../src/core/derive/derive';
import { exportBrief } from '../src/data/brief-files';
import { listBriefs } from '../src/data/brief-list';
import { loadBrief } from '../src/data/read-brief';
import { loadShelf } from '../src/data/shelf';
import { benchCamera } from './bench-camera';
import { benchColours } from './bench-colours';
import { benchEvidence } from './bench-evidence';
import { benchMany } from './bench-many';
import { benchHand } from './bench-hand';
import { benchActs } from './bench-acts';
import { benchKit } from './bench-kit';
import { benchMarkings } from './bench-markings';
import { benchLongLog, benchWorkshop } from './bench-workshop';
import { benchSchedule } from './bench-schedule';
import { benchKeystroke, benchPages } from './bench-pages';
import { benchScripts } from './bench-scripts';
import { median, medianAndWorst, pace, show, timed } from './bench-figures';
import { CHROMIUM } from './chromium';
import { HEAVY, heavyBrief } from './heavy-brief';
import { briefFileSchema } from '../src/core/interchange/brief-file';
import { importBrief } from '../src/data/brief-files';
import { closePool } from '../src/data/database';

// Measures what the issues promise, on the demo, against the production server that scripts/with-server.sh started.
const base = process.env.BASE_URL!;
const line = (what: string, found: string, asked: string) => show({ what, found, asked });

show(pace());
const [brief] = await listBriefs();
const id = brief!.id;

for (const figure of await benchPages(base, id, 'demo', { ms: 40, kB: 60 })) show(figure);

const browser = await chromium.launch(CHROMIUM);
for (const figure of await benchScripts(browser, base, id)) show(figure);
for (const figure of await benchEvidence(browser, base)) show(figure);
for (const figure of await benchMarkings(browser, base, id)) show(figure);
for (const figure of await benchHand(browser, base, id)) show(figure);

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
for (const figure of await benchSchedule()) show(figure);
for (const figure of await benchCamera()) show(figure);
line('brief as PDF, ms (median)', median(pdf).toFixed(0), 'no figure');
const exported = await timed(() => exportBrief(id), 5);
line('brief as JSON, ms (median)', median(exported).toFixed(0), 'no figure');
for (const figure of await benchColours(browser, base, id, shelf.paints)) show(figure);

// The catalogue holds 5 000 paints more from here on, and the house a heavy brief.
const today = nowUtc.slice(0, 10);
const painted = (await listBriefs()).find(({ airframe }) => airframe.type.includes('Turnstone'))!.id;
for (const figure of await benchWorkshop(browser, base, id, { state: (await loadBrief(painted))!, shelf }))
  show(figure);

const { value: heavy } = await importBrief(briefFileSchema.parse(heavyBrief(HEAVY, today)));
for (const figure of await benchPages(base, heavy, 'heavy', { ms: 150, kB: 400 })) show(figure);
for (const figure of await benchKit(browser, base, heavy, 'heavy')) show(figure);
show(await benchLongLog(browser, base, heavy));
for (const figure of await benchActs(browser, base, id, 'demo')) show(figure);
for (const figure of await benchActs(browser, base, heavy, 'heavy')) show(figure);
show(await benchKeystroke(browser, base, id, 'demo'));
show(await benchKeystroke(browser, base, heavy, 'heavy'));
const crowd = await Promise.all(
  [...(await listBriefs()).slice(0, 3)].map(async ({ id: own }) => {
    const { questions, sources } = (await loadBrief(own))!;
    return { id: own, zone: questions[0]!.zone, source: sources[0]!.title };
  }),
);
for (const figure of await benchMany(base, crowd)) show(figure);
const start = performance.now();
const crowded = { ...HEAVY, questions: 100, sources: 200, sightings: 20_000 };
await importBrief(briefFileSchema.parse(heavyBrief(crowded, today)));
line(
  'a brief of 100 x 200 with 20 000 sightings read and imported, ms',
  (performance.now() - start).toFixed(0),
  'no figure',
);
await browser.close();
show(pace());
await closePool();
