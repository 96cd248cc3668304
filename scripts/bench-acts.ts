import type { Browser, Page } from '@playwright/test';
import { alone } from './bench-alone';
import { nowUtc } from '../src/clock/now';
import { briefFileSchema } from '../src/core/interchange/brief-file';
import { importBrief } from '../src/data/brief-files';
import { median, pace, paceNs, show, type Figure } from './bench-figures';
import { HEAVY, heavyBrief } from './heavy-brief';

/** Where the time of an act goes, from the press until it and all that follows from it are drawn: five acts, each done and taken back. */

interface ActTimes {
  /** From the press until the act is sent: handlers, the outbox, acts before it. */
  sent: number;
  /** Until the first byte of the answer: checks, lock, writing, reading, deriving, page data. */
  answered: number;
  /** Until the last byte of it. */
  read: number;
  /** Until the last change of the page that follows from it. */
  drawn: number;
  bytes: number;
}

/** Waits for a press, and answers with where the time after it went. As text: what is compiled here brings helpers that a page does not know. */
const ARM = `window.acted = new Promise((done) => {
  let pressed = 0;
  let drawn = 0;
  const press = () => { pressed ||= performance.now(); };
  addEventListener('keydown', press, { capture: true, once: true });
  addEventListener('pointerdown', press, { capture: true, once: true });
  // How a message fades in, a button ripples and a clock ticks follows from no act.
  const isShow = ({ target, type }) =>
    target.nodeType === 3 ? target.parentElement?.closest('.head-timers') : target.nodeType === 1 && target.closest(type === 'attributes' ? '.MuiSnackbar-root, .MuiTouchRipple-root, .head-timers' : '.MuiTouchRipple-root');
  new MutationObserver((changes) => changes.every(isShow) || requestAnimationFrame(() => { drawn = performance.now(); })).observe(document.body, {
    subtree: true, childList: true, attributes: true, characterData: true,
  });
  performance.clearResourceTimings();
  // What changes nothing sends nothing.
  setTimeout(() => done(null), 15000);
  const look = () => {
    const own = performance.getEntriesByType('resource').filter(({ initiatorType, startTime, name }) => initiatorType === 'fetch' && pressed && startTime >= pressed && !/undo|revision|health/.test(name));
    const [first] = own;
    const last = own.at(-1);
    if (!first || performance.now() - Math.max(drawn, last.responseEnd) < 1000) return setTimeout(look, 20);
    done({
      sent: first.requestStart - pressed,
      answered: first.responseStart - first.requestStart,
      read: first.responseEnd - first.responseStart,
      drawn: Math.max(0, drawn - first.responseEnd),
      bytes: own.reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0),
    });
  };
  look();
}); void 0;`;

interface Act {
  name: string;
  station: string;
  /** All that comes before the press that sends it. */
  prepare: (page: Page, run: number) => Promise<void>;
  press: (page: Page, run: number) => Promise<void>;
}

const enter = (page: Page) => page.keyboard.press('Enter');
const other = <T>(run: number, one: T, two: T): T => (run % 2 ? one : two);

const ruling = (page: Page) => page.getByRole('button', { name: /^(Rule|Change the ruling)$/ });

