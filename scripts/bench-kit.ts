import type { Browser } from '@playwright/test';
import { median, medianAndWorst, type Figure } from './bench-figures';

/** Kit as its issue asks for it: consequences before a choice is made, and a register of a thousand parts. */

/** Presses a choice and answers with the ms until what it would change was drawn. As text: what is compiled here brings helpers that a page does not know. */
const LOOK = `(async () => {
  const times = [];
  for (const button of [...document.querySelectorAll('.choice[aria-pressed=false]')].slice(0, 20)) {
    const start = performance.now();
    button.click();
    while (!document.querySelector('.choice-detail')) await new Promise((done) => setTimeout(done, 1));
    await new Promise((done) => requestAnimationFrame(done));
    times.push(performance.now() - start);
    document.querySelector('.choice-detail .pane-actions button:last-child').click();
    while (document.querySelector('.choice-detail')) await new Promise((done) => setTimeout(done, 1));
  }
  return times;
})()`;

/** Types into the filter and scrolls the register, and answers with the ms between frames. */
const FRAMES = `(async () => {
  const field = document.querySelector('input[aria-label="Filter the parts"]');
  const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
  const pane = document.querySelector('.part-window');
  const frames = [];
  let last = performance.now();
  const step = async (work) => {
    work();
    await new Promise((done) => requestAnimationFrame(done));
    const now = performance.now();
    frames.push(now - last);
    last = now;
  };
  for (const text of ['c', 'c ', 'c 1', 'c 12', 'c 1', '']) {
    await step(() => { setter.call(field, text); field.dispatchEvent(new Event('input', { bubbles: true })); });
    for (let i = 0; i < 4; i += 1) await step(() => undefined);
  }
  for (let i = 0; i < 60; i += 1) await step(() => { pane.scrollTop += 180; });
  return frames.slice(2);
})()`;

export async function benchKit(browser: Browser, base: string, id: string, name: string): Promise<Figure[]> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/briefs/${id}/kit`, { waitUntil: 'networkidle' });
  await page.locator('html[data-ready]').waitFor();
  const looked = (await page.evaluate(LOOK)) as number[];
  const chosen: number[] = [];
  for (const choice of ['open', 'closed', 'open', 'closed', 'open', 'closed']) {
    const group = page.getByRole('group', { name: 'Doors and hatches' });
    await group.getByRole('button', { name: choice, exact: true }).click();
    const start = performance.now();
    await page.getByRole('button', { name: `Choose doors ${choice}` }).click();
    await group.locator('[aria-pressed=true]', { hasText: choice }).waitFor();
    chosen.push(performance.now() - start);
  }
  await page.goto(`${base}/briefs/${id}/kit?show=parts`, { waitUntil: 'networkidle' });
  await page.locator('html[data-ready]').waitFor();
  const frames = (await page.evaluate(FRAMES)) as number[];
  await page.close();
  return [
    {
      what: `${name}: from a choice to what it would change, ms (median, worst)`,
      found: medianAndWorst(looked),
      asked: '100',
    },
    {
      what: `${name}: a choice taken until it and all that follows are drawn, ms (median)`,
      found: median(chosen).toFixed(0),
      asked: '100',
    },
    {
      what: `${name}: 1 000 parts filtered and scrolled, ms between frames (median, worst)`,
      found: medianAndWorst(frames),
      asked: 'none dropped (33)',
    },
  ];
}
