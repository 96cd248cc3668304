import sharp from 'sharp';
import { deltaE00 } from '../../src/core/colour/difference';
import { labToXyz, xyzToSrgb } from '../../src/core/colour/spaces';
import type { Lab } from '../../src/core/colour/types';
import { expect, openDemo, soundPage, test } from '../support/story';

/** A photograph of an 18 % grey card, left, beside a colour, right, in a warm light that is a little too dark. */
async function photograph(colour: Lab): Promise<Buffer> {
  const light = [0.92, 0.8, 0.62];
  const seen = (lab: Lab) =>
    xyzToSrgb(labToXyz(lab)).map((value, i) => {
      const linear = value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
      const lit = linear * light[i]!;
      return Math.round(255 * (lit <= 0.0031308 ? 12.92 * lit : 1.055 * lit ** (1 / 2.4) - 0.055));
    });
  const [card, sample] = [seen([49.5, 0, 0]), seen(colour)];
  const [width, height] = [600, 300];
  const pixels = Buffer.alloc(width * height * 3);
  for (let i = 0; i < width * height; i += 1)
    for (let c = 0; c < 3; c += 1) pixels[3 * i + c] = (i % width < width / 2 ? card : sample)[c]!;
  return sharp(pixels, { raw: { width, height, channels: 3 } })
    .png()
    .toBuffer();
}
const labIn = (text: string): Lab =>
  [...text.matchAll(/L\* (-?[\d.]+) a\* (-?[\d.]+) b\* (-?[\d.]+)/g)].map(([, L, a, b]): Lab => [
    Number(L),
    Number(a),
    Number(b),
  ])[0]!;

/** From an official code to a paint that can be had. What a test changes it takes back. */

