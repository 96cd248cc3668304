import { gzipSync } from 'node:zlib';
import type { Browser } from '@playwright/test';
import { median, timed, type Figure } from './bench-figures';

/** Pages of a brief: how long the server takes for them, how much they weigh, and how soon a change is on the screen. */

export const STATIONS = ['kit', 'evidence', 'colours', 'markings', 'route', 'bench', 'log', 'brief'];
const ROUNDS = 9;

export async function benchPages(
  base: string,
  id: string,
  name: string,
  most: { ms: number; kB: number },
): Promise<Figure[]> {
  const figures: Figure[] = [];
  for (const station of STATIONS) {
    let body = '';
    const taken = await timed(
      async () => (body = await (await fetch(`${base}/briefs/${id}/${station}`)).text()),
      ROUNDS,
    );
    figures.push({
      what: `${name}, ${station}: ms (median), kB compressed`,
      found: `${median(taken).toFixed(0)}, ${(gzipSync(body).length / 1024).toFixed(0)}`,
      asked: `${most.ms} ms, ${most.kB} kB`,
    });
  }
  return figures;
}

/** Begins to measure from the next key until the support of the first question has changed and was drawn. */
const MEASURE = `
  window.took = new Promise((resolve) => {
    const support = () => document.querySelector('.ledger tbody tr .end-support').textContent;
    const before = support();
    let start = 0;
    addEventListener('keydown', () => (start = performance.now()), { once: true, capture: true });
    const observer = new MutationObserver(() => {
      if (support() === before) return;
      observer.disconnect();
      requestAnimationFrame(() => resolve(performance.now() - start));
    });
    observer.observe(document.querySelector('.ledger tbody'), { subtree: true, childList: true, characterData: true });
    setTimeout(() => resolve(NaN), 5000);
  });
  0;
`;

/** From the key that saves a sighting to the changed support in its row. */
export async function benchKeystroke(browser: Browser, base: string, id: string, name: string): Promise<Figure> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/briefs/${id}/evidence`, { waitUntil: 'networkidle' });
  await page.locator('html[data-ready]').waitFor();
  // In the target window every sighting counts in full.
  const cell = page.locator('.ledger tbody tr[data-question]').first().locator('td.sighting.in-window').first();
  const times: number[] = [];
  for (let i = 0; i < 12; i += 1) {
    await cell.focus();
    await page.keyboard.type(i % 2 ? 'TCS 10' : 'TCS 31');
    // As text: what is compiled here brings helpers that a page does not know.
    await page.evaluate(MEASURE);
    await page.keyboard.press('Enter');
    const ms = await page.evaluate(() => (window as unknown as { took: Promise<number> }).took);
    if (Number.isFinite(ms) && i > 1) times.push(ms);
    await page.waitForTimeout(100);
  }
  await page.close();
  return {
    what: `${name}: from the key that saves a sighting to its changed support, ms (median of ${times.length})`,
    found: times.length > 0 ? median(times).toFixed(0) : 'no change seen',
    asked: '100',
  };
}
