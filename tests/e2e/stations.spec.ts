import {
  asWideAsThePage,
  expect,
  openDemo,
  PHONE,
  soundPage,
  STATIONS,
  test,
  tooSmallForAFinger,
} from '../support/story';

test.describe('every station', () => {
  for (const station of STATIONS) {
    test(`${station}: asks its question, nothing sticks out, axe finds nothing serious, also on a phone`, async ({
      page,
    }) => {
      const base = await openDemo(page, station);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await soundPage(page);
      await page.setViewportSize(PHONE);
      await page.goto(`${base}/${station}`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await page.locator('html[data-ready]').waitFor();
      await asWideAsThePage(page);
      if (station === 'evidence' || station === 'colours') expect(await tooSmallForAFinger(page)).toEqual([]);
    });
  }
});

test('a new brief and the list are clean too', async ({ page }) => {
  for (const path of ['/', '/new', '/removed']) {
    await page.goto(path);
    await soundPage(page);
  }
});

test.describe('the demo', () => {
  test('has what the tour promises: sources, three open questions, a long route, a half-done log', async ({ page }) => {
    const base = await openDemo(page);
    await expect(page.getByRole('button', { name: 'Sources (17)' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Open (3)' })).toBeVisible();
    await expect(
      page.getByText(/One open answer stands in the way of “bay primer green on both main-wheel bays”/),
    ).toBeVisible();
    await page.goto(`${base}/route`);
    await expect(page.locator('.gate-note').first()).toContainText('still open: Nose-wheel bay, colour');
    await page.goto(`${base}/log`);
    expect(await page.locator('.log-line').count()).toBeGreaterThan(20);
  });

  test('every picture of a source arrives', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: 'Sources (17)' }).click();
    await expect(page.locator('.source-grid img')).toHaveCount(13);
    const widths = await page.locator('.source-grid img').evaluateAll(async (images) => {
      for (const image of images as HTMLImageElement[]) image.loading = 'eager';
      await Promise.all((images as HTMLImageElement[]).map((image) => image.decode()));
      return (images as HTMLImageElement[]).map((image) => image.naturalWidth);
    });
    expect(Math.min(...widths)).toBeGreaterThan(100);
  });
});
