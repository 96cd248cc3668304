import type { Browser } from '@playwright/test';
import { compareOrders } from '../src/core/work/compare-orders';
import { PLAIN } from '../src/core/markings/design';
import { placeMarking, placesOf, type PlaceableMarking } from '../src/core/markings/placing';
import { buildOutline } from '../src/core/outline/outline';
import { PRESETS } from '../src/core/outline/presets';
import { VIEWS } from '../src/core/outline/zones';
import type { SchemeField } from '../src/core/scheme/field';
import { fieldsInView, paintScheme } from '../src/core/scheme/in-view';
import { median, medianAndWorst, timed, type Figure } from './bench-figures';

/** Pulls a corner of a field across the view and answers with the ms between frames. As text: see bench-kit. */
const PULL = `(async () => {
  const corner = document.querySelector('.scheme-handles .corner');
  const svg = document.querySelector('.scheme-handles');
  const { left, top } = corner.getBoundingClientRect();
  const at = (type, x, y, target) => target.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, button: 0, clientX: x, clientY: y, altKey: true }));
  svg.setPointerCapture = () => undefined;
  const frames = [];
  at('pointerdown', left + 4, top + 4, corner);
  let last = performance.now();
  for (let i = 0; i < 90; i += 1) {
    at('pointermove', left + 4 + 40 * Math.sin(i / 9), top + 4 + 30 * Math.cos(i / 7), svg);
    await new Promise((done) => requestAnimationFrame(done));
    const now = performance.now();
    frames.push(now - last);
    last = now;
  }
  at('pointerup', left + 4, top + 4, svg);
  return frames.slice(5);
})()`;

export async function benchMarkings(browser: Browser, base: string, id: string): Promise<Figure[]> {
  const outline = buildOutline({
    preset: 'single',
    dimensions: PRESETS.single.dimensions,
    landing: 'wheels',
    folded: false,
  });
  const fields = Array.from({ length: 8 }, (_, i): SchemeField => ({
    id: `f${i}`,
    title: `f${i}`,
    code: `c${i}`,
    mirrored: true,
    keptTo: [],
    edge: 'hard',
    softMm: 0,
    rank: i,
    shape: {
      kind: 'area',
      view: i % 2 ? 'upper' : 'port',
      smooth: true,
      corners: Array.from({ length: 8 }, (_, k) => ({
        x: i + 1.2 * Math.sin(k * 0.785),
        y: 1 + 0.9 * Math.cos(k * 0.785),
        on: null,
      })),
    },
  }));
  const markings = Array.from({ length: 60 }, (_, i): PlaceableMarking => ({
    id: `m${i}`,
    kind: i % 3 ? 'stencil' : 'insignia',
    text: 'NO STEP',
    zone: 'fuselage-mid-port',
    heightMm: 200,
    codes: ['a', 'b', 'c'],
    places: [{ view: i % 2 ? 'upper' : 'port', station: 1 + (i % 8), offset: 0.9, turn: 0, mirrored: false }],
    design: PLAIN,
  }));
  let run = 0;
  const drag = await timed(() => {
    run += 1;
    const moved = fields.map((field, i) =>
      i === 0 && 'corners' in field.shape
        ? {
            ...field,
            shape: {
              ...field.shape,
              corners: field.shape.corners.map((own, k) => (k ? own : { ...own, x: 0.5 + run / 50 })),
            },
          }
        : field,
    ) as SchemeField[];
    const painted = paintScheme(outline, moved, placesOf(markings));
    for (const view of VIEWS) fieldsInView(outline, painted, view);
  }, 40);
  const place = await timed(() => markings.flatMap((marking) => placeMarking(outline, marking)), 10);
  const colours = Array.from({ length: 16 }, (_, i) => `c${i}`);
  const order = await timed(
    () =>
      compareOrders({
        colours,
        edges: colours.flatMap((a, i) =>
          colours.slice(i + 1).map((b, k) => ({ a, b, hard: (i + k) % 3 > 0, modelMm: 5 + ((i * 7 + k) % 40) })),
        ),
        hides: [['c1', 'c0']],
        lightness: {},
        markingsFirst: [],
        chosen: [],
      }),
    5,
  );
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/briefs/${id}/markings?show=scheme`, { waitUntil: 'networkidle' });
  await page.locator('html[data-ready]').waitFor();
  await page.getByRole('region', { name: 'Fields of the scheme' }).locator('tbody button.row-button').first().click();
  await page.locator('.scheme-handles .corner').first().waitFor();
  const frames = (await page.evaluate(PULL)) as number[];
  await page.close();
  return [
    {
      what: 'scheme: one of 8 fields pulled, all views laid again, ms (median, worst)',
      found: medianAndWorst(drag),
      asked: 'under 16',
    },
    { what: 'markings: 60 placed on the skin, ms (median)', found: median(place).toFixed(1), asked: 'no figure' },
    {
      what: 'demo: frames while a corner is pulled, ms (median, worst)',
      found: medianAndWorst(frames),
      asked: 'under 16',
    },
    { what: 'masks: 16 colours, both orders, ms (median)', found: median(order).toFixed(0), asked: 'under 1000' },
  ];
}
