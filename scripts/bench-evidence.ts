import type { Browser } from '@playwright/test';
import { build } from 'esbuild';
import { briefFileSchema } from '../src/core/interchange/brief-file';
import { PRESETS } from '../src/core/outline/presets';
import { buildOutline } from '../src/core/outline/outline';
import { homographyOf, projectPoint, type XY } from '../src/core/evidence/picture/homography';
import { importBrief } from '../src/data/brief-files';
import { BriefBuilder } from '../demo/builder';
import { newBrief } from '../src/core/kept/new-brief';
import { median, type Figure } from './bench-figures';

/** Evidence as its issue asks for it: weighing and scrolling in the browser, rectification of an oblique view. */

export async function benchEvidence(browser: Browser, base: string): Promise<Figure[]> {
  return [await weighInBrowser(browser), ...(await scrollLedger(browser, base)), rectify()];
}

/** 200 questions x 100 sources, one sighting changed before each run, in Chromium. */
async function weighInBrowser(browser: Browser): Promise<Figure> {
  const { outputFiles } = await build({
    stdin: {
      contents: `import { weigh } from '@/core/evidence/weigh'; globalThis.weigh = weigh;`,
      resolveDir: process.cwd(),
      loader: 'ts',
    },
    bundle: true,
    write: false,
    format: 'iife',
    alias: { '@': `${process.cwd()}/src` },
  });
  const page = await browser.newPage();
  await page.addScriptTag({ content: outputFiles[0]!.text });
  const taken = await page.evaluate(() => {
    const weigh = (globalThis as unknown as { weigh: (evidence: object) => unknown }).weigh;
    const sources = Array.from({ length: 100 }, (_, i) => ({
      id: `s${i}`,
      kind: 'photograph',
      from: `1951-0${1 + (i % 9)}-10`,
      to: `1951-0${1 + (i % 9)}-12`,
      derivedFrom: i % 7 === 3 ? [`s${i - 1}`] : [],
      grade: 1,
    }));
    const sightings = Array.from({ length: 20_000 }, (_, i) => ({
      source: `s${i % 100}`,
      zone: `z${Math.floor(i / 100)}`,
      aspect: 'colour',
      value: String(i % 3),
      clarity: 'clear',
      sense: 'for',
    }));
    const times: number[] = [];
    for (let run = 0; run < 25; run += 1) {
      sightings[run * 700] = { ...sightings[run * 700]!, value: 'other' };
      const start = performance.now();
      weigh({ target: { from: '1951-05-08', to: '1951-05-14' }, sources, repaints: [], sightings });
      times.push(performance.now() - start);
    }
    return times;
  });
  await page.close();
  return {
    what: 'weighing 200 x 100 after a change, in Chromium, ms',
    found: `${median(taken).toFixed(1)}, first ${taken[0]!.toFixed(0)}`,
    asked: 'under 30',
  };
}

/** A brief of 60 questions and 40 sources: frames while its ledger is scrolled, and a key press until its cell has the focus. */
async function scrollLedger(browser: Browser, base: string): Promise<Figure[]> {
  const { value: id } = await importBrief(briefFileSchema.parse(largeBrief()));
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/briefs/${id}/evidence`, { waitUntil: 'networkidle' });
  const frames = await page.evaluate(async () => {
    const ledger = document.querySelector('.ledger-scroll')!;
    const gaps: number[] = [];
    let last = performance.now();
    for (let i = 0; i < 240; i += 1) {
      ledger.scrollTop = (i * 23) % (ledger.scrollHeight - ledger.clientHeight);
      await new Promise(requestAnimationFrame);
      const now = performance.now();
      gaps.push(now - last);
      last = now;
    }
    return gaps.slice(10);
  });
  const rows = await page.locator('.ledger tbody tr').count();
  await page.locator('.ledger tbody [data-cell^="0 "]').first().focus();
  const keys = await page.evaluate(async () => {
    const times: number[] = [];
    for (let i = 0; i < 40; i += 1) {
      const start = performance.now();
      const key = i % 2 ? 'ArrowRight' : 'ArrowDown';
      document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      await new Promise(requestAnimationFrame);
      times.push(performance.now() - start);
    }
    return times;
  });
  await page.close();
  const late = frames.filter((gap) => gap > 20).length;
  return [
    {
      what: `ledger of ${rows} x 40 scrolled, frames a second (late frames)`,
      found: `${(1000 / median(frames)).toFixed(0)} (${late} of ${frames.length} over 20 ms)`,
      asked: 'at least 50',
    },
    { what: 'ledger: arrow key until the next frame, ms', found: median(keys).toFixed(1), asked: 'no figure' },
  ];
}

function largeBrief() {
  const setup = newBrief('2026-11-23');
  const outline = buildOutline({
    preset: 'twin',
    dimensions: PRESETS.twin.dimensions,
    landing: 'wheels',
    folded: false,
  });
  const b = new BriefBuilder(
    { ...setup.brief, timeZone: 'UTC' },
    {
      ...setup.airframe,
      type: 'Measured',
      preset: 'twin',
      dimensions: PRESETS.twin.dimensions,
      targetFrom: '1951-05-08',
      targetTo: '1951-05-14',
    },
  );
  for (let i = 0; i < 40; i += 1)
    b.source(`s${i}`, i % 4 ? 'photograph' : 'kit-sheet', `Source ${i}`, {
      from: `19${48 + Math.floor(i / 10)}-0${1 + (i % 9)}-10`,
      to: `19${48 + Math.floor(i / 10)}-0${1 + (i % 9)}-12`,
    });
  const questions = (['colour', 'finish', 'marking'] as const)
    .flatMap((aspect) => outline.zones.map((zone) => ({ aspect, zone: zone.key })))
    .slice(0, 60);
  questions.forEach(({ aspect, zone }, q) => {
    for (let i = 0; i < 40; i += 1)
      b.saw(`s${i}`, aspect, { [zone]: aspect === 'finish' ? 'matt' : `TCS ${10 + ((q + i) % 3)}` }, 'clear');
  });
  return b.file().file;
}

/** A length on a synthetic panel seen obliquely, its corners and ends rounded to whole px as a click does. */
function rectify(): Figure {
  const [width, height] = [800, 500];
  const corners: XY[] = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ];
  const errors: number[] = [];
  for (let turn = -0.9; turn <= 0.9; turn += 0.15)
    for (let tilt = -0.6; tilt <= 0.6; tilt += 0.15) {
      const see = ([x, y]: XY): XY => {
        const [x1, z1] = [Math.cos(turn) * x, Math.sin(turn) * x];
        const [y2, z2] = [Math.cos(tilt) * y - Math.sin(tilt) * z1, Math.sin(tilt) * y + Math.cos(tilt) * z1];
        return [Math.round(600 + (1200 * x1) / (2500 + z2)), Math.round(400 + (1200 * y2) / (2500 + z2))];
      };
      const back = homographyOf(corners.map(see), corners);
      const [a, c] = [projectPoint(back, see([100, 60])), projectPoint(back, see([700, 380]))];
      errors.push(Math.abs(Math.hypot(a[0] - c[0], a[1] - c[1]) / Math.hypot(600, 320) - 1));
    }
  return {
    what: 'length on an oblique panel, error in % (median, worst)',
    found: `${(100 * median(errors)).toFixed(2)}, ${(100 * Math.max(...errors)).toFixed(2)}`,
    asked: 'within 1',
  };
}