test.describe('colours', () => {
  test('a recipe is found in a worker, moved by a drop, kept, and makes the colour', async ({ page }) => {
    await openDemo(page, 'colours?show=mix&code=TCS%2014');
    await page.getByRole('button', { name: 'Find recipes' }).click();
    const found = page.getByRole('region', { name: 'Search' }).getByRole('row');
    await expect(page.getByText(/mixtures looked at|Every recipe was looked at/)).toBeVisible();
    await found.first().getByRole('button').click();
    const figure = page.getByTestId('mix-de');
    const best = Number(await figure.innerText());
    expect(best).toBeLessThan(2);
    await page
      .getByRole('button', { name: /^One drop more of/ })
      .first()
      .click();
    await expect.poll(async () => Number(await figure.innerText())).not.toBe(best);
    await found.first().getByRole('button').click();
    await page.getByRole('button', { name: 'Keep and use it' }).click();
    await expect(page.getByRole('button', { name: 'In use' })).toBeVisible();
    await page.getByRole('button', { name: 'Needed' }).click();
    await expect(page.getByRole('row', { name: /TCS 14/ })).toContainText('+');
    await page.keyboard.press('u');
    await expect(page.getByText(/choose one for Sleet/)).toBeVisible();
  });

  test('a primer is chosen like a colour: what it changes is said before, it is bought with them, undo brings the old one back', async ({
    page,
  }) => {
    await openDemo(page, 'colours');
    const coats = page.getByRole('region', { name: 'Primer, shades and clears' });
    await expect(coats.getByRole('row', { name: /^Primer/ })).toContainText('Quoin 350 Ash primer');
    await coats.getByRole('button', { name: 'Primer' }).click();
    const slate = coats.getByRole('row', { name: /Brammel BM50/ });
    await expect(slate).toContainText(/enamel, not acrylic lacquer; 13 h to the next coat instead of 17 min/);
    await slate.getByRole('button', { name: /Brammel BM50/ }).click();
    await expect(page.getByRole('region', { name: 'What this changes' })).not.toContainText('Reckoning');
    await slate.getByRole('button', { name: 'Use it' }).click();
    await expect(coats.getByRole('row', { name: /^Primer/ })).toContainText('Brammel BM50 Slate primer');
    await page.getByRole('button', { name: 'Buy and measure out' }).click();
    await expect(page.getByRole('row', { name: /Brammel BM50 Slate primer/ })).toContainText('primer');
    await page.keyboard.press('u');
    await expect(page.getByRole('row', { name: /Quoin 350 Ash primer/ })).toBeVisible();
    await soundPage(page, 'main');
  });

  test('another primer on some zones only has a row and a step of its own; one product in one place', async ({
    page,
  }) => {
    await openDemo(page, 'colours');
    const coats = page.getByRole('region', { name: 'Primer, shades and clears' });
    await coats.getByRole('button', { name: 'Primer', exact: true }).click();
    await coats.getByText('only on some zones').click();
    await coats.getByRole('checkbox', { name: 'Spinner' }).check();
    await coats
      .getByRole('row', { name: /Hask 150/ })
      .getByRole('button', { name: 'Use it on 1 zone' })
      .click();
    const own = coats.getByRole('row', { name: /^Primer, on the spinner/ });
    await expect(own).toContainText('Hask 150 Stone primer');
    await expect(coats.getByRole('row', { name: /^Primer [^,]/ })).toContainText('Quoin 350 Ash primer');
    // The spinner has its primer: it is not offered for a third.
    await coats.getByRole('button', { name: 'Primer', exact: true }).click();
    await coats.getByText('only on some zones').click();
    await expect(coats.getByRole('checkbox', { name: 'Propeller' })).toBeVisible();
    await expect(coats.getByRole('checkbox', { name: 'Spinner' })).toHaveCount(0);
    await soundPage(page, 'main');
    await page.getByRole('link', { name: 'Route' }).first().click();
    await expect(page.getByText(/^Prime gear, propeller, .*: the spinner$/).first()).toBeVisible();
  });

  test('a test spray in words gives the next drop; nonsense is not guessed at', async ({ page }) => {
    await openDemo(page, 'colours?show=mix&code=TCS%2014');
    const seen = page.getByLabel('What the test spray looks like');
    await seen.fill('mauvish');
    await page.getByRole('button', { name: 'What next?' }).click();
    await expect(page.getByText(/Say it as/)).toBeVisible();
    await seen.fill('too dark');
    await page.getByRole('button', { name: 'What next?' }).click();
    await expect(page.getByText(/understood as/)).toContainText(/Add|leave it/);
  });

  test('the whole scheme is chosen at once, beside what is chosen now', async ({ page }) => {
    await openDemo(page, 'colours?show=together');
    await page.getByRole('button', { name: /^Choose for all/ }).click();
    await expect(page.getByText(/No better choice exists|A better choice may exist/)).toBeVisible();
    await page.getByRole('button', { name: 'Take it' }).click();
    await expect(page.getByText(/All 13 colours have a paint/)).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.getByText(/choose one for Sleet/)).toBeVisible();
  });

  test('shops are asked, and the plan says what it costs', async ({ page }) => {
    await openDemo(page, 'colours?show=buy');
    await expect(page.getByText('Quayside Hobby Counter').first()).toBeVisible();
    await expect(page.getByText(/EUR in \d parcel|None of it is in stock/)).toBeVisible();
  });

  test('a table with bad rows says which, and takes the good ones', async ({ page }) => {
    await openDemo(page, 'colours?show=drawer');
    await page.getByRole('button', { name: 'Bring in a table' }).click();
    await page.getByLabel('Paints from a table: file').setInputFiles({
      name: 'paints.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('line,number,chemistry,L,a,b\nTable,T1,WA,50,0,0\nTable,T2,WA,500,0,0\n'),
    });
    await expect(page.getByText(/row 3, L: L\* 500 is impossible/)).toBeVisible();
    await page.getByRole('button', { name: 'Take 1 row' }).click();
    await page.getByLabel('Named').fill('Table');
    await expect(page.getByRole('button', { name: 'Table T1' })).toBeVisible();
    await page.getByLabel('Named').blur();
    await page.keyboard.press('u');
    await expect(page.getByText('No paint passes these filters.')).toBeVisible();
  });

  test('a photograph beside a grey card gives the colour without its light, by keyboard too', async ({ page }) => {
    const real: Lab = [52, -8, 14];
    await openDemo(page, 'colours?show=drawer');
    await page.getByRole('button', { name: 'Add a paint' }).click();
    await page.getByRole('button', { name: /^Find its colour/ }).click();
    await page.getByLabel('Photograph with a card').setInputFiles({
      name: 'no-picture.png',
      mimeType: 'image/png',
      buffer: Buffer.from('not a picture'),
    });
    await expect(page.getByText('This file is no picture that can be opened.')).toBeVisible();
    await page.getByLabel('Photograph with a card').setInputFiles({
      name: 'cap.png',
      mimeType: 'image/png',
      buffer: await photograph(real),
    });
    const picture = page.getByLabel(/^Photograph; arrow keys/);
    const box = (await picture.boundingBox())!;
    await picture.click({ position: { x: box.width * 0.25, y: box.height / 2 } });
    // The other patch by keyboard: it starts in the middle of the picture.
    await picture.focus();
    for (let i = 0; i < 12; i += 1) await page.keyboard.press('ArrowRight');
    const found = page.locator('p', { hasText: 'Take this colour' });
    await expect(found).toContainText('±');
    expect(deltaE00(labIn(await found.innerText()), real)).toBeLessThan(1);
    await page.getByRole('button', { name: 'Take this colour' }).click();
    expect(Number(await page.getByLabel('L*', { exact: true }).inputValue())).toBeCloseTo(real[0], 0);
  });

  test('the colorimeter reads with noise, and asks for its tile', async ({ page }) => {
    await openDemo(page, 'colours?show=drawer');
    await page.getByRole('button', { name: 'Add a paint' }).click();
    await page.getByRole('button', { name: /^Find its colour/ }).click();
    await page.getByLabel(/a pocket colorimeter/).check();
    const under = page.getByLabel(/^Under it lies/);
    await under.fill('nonsense');
    await expect(page.getByRole('button', { name: 'Measure, five readings' })).toBeDisabled();
    await under.fill('61,5 -3 8');
    await page.getByRole('button', { name: 'Set on its tile' }).click();
    await page.getByRole('button', { name: 'Measure, five readings' }).click();
    const found = page.locator('p', { hasText: 'Take this colour' });
    await expect(found).toContainText('±');
    const read = labIn(await found.innerText());
    expect(deltaE00(read, [61.5, -3, 8])).toBeLessThan(2);
    expect(read).not.toEqual([61.5, -3, 8]);
  });

  test('a Munsell notation outside the solid is refused by its row', async ({ page }) => {
    await openDemo(page, 'colours?show=standards');
    await page.getByRole('button', { name: 'Bring in a standard' }).click();
    await page.getByLabel(/: file$/).setInputFiles({
      name: 'standard.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('code,name,munsell\nTCS 901,Too strong,5GY 5/60\nTCS 902,Good,5GY 5/4\n'),
    });
    await expect(page.getByText(/The file is still here/)).toBeVisible();
    await page.getByLabel('Name of the standard').fill('TCS');
    await page.getByRole('button', { name: 'Read it again' }).click();
    await expect(page.getByText(/row 2, munsell: .*solid/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Take 1 row' })).toBeVisible();
  });

  test('a line says how its paint dries, and takes it back', async ({ page }) => {
    await openDemo(page, 'colours?show=drawer');
    await page.getByLabel('Named').fill('Hask 1');
    await page
      .getByRole('button', { name: /^Hask 1/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Change the line Hask' }).click();
    await page.getByLabel(/^Masked after/).fill('240');
    await page.getByRole('button', { name: 'Save the line' }).click();
    await expect(page.getByText(/masked after 4 h.*by the line’s own word/)).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.getByText(/by the line’s own word/)).toHaveCount(0);
  });

  test('what was bought stands in the drawer, and the plan asks for no more of it', async ({ page }) => {
    await openDemo(page, 'colours?show=buy');
    const needs = page.getByRole('table').first();
    const toBuy = () =>
      needs
        .getByRole('row')
        .filter({ hasText: /\d of \d+ ml/ })
        .count();
    await expect(page.getByRole('button', { name: /^They have come/ })).toBeVisible();
    const before = await toBuy();
    await page.getByRole('button', { name: /^They have come/ }).click();
    await expect.poll(toBuy).toBeLessThan(before);
    await page.keyboard.press('u');
    await expect.poll(toBuy).toBe(before);
  });

  test('one paint under two numbers becomes one; undo parts them again', async ({ page }) => {
    await openDemo(page, 'colours?show=drawer');
    await page.getByLabel('Named').fill('Hask 1');
    const count = page.getByText(/^\d+ of \d+$/);
    const before = await count.innerText();
    await page
      .getByRole('button', { name: /^Hask 1/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'It is the same as…' }).click();
    await page.getByLabel(/is the same as/).selectOption({ index: 2 });
    await page.getByRole('button', { name: 'Make one of the two' }).click();
    await expect(count).not.toHaveText(before);
    await page.keyboard.press('u');
    await expect(count).toHaveText(before);
  });

  test('on a phone a call and its paints are read without scrolling sideways', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await openDemo(page, 'colours?code=TCS%2014');
    const use = page.getByRole('button', { name: /^Use / }).first();
    await use.scrollIntoViewIfNeeded();
    const box = (await use.boundingBox())!;
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(390);
    for (const pane of ['mix', 'layers', 'together', 'buy', 'drawer', 'standards']) {
      await openDemo(page, `colours?show=${pane}`);
      await expect(page.getByRole('progressbar')).toHaveCount(0);
      expect(await page.evaluate(() => document.documentElement.scrollWidth), pane).toBeLessThanOrEqual(390);
    }
  });

  test('by keyboard alone: a call is opened, a paint is used, and taken back', async ({ page }) => {
    await openDemo(page, 'colours');
    const row = page.getByRole('row', { name: /TCS 14/ }).first();
    const tabTo = async (what: RegExp) => {
      for (let presses = 0; presses < 80; presses += 1) {
        await page.keyboard.press('Tab');
        const on = await page.evaluate(() => {
          const element = document.activeElement!;
          return element.getAttribute('aria-label') ?? element.textContent ?? '';
        });
        if (what.test(on)) return;
      }
      throw new Error(`Tab never comes to ${what}`);
    };
    await tabTo(/^TCS 14$/);
    await page.keyboard.press('Enter');
    // What is offered comes in its own time.
    await page.getByRole('button', { name: /^Use / }).first().waitFor();
    await tabTo(/^Use /);
    await page.keyboard.press('Enter');
    await expect(row).toContainText('in the drawer');
    await page.keyboard.press('u');
    await expect(row).toContainText('Choose');
  });

  test('every pane is sound: accessible, and as wide as the page', async ({ page }) => {
    const base = await openDemo(page, 'colours');
    for (const pane of ['calls', 'mix', 'layers', 'together', 'buy', 'drawer', 'standards']) {
      await page.goto(`${base}/colours?show=${pane}`);
      await page.locator('html[data-ready]').waitFor();
      await expect(page.getByRole('progressbar')).toHaveCount(0);
      await soundPage(page, 'main');
    }
  });
});
