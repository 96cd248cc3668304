import type { Page } from '@playwright/test';
import { expect, openDemo, STATIONS, test } from '../support/story';

/** This demo brief begins in two days: its first session is whole, at whatever hour the tests run. */
const NOT_BEGUN = '21, FS 21';

/** Takes in hand the first step of the session that is followed by a wait, and starts its timer. */
async function startTimer(page: Page) {
  const start = page.getByRole('button', { name: /Start the timer/ });
  for (const title of await page.locator('.bench-next button').allInnerTexts()) {
    if (await start.isVisible()) break;
    await page.locator('.bench-next').getByRole('button', { name: title, exact: true }).click();
  }
  await start.click();
}

test.describe('a timer that runs', () => {
  test('shows at every station and stops at a press', async ({ page }) => {
    const base = await openDemo(page, 'bench', NOT_BEGUN);
    await startTimer(page);
    await expect(page.getByRole('timer')).toBeVisible();
    await page.goto(`${base}/colours`);
    await page.locator('html[data-ready]').waitFor();
    const running = page.getByRole('banner').getByRole('button', { name: /left\. Stop$/ });
    await expect(running).toBeVisible();
    await running.click();
    await expect(running).toHaveCount(0);
  });

  test('shows on a page that was asked for before it was told to the server, and came after', async ({ page }) => {
    const base = await openDemo(page, 'bench', NOT_BEGUN);
    let isFetched: () => void = () => undefined;
    const fetched = new Promise<void>((resolve) => (isFetched = resolve));
    const told = page.waitForResponse('/outbox*');
    await page.route('/outbox*', async (route) => {
      await fetched;
      await route.continue();
    });
    await page.route(`${base}/bench`, async (route) => {
      if (route.request().resourceType() !== 'document') return route.fallback();
      const response = await route.fetch();
      isFetched();
      // The page that is still there hears that it is told, and forgets it.
      await told;
      await new Promise((resolve) => setTimeout(resolve, 1000));
      await route.fulfill({ response });
    });
    await startTimer(page);
    await expect(page.getByRole('timer')).toBeVisible();
    await page.reload();
    const running = page.getByRole('banner').getByRole('button', { name: /left\. Stop$/ });
    await expect(running).toBeVisible();
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    await running.click();
    await expect(running).toHaveCount(0);
  });

  test('once stopped it stays so while the page that says so is on its way', async ({ page }) => {
    await openDemo(page, 'bench', NOT_BEGUN);
    await startTimer(page);
    const running = page.getByRole('banner').getByRole('button', { name: /left\. Stop$/ });
    await expect(running).toBeVisible();
    // The page itself shows it by now, not only this device.
    await page.waitForLoadState('networkidle');
    let letGo: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (letGo = resolve));
    await page.route(
      (url) => url.searchParams.has('_rsc'),
      async (route) => {
        await held;
        await route.continue();
      },
    );
    const told = page.waitForResponse('/outbox*');
    await running.click();
    await told;
    await page.waitForTimeout(500);
    expect(await running.count()).toBe(0);
    letGo();
    await expect(running).toHaveCount(0);
  });

  test('that waits on this device is that of its own brief, and is taken back there', async ({ page }) => {
    const base = await openDemo(page, 'bench', NOT_BEGUN);
    await page.route('/outbox*', (route) => route.abort());
    await startTimer(page);
    const running = page.getByRole('banner').getByRole('button', { name: /left\. Stop$/ });
    await expect(running).toHaveCount(1);
    await openDemo(page, 'bench');
    const kept = page.getByRole('region', { name: 'Kept on this device' });
    await expect(kept).toContainText('1 thing you did is kept');
    await expect(running).toHaveCount(0);
    await page.goto(`${base}/bench`);
    await expect(running).toHaveCount(1);
    await page.keyboard.press('u');
    await expect(running).toHaveCount(0);
    await expect(kept).toHaveCount(0);
  });

  test('two of them push nothing off a phone, at any station', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    const base = await openDemo(page, 'bench');
    await startTimer(page);
    const timer = page.getByRole('banner').getByRole('button', { name: /Stop$/ });
    await expect(timer).toBeVisible();
    await page.evaluate(() => window.scrollTo(0, 0));
    const wider = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(wider).toBeLessThanOrEqual(0);
    await expect(page.getByRole('button', { name: 'Keyboard shortcuts' })).toBeInViewport({ ratio: 1 });
    // Another card that has a clock.
    await page
      .locator('.bench-next')
      .getByRole('button', { name: /Bay primer green/ })
      .click();
    await page.keyboard.press('t');
    await expect(timer).toHaveCount(2);
    for (const width of [320, 390]) {
      await page.setViewportSize({ width, height: 844 });
      for (const station of ['kit', ...STATIONS]) {
        await page.goto(`${base}/${station}`);
        await page.locator('html[data-ready]').waitFor();
        await expect(timer).toHaveCount(2);
        expect(await page.evaluate(() => document.documentElement.scrollWidth), `${station} at ${width} px`).toBe(
          width,
        );
        await expect(page.locator('.tabs a[aria-current]')).toBeInViewport({ ratio: 0.9 });
      }
    }
  });
});