const ACTS: readonly Act[] = [
  {
    name: 'a typed sighting',
    station: 'evidence',
    prepare: async (page, run) => {
      await page.locator('.ledger tbody tr[data-question] td.sighting').first().focus();
      await page.keyboard.type(other(run, 'TCS 10', 'TCS 31'));
    },
    press: enter,
  },
  {
    name: 'a ruling',
    station: 'evidence',
    prepare: async (page, run) => {
      // What is ruled leaves the list of a brief with many; what nobody has seen anything of cannot be ruled as it stands.
      const rows = page.locator('.ledger tbody tr[data-question]');
      for (
        let i = 0;
        !(await ruling(page)
          .isEnabled({ timeout: 100 })
          .catch(() => false));
        i += 1
      )
        await rows.nth(i).getByRole('button').first().click();
      await page.getByLabel('Reason', { exact: true }).fill(`as measured, ${run}`);
    },
    press: (page) => ruling(page).click(),
  },
  {
    name: 'an option',
    station: 'kit',
    prepare: async (page, run) => {
      const group = page.getByRole('group', { name: 'Doors and hatches' });
      // What was chosen before stands there.
      await group.locator('[aria-pressed=true]', { hasText: other(run, 'open', 'closed') }).waitFor();
      await page.waitForTimeout(300);
      await group.getByRole('button', { name: other(run, 'closed', 'open'), exact: true }).click();
    },
    press: (page, run) => page.getByRole('button', { name: `Choose doors ${other(run, 'closed', 'open')}` }).click(),
  },
  {
    name: 'a step done',
    station: 'bench',
    prepare: async (page, run) => {
      const main = page.locator('main');
      await main.focus();
      if (run === 0) return;
      // An evening has few steps: the one that was done is taken back first.
      const drawn = page.waitForResponse(/\/now\/bench/);
      await page.keyboard.press('u');
      await drawn;
      await page.waitForTimeout(500);
      await page.locator('main ol > li > button').first().click();
      await main.focus();
    },
    press: (page) => page.keyboard.press('d'),
  },
  {
    name: 'a paint chosen',
    station: 'colours',
    prepare: async (page, run) => {
      const offers = page.getByRole('button', { name: /^Use / });
      // The pane closes with the choice of before.
      if (run > 0) await offers.first().waitFor({ state: 'detached' });
      await page.getByRole('row', { name: /TCS/ }).first().getByRole('button').first().click();
      await offers.first().waitFor();
    },
    press: (page, run) =>
      page
        .getByRole('button', { name: /^Use / })
        .nth(run % 2)
        .click(),
  },
];

const RUNS = 10;

export async function benchActs(browser: Browser, base: string, id: string, name: string): Promise<Figure[]> {
  const figures: Figure[] = [];
  for (const act of ACTS) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    page.setDefaultTimeout(20_000);
    try {
      await page.goto(`${base}/briefs/${id}/${act.station}`, { waitUntil: 'networkidle' });
      await page.locator('html[data-ready]').waitFor();
      const times: ActTimes[] = [];
      const paces: number[] = [];
      for (let run = 0; run < RUNS; run += 1) {
        await act.prepare(page, run);
        await page.waitForTimeout(300);
        paces.push(paceNs());
        await page.evaluate(ARM);
        await act.press(page, run);
        const taken = await page.evaluate(() => (window as unknown as { acted: Promise<ActTimes | null> }).acted);
        if (taken && run > 1) times.push(taken);
      }
      if (times.length === 0) throw new Error('nothing was sent');
      figures.push(figureOf(`${name}: ${act.name}`, times, median(paces)));
    } catch (error) {
      figures.push({
        what: `${name}: ${act.name}`,
        found: `not done: ${String(error).split('\n')[0]!}`,
        asked: 'a figure',
      });
    }
    await page.close();
  }
  return figures;
}

function figureOf(what: string, times: readonly ActTimes[], ns: number): Figure {
  const of = (part: keyof ActTimes) => median(times.map((one) => one[part])).toFixed(0);
  const whole = times.map(({ sent, answered, read, drawn }) => sent + answered + read + drawn).sort((a, b) => a - b);
  return {
    what: `${what}: ms until drawn, median (worst) = sent + answered + read + drawn; kB; median at 1 ns`,
    found: `${median(whole).toFixed(0)} (${whole.at(-1)!.toFixed(0)}) = ${of('sent')} + ${of('answered')} + ${of('read')} + ${of('drawn')}; ${(median(times.map(({ bytes }) => bytes)) / 1024).toFixed(1)}; ${(median(whole) / ns).toFixed(0)} at ${ns.toFixed(1)}`,
    asked: 'demo 60 (100), 5 kB; heavy 100 (150), 15 kB',
  };
}

await alone(import.meta.url, async (browser, base, demo) => {
  const { value: heavy } = await importBrief(briefFileSchema.parse(heavyBrief(HEAVY, nowUtc().slice(0, 10))));
  for (const [id, name] of [
    [demo, 'demo'],
    [heavy, 'heavy'],
  ] as const) {
    show(pace());
    for (const figure of await benchActs(browser, base, id, name)) show(figure);
  }
});
