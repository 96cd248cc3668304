import { chromium, type Page } from '@playwright/test';
import { listBriefs } from '../src/data/brief-list';
import { CHROMIUM } from './chromium';
import { closePool } from '../src/data/database';
import { nowUtc } from '../src/clock/now';
import { outlineSpecOf } from '../src/core/kept/state';
import { buildOutline } from '../src/core/outline/outline';
import { dunlin } from '../demo/dunlin';
import { clickInPicture, lettersSeen } from '../tests/support/in-picture';

// One current picture of each main view, from the demo, into docs/screenshots/; of those alone that are named: npm run shots -- markings kit
const base = process.env.BASE_URL!;
const today = nowUtc().slice(0, 10);
const briefs = await listBriefs();
await closePool();
const pathOf = (type: string) => `/briefs/${briefs.find((brief) => brief.airframe.type.includes(type))!.id}`;
const main = pathOf('Dunlin');
const painted = pathOf('Turnstone');

interface Shot {
  name: string;
  path: string;
  narrow?: boolean;
  before?: (page: Page) => Promise<void>;
}

const SHOTS: Shot[] = [
  { name: 'start', path: '/' },
  {
    name: 'kit',
    path: `${main}/kit`,
    before: async (page) => {
      await page.getByRole('group', { name: 'Crew' }).getByRole('button', { name: 'aboard' }).click();
      await page.getByRole('region', { name: 'What this changes' }).getByRole('listitem').first().waitFor();
    },
  },
  { name: 'evidence', path: `${main}/evidence` },
  {
    name: 'evidence-question',
    path: `${main}/evidence`,
    before: async (page) => {
      await page.getByRole('button', { name: 'Open (3)' }).click();
      await page
        .getByRole('row', { name: /Fin and rudder, starboard/ })
        .getByRole('button')
        .first()
        .click();
      await page.getByText('Adding up').waitFor({ state: 'hidden' });
    },
  },
  {
    name: 'evidence-machine-over',
    path: `${main}/evidence`,
    before: async (page) => {
      await page.getByRole('button', { name: /^Sources/ }).click();
      await page.getByRole('button', { name: 'Open Engine change' }).click();
      await page.getByRole('button', { name: 'Lay the machine over it' }).click();
      await page.getByText(/fits to/).waitFor();
      await page.getByRole('group', { name: 'Tools for the picture' }).evaluate((bar) => bar.scrollIntoView());
    },
  },
  {
    name: 'evidence-straight-on',
    path: `${main}/evidence`,
    before: async (page) => {
      const { file } = dunlin(today);
      await page.getByRole('button', { name: /^Sources/ }).click();
      await page.getByRole('button', { name: 'Open Engine change' }).click();
      await page.getByRole('button', { name: 'Lay the machine over it' }).click();
      await page.getByText(/fits to/).waitFor();
      await page.getByRole('button', { name: 'Marking on it' }).click();
      // Three corners close together: nearer by.
      for (let i = 0; i < 5; i += 1) await page.getByRole('application').press('+');
      for (const corner of lettersSeen(file, buildOutline(outlineSpecOf(file.airframe, file.brief))))
        await clickInPicture(page, corner);
      await page.getByRole('button', { name: 'Show it straight on' }).click();
      await page.getByText(/mm to a point/).scrollIntoViewIfNeeded();
    },
  },
  { name: 'colours', path: `${main}/colours?code=TCS%2014` },
  {
    name: 'colours-mixing',
    path: `${main}/colours?show=mix&code=TCS%2014`,
    before: async (page) => {
      await page.getByRole('button', { name: 'Find recipes' }).click();
      const found = page.getByRole('region', { name: 'Search' });
      await found.getByText(/mixtures looked at|Every recipe was looked at/).waitFor();
      await found.getByRole('row').first().getByRole('button').click();
      await page.mouse.wheel(0, 120);
    },
  },
  {
    name: 'markings',
    path: `${main}/markings`,
    // What lies over what is found beside the page.
    before: (page) => page.getByText(/^▲ /).first().waitFor(),
  },
  {
    name: 'markings-scheme',
    path: `${main}/markings?show=scheme`,
    before: (page) =>
      page
        .getByRole('button', { name: /^Green tip/ })
        .first()
        .click(),
  },
  {
    name: 'in-hand',
    path: `${main}/colours`,
    before: async (page) => {
      await page.locator('html[data-ready]').waitFor();
      await page.keyboard.press('v');
      await page.getByText(/^Drag, pinch or use the arrows/).waitFor();
      await page.getByRole('button', { name: 'Compare' }).click();
      // Up to where the green is masked.
      const film = page.getByRole('slider', { name: 'After which step' }).first();
      await film.press('Home');
      while ((await page.getByText(/^After: Mask .* off for Fen green/).count()) === 0) await film.press('ArrowRight');
      await page.waitForTimeout(2500);
    },
  },
  { name: 'route', path: `${main}/route` },
  {
    name: 'bench',
    path: `${main}/bench`,
    before: async (page) => {
      // Which steps the next session holds depends on the day; a spray shows most.
      const spray = page.getByRole('button', { name: /Bay primer green/ });
      if ((await spray.count()) > 0) await spray.click();
      await page.locator('.bench-on summary').first().click();
      await page.locator('.bench-on input[type=checkbox]').first().uncheck();
    },
  },
  { name: 'bench-phone', path: `${main}/bench`, narrow: true },
  {
    name: 'weathering',
    path: `${painted}/bench?show=weathering`,
    before: async (page) => {
      await page.getByText('Sheet', { exact: true }).click();
      await page.getByRole('row', { name: /Streaks along the airflow/ }).waitFor();
    },
  },
  { name: 'log', path: `${painted}/log` },
  {
    name: 'log-mishap',
    path: `${painted}/log?show=mishaps`,
    before: async (page) => {
      await page.getByLabel(/^What happened/).selectOption('glue');
      await page.getByLabel(/^Where/).selectOption('cowling-port');
      await page.getByLabel(/Sand the place, down to the primer/).check();
      await page.getByRole('region', { name: 'What it costs' }).scrollIntoViewIfNeeded();
    },
  },
  {
    name: 'sums',
    path: `${main}/markings`,
    before: async (page) => {
      await page.getByRole('button', { name: 'Sums', exact: true }).click();
      await page.getByRole('dialog', { name: 'Sums' }).getByRole('combobox').selectOption('noseWeight');
      await page.getByText('it takes').waitFor();
    },
  },
  // What is painted already is ruled anew: this one changes the demo, and comes last.
  {
    name: 'log-made',
    path: `${painted}/evidence`,
    before: async (page) => {
      await page
        .getByRole('row', { name: /Spinner\s*colour/ })
        .getByRole('button')
        .first()
        .click();
      await page.getByLabel('Ruling').first().fill('TCS 31');
      await page.getByText(/lies on .* since/).waitFor();
      await page.getByRole('button', { name: 'Change the ruling' }).click();
      await page.waitForTimeout(1500);
      await page.goto(`${base}${painted}/log?show=made`, { waitUntil: 'networkidle' });
      await page.getByRole('combobox', { name: /^Zone/ }).selectOption('spinner');
      await page.getByText('Bare plastic').waitFor();
    },
  },
];

const browser = await chromium.launch(CHROMIUM);
const named = process.argv.slice(2);
for (const { name, path, narrow, before } of SHOTS.filter((shot) => named.length === 0 || named.includes(shot.name))) {
  const page = await browser.newPage({ viewport: narrow ? { width: 390, height: 844 } : { width: 1280, height: 800 } });
  await page.goto(base + path, { waitUntil: 'networkidle' });
  await before?.(page);
  await page.waitForTimeout(500);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.close();
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
