import type { Browser } from '@playwright/test';
import { MISHAPS } from '../src/core/bench/mishaps';
import { deriveBrief } from '../src/core/derive/derive';
import { planMishap } from '../src/core/workshop/mishap-plan';
import { Stages } from '../src/core/derive/stages';
import type { BriefState, ColourShelf } from '../src/core/kept/state';
import { median, medianAndWorst, timed, type Figure } from './bench-figures';

/** Bench and Log as their issue asks for it: a tap that is answered at once, a mishap with its plan, a long record. */

/** Presses one clock of the card after the other, and answers with the ms until its face was drawn. As text, see bench-kit. */
const TAP = `(async () => {
  const times = [];
  for (let i = 0; i < 8; i += 1) {
    const button = [...document.querySelectorAll('.bench-timers button')].find((one) => /^Start/.test(one.textContent));
    if (!button) break;
    const start = performance.now();
    button.click();
    while (!document.querySelector('.timer-face')) await new Promise((done) => setTimeout(done, 1));
    await new Promise((done) => requestAnimationFrame(done));
    times.push(performance.now() - start);
    document.querySelector('.head-timer').click();
    while (document.querySelector('.timer-face')) await new Promise((done) => setTimeout(done, 1));
  }
  return times;
})()`;

export async function benchWorkshop(
  browser: Browser,
  base: string,
  id: string,
  painted: { state: BriefState; shelf: ColourShelf },
): Promise<Figure[]> {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await page.goto(`${base}/briefs/${id}/bench`, { waitUntil: 'networkidle' });
  await page.locator('html[data-ready]').waitFor();
  const cards = page.locator('.bench-next button');
  for (let i = 0; (await page.locator('.bench-timers button').count()) === 0 && i < (await cards.count()); i += 1)
    await cards.nth(i).click();
  const taps = (await page.evaluate(TAP)) as number[];
  await page.close();

  const settings = { nowUtc: new Date().toISOString(), effort: 0 };
  const { state, shelf } = painted;
  const view = deriveBrief(state, shelf, settings, new Stages());
  const told = { kind: 'glue', zones: ['cowling-port'], cure: MISHAPS.glue.ladder[2]!.title, looks: '' } as const;
  const mended = await timed(() => planMishap(view, shelf, told, 'bench', settings), 10);
  return [
    { what: 'bench: tap to what it shows, ms (median, worst)', found: medianAndWorst(taps), asked: 'under 100' },
    {
      what: 'log: a glue drip on a painted nose with its new plan, ms',
      found: median(mended).toFixed(0),
      asked: 'under 200',
    },
  ];
}

/** The Log of a brief with a thousand entries, opened until its lines are there. */
export async function benchLongLog(browser: Browser, base: string, id: string): Promise<Figure> {
  const opened: number[] = [];
  // A browser that has the application's files, as on every day but the first.
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  for (let i = 0; i < 7; i += 1) {
    const start = performance.now();
    await page.goto(`${base}/briefs/${id}/log`, { waitUntil: 'commit' });
    await page.locator('.log-line').first().waitFor();
    opened.push(performance.now() - start);
    await page.waitForTimeout(i === 0 ? 8000 : 3000);
  }
  await page.close();
  opened.shift();
  return {
    what: 'log: a thousand entries until they are seen, ms (median, worst)',
    found: medianAndWorst(opened),
    asked: 'under 500',
  };
}
