import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { A_PAPER_MS, choose, expect, test } from '../support/story';
import { nowMs } from '../../src/clock/now';

/** Makes a step of the session the one in hand, if it is not so already. */
async function takeInHand(page: Page, title: string) {
  const card = page.getByRole('article', { name: 'Step in hand' });
  await expect(card).toBeVisible();
  if (!(await card.getByRole('heading', { name: title }).isVisible()))
    await page.getByRole('button', { name: title, exact: true }).click();
  await expect(card.getByRole('heading', { name: title })).toBeVisible();
}

test.describe('from an empty house to a printed brief', () => {
  test.use({ house: 'empty' });

  test('the whole thread', async ({ page }) => {
    test.setTimeout(180_000);
    await page.goto('/');
    await expect(page.getByText('Nothing here yet.')).toBeVisible();

    await test.step('a new brief, drawn as it is typed', async () => {
      await page.getByRole('link', { name: /New brief/ }).click();
      await page.getByLabel('Type', { exact: true }).fill('Testbird');
      await page.getByLabel('Serial').fill('T 1');
      // Tomorrow, so that the first session is a whole one at whatever hour the test runs.
      await page.getByText('Kit and bench').click();
      await page.getByLabel('Begins').fill(new Date(nowMs() + 24 * 3_600_000).toISOString().slice(0, 10));
      await page.getByText('Unit, name and the day it depicts').click();
      await page.getByLabel('Depicts from').fill('1952-06-01');
      await page.getByLabel('Depicts to').fill('1952-06-10');
      const upper = page.locator('.view-upper svg');
      const ratio = async () => {
        const box = (await upper.boundingBox())!;
        return box.height / box.width;
      };
      const before = await ratio();
      await page.getByLabel('Span, m', { exact: true }).fill('16');
      await expect.poll(ratio).toBeGreaterThan(before * 1.3);
      await expect(page.getByText('333.3 mm')).toBeVisible();
      await page.getByRole('button', { name: 'Begin the brief' }).click();
      await expect(page).toHaveURL(/evidence$/);
      await expect(page.getByText(/^\d+ to find out/)).toBeVisible();
    });

    await test.step('a source with a picture, a citation without', async () => {
      await page.getByRole('button', { name: /New source/ }).click();
      const picture = await sharp({ create: { width: 640, height: 400, channels: 3, background: '#667766' } })
        .png()
        .toBuffer();
      await page.getByLabel('Pictures').setInputFiles({ name: 'apron.png', mimeType: 'image/png', buffer: picture });
      await expect(page.getByRole('img', { name: 'The picture of this source' })).toBeVisible();
      await page.getByLabel('Title').fill('Apron');
      await page.getByLabel('Dated', { exact: true }).fill('5 June 1952');
      await page.getByRole('button', { name: 'Add the source' }).click();
      await expect(page.getByRole('button', { name: 'Sources (1)' })).toBeVisible();
      await page.getByRole('button', { name: /New source/ }).click();
      await page.getByLabel('Title').fill('Handbook');
      await choose(page, page, 'Kind', /Manual/);
      await page.getByLabel('Citation').fill('chapter 3');
      await page.getByLabel('Page').fill('12');
      await page.getByRole('button', { name: 'Add the source' }).click();
      await expect(page.getByRole('button', { name: 'Sources (2)' })).toBeVisible();
    });

    await test.step('what the picture says of the fin', async () => {
      await page.getByRole('button', { name: 'Sources (2)' }).click();
      await page.getByRole('button', { name: 'Open Apron' }).click();
      await choose(page, page, 'Zone', 'Fin and rudder, port');
      await page.getByLabel('What it says').fill('77');
      await page.getByRole('button', { name: 'Add', exact: true }).click();
      await expect(page.getByRole('cell', { name: 'Fin and rudder, port, colour', exact: true })).toBeVisible();
    });

    await test.step('the support is seen and ruled on', async () => {
      await page.getByRole('button', { name: 'Ledger' }).click();
      await page
        .getByRole('row', { name: /Fin and rudder, port/ })
        .getByRole('button')
        .first()
        .click();
      const detail = page.getByRole('region', { name: 'Fin and rudder, port, Colour' });
      await expect(detail.getByText('3.00')).toBeVisible();
      // One clear photograph on the day: 20.1 / (20.1 + 1).
      await expect(page.getByRole('row', { name: /Fin and rudder, port/ }).first()).toContainText('0.95');
      await detail.getByLabel('Reason').fill('clear in the picture');
      await detail.getByRole('button', { name: 'Rule', exact: true }).click();
      await expect(page.getByText(/to find out|stands? in the way of/)).toBeVisible();
    });

    await test.step('a colour for the code, a paint from the drawer', async () => {
      await page.getByRole('link', { name: 'Colours' }).click();
      await expect(page.getByText('No official colour')).toBeVisible();
      await page.getByRole('button', { name: '77', exact: true }).click();
      await page.getByRole('button', { name: /^Say its colour/ }).click();
      await page.getByLabel('L*').fill('41,5');
      await page.getByLabel('a*').fill('-6');
      await page.getByLabel('b*').fill('12');
      await page.getByRole('button', { name: 'Add the chip' }).click();
      await page.getByRole('button', { name: 'Paints and drawer' }).click();
      await page.getByRole('button', { name: 'Add a paint' }).click();
      const form = page.getByRole('region', { name: 'New paint' });
      await form.getByLabel('Line').fill('Testline');
      await form.getByLabel('Number').fill('7');
      await form.getByLabel('In the drawer, ml').fill('12');
      await form.getByLabel('L*').fill('42');
      await form.getByLabel('a*').fill('-6');
      await form.getByLabel('b*').fill('12');
      await form.getByRole('button', { name: 'Add the paint' }).click();
      await expect(form).toBeHidden();
      await page.getByRole('button', { name: 'Needed' }).click();
      await page.getByRole('button', { name: '77', exact: true }).click();
      await page.getByRole('button', { name: 'Use Testline 7' }).click();
      await expect(page.getByText(/The one colour has a paint/)).toBeVisible();
      await expect(page.getByRole('cell', { name: "can't tell apart" })).toBeVisible();
      await expect(page.getByText('in the drawer, 12 ml')).toBeVisible();
    });

    await test.step('the route has dates, and a finish', async () => {
      await page.getByRole('link', { name: 'Route' }).click();
      await expect(page.getByText(/steps to go, .* finished on/)).toBeVisible();
      const steps = await page.locator('.session li').count();
      expect(steps).toBeGreaterThanOrEqual(45);
      await expect(page.getByRole('button', { name: /77 on the port side of the fin and rudder/ })).toBeVisible();
    });

    await test.step('the bench: a timer that survives a reload, then done', async () => {
      await page.getByRole('link', { name: 'Bench' }).click();
      await expect(page.getByRole('heading', { name: 'What do I do now?' })).toBeVisible();
      await takeInHand(page, 'Wash the sprues');
      await page.getByRole('button', { name: /Start the timer/ }).click();
      await expect(page.getByRole('timer')).toContainText(/59:|1:00:00/);
      await page.reload();
      await expect(page.getByRole('banner').getByRole('button', { name: /Wash the sprues: 59/ })).toBeVisible();
      await takeInHand(page, 'Wash the sprues');
      await page.getByLabel('Took, minutes').fill('25');
      await page.getByRole('button', { name: /^Done/ }).click();
      await expect(page.getByText('Done; the rest is planned anew')).toBeVisible();
    });

    await test.step('the log has it', async () => {
      await page.getByRole('link', { name: 'Log' }).click();
      const line = page.locator('.log-line', { hasText: 'Wash the sprues' });
      await expect(line).toContainText('25 min');
      await expect(line).toContainText(/\(\+\d+\)/);
      await page.getByRole('button', { name: 'What it teaches' }).click();
      await expect(page.getByRole('row', { name: /^wash/ })).toContainText('25 min');
      await expect(page.locator('.recharts-bar-rectangle').first()).toBeVisible();
    });

    await test.step('on paper, and as a file that makes an equal brief', async () => {
      await page.getByRole('link', { name: 'Brief', exact: false }).last().click();
      const [pdf] = await Promise.all([
        page.waitForEvent('download', { timeout: A_PAPER_MS }),
        page.getByRole('button', { name: 'Brief as PDF' }).click(),
      ]);
      expect(pdf.suggestedFilename()).toBe('testbird-t-1.pdf');
      const bytes = readFileSync((await pdf.path())!);
      expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
      expect(bytes.includes('/FontFile2')).toBe(true);
      const [json] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('link', { name: 'Brief as JSON' }).click(),
      ]);
      const first = readFileSync((await json.path())!, 'utf8');
      await page.goto('/');
      await page
        .getByLabel('Brief as zip or JSON')
        .setInputFiles({ name: 'brief.json', mimeType: 'application/json', buffer: Buffer.from(first) });
      await expect(page).toHaveURL(/evidence$/);
      const copy = await page.request.get(page.url().replace(/evidence$/, 'brief.json'));
      expect(await copy.text()).toBe(first);
    });
  });
});
