import type { Browser } from '@playwright/test';
import { alone } from './bench-alone';
import { median, medianAndWorst, pace, show, type Figure } from './bench-figures';

/** The view of the machine in the hand, on the demo, drawn in software as here. Figures of a browser at 1280 by 800. */

const RUNS = 7;

/** Presses v and answers with the ms until the machine is drawn; as text: see bench-kit. */
const OPEN = `(async () => {
  const start = performance.now();
  document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'v', bubbles: true }));
  const frame = () => new Promise((done) => requestAnimationFrame(done));
  while (!/Drag, pinch/.test(document.querySelector('.in-hand-says')?.textContent ?? '')) await frame();
  await frame();
  await frame();
  return performance.now() - start;
})()`;

/** Sets the slider, or the colours, and answers with the ms until the next frame is drawn, read back from the drawing. */
const drawnAfter = (act: string) => `(async () => {
  const set = (element, value) => {
    const proto = element.tagName === 'SELECT' ? HTMLSelectElement : HTMLInputElement;
    Object.getOwnPropertyDescriptor(proto.prototype, 'value').set.call(element, value);
    element.dispatchEvent(new Event(element.tagName === 'SELECT' ? 'change' : 'input', { bubbles: true }));
  };
  const frame = () => new Promise((done) => requestAnimationFrame(done));
  const taken = [];
  for (let i = 0; i < 14; i += 1) {
    await frame();
    await frame();
    const start = performance.now();
    ${act}
    await frame();
    const pixel = new Uint8Array(4);
    const canvas = document.querySelector('.in-hand canvas');
    const gl = canvas.getContext('webgl2');
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
    taken.push(performance.now() - start);
  }
  return taken.slice(2);
})()`;
const STEP = drawnAfter(`set(document.querySelector('.film-strip input'), String(95 + i));`);
const RECOLOUR = drawnAfter(`set(document.querySelector('.hand-what select'), i % 2 ? 'official' : 'chosen');`);

/** Turns it by the arrows, one press a frame, each frame waited for; answers with the ms of each. */
const TURN = `(async () => {
  const machine = document.querySelector('.in-hand [role=application]');
  const gl = document.querySelector('.in-hand canvas').getContext('webgl2');
  const pixel = new Uint8Array(4);
  const frames = [];
  let last = performance.now();
  for (let i = 0; i < 60; i += 1) {
    machine.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', bubbles: true }));
    await new Promise((done) => requestAnimationFrame(done));
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
    const now = performance.now();
    frames.push(now - last);
    last = now;
  }
  return frames.slice(5);
})()`;

export async function benchHand(browser: Browser, base: string, id: string): Promise<Figure[]> {
  const first: number[] = [];
  let [steps, recoloured, frames]: number[][] = [[], [], []];
  for (let i = 0; i < RUNS; i += 1) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto(`${base}/briefs/${id}/markings`);
    await page.locator('html[data-ready]').waitFor();
    await page.waitForLoadState('networkidle');
    first.push(await page.evaluate(OPEN));
    if (i === RUNS - 1) {
      await page.locator('.film-strip input').waitFor();
      steps = await page.evaluate(STEP);
      recoloured = await page.evaluate(RECOLOUR);
      frames = await page.evaluate(TURN);
    }
    await context.close();
  }
  const of = (what: string, found: string, asked: string): Figure => ({ what: `in the hand: ${what}`, found, asked });
  return [
    of('from v to the first picture, ms (median, worst)', medianAndWorst(first), '1000'),
    of('recoloured, ms (median, worst)', medianAndWorst(recoloured!), '50'),
    of('a step of the slider, ms (median, worst)', medianAndWorst(steps!), '50'),
    of('frames a second while it turns, in software', (1000 / median(frames!)).toFixed(0), '30'),
  ];
}

await alone(import.meta.url, async (browser, base, id) => {
  for (const figure of [pace(), ...(await benchHand(browser, base, id))]) show(figure);
});
