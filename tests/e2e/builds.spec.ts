import { expect, openDemo, test } from '../support/story';

test.describe('the small briefs', () => {
  for (const [link, type, steps] of [
    // Painted and sealed already: less is left.
    ['L 88', 'Orrin Turnstone L.1', 20],
    ['21, FS 21', 'Tellin Bracken F.2', 40],
  ] as const) {
    test(`${type}: every station opens, and it can be planned and printed`, async ({ page }) => {
      await page.goto('/');
      await page.getByRole('link', { name: link }).click();
      await expect(page.getByRole('banner')).toContainText(type);
      const base = page.url().replace(/\/evidence$/, '');
      await page.goto(`${base}/route`);
      expect(await page.locator('.session li').count()).toBeGreaterThan(steps);
      const pdf = await page.request.get(`${base}/brief.pdf`);
      expect(pdf.status()).toBe(200);
      expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
    });
  }
});

test.describe('what is changed at one station shows at the next', () => {
  test('where a wash would lift an enamel, clear goes between when it is taken, by keyboard, and is taken back', async ({
    page,
  }) => {
    await openDemo(page, 'route');
    const trouble = page.getByRole('region', { name: 'What attacks what' });
    await expect(trouble.getByText('lifts it without a sealing acrylic or lacquer clear')).toBeVisible();
    await trouble.getByRole('button', { name: 'Put clear between' }).press('Enter');
    const barrier = page.getByRole('button', { name: 'Seal both main-wheel bays with clear' });
    await expect(barrier).toBeVisible();
    await expect(trouble.getByText('lifts it without a sealing acrylic or lacquer clear')).toHaveCount(0);
    await trouble.getByRole('button', { name: 'Leave the clear out' }).press('Enter');
    await expect(barrier).toHaveCount(0);
    await expect(trouble.getByRole('button', { name: 'Put clear between' })).toBeVisible();
  });
  test('an option changes the route, and undoing it brings the steps back', async ({ page }) => {
    const base = await openDemo(page, 'route');
    await expect(page.getByRole('button', { name: 'Panel-line wash on the undersides' })).toBeVisible();
    await page.goto(`${base}/kit`);
    await page.locator('html[data-ready]').waitFor();
    await page.getByRole('group', { name: 'Weathering' }).getByRole('button', { name: 'none' }).click();
    await page.getByRole('button', { name: 'Choose not weathered' }).click();
    await expect(page.getByText('Weathering: none')).toBeVisible();
    await page.getByRole('link', { name: 'Route' }).click();
    await expect(page.getByRole('heading', { name: 'In what order, and by when?' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Panel-line wash' })).toHaveCount(0);
    await page.keyboard.press('u');
    await expect(page.getByRole('button', { name: 'Panel-line wash on the undersides' })).toBeVisible();
  });

  test('ruling an open question takes it off its gate; opening it again puts it back', async ({ page }) => {
    const base = await openDemo(page);
    await page.getByRole('button', { name: 'Open (3)' }).click();
    await page
      .getByRole('row', { name: /Nose-wheel bay/ })
      .getByRole('button')
      .first()
      .click();
    await page.getByLabel('Reason').fill('the sheet is all there is');
    await page.getByRole('button', { name: 'Rule', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Open (2)' })).toBeVisible();
    await page.goto(`${base}/route`);
    await page.locator('html[data-ready]').waitFor();
    await expect(page.locator('.gate-note').filter({ hasText: 'Nose-wheel bay' })).toHaveCount(0);
    await expect(page.getByRole('button', { name: /Cabin grey-green on the nose-wheel bay/ })).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.locator('.gate-note').filter({ hasText: 'Nose-wheel bay' })).toBeVisible();
  });

  test('choosing a paint for Sleet colours the underside on the sheet; giving it up is one press', async ({ page }) => {
    await openDemo(page, 'colours');
    await expect(page.getByText(/choose one for Sleet/)).toBeVisible();
    const underside = page.locator('#sheet-lower-zone-fuselage-lower');
    const before = await underside.getAttribute('fill');
    await page
      .getByRole('row', { name: /TCS 14/ })
      .getByRole('button', { name: 'Choose' })
      .click();
    await page.getByRole('button', { name: /^Use / }).nth(2).click();
    await expect(page.getByText(/choose one for Sleet/)).toHaveCount(0);
    await expect.poll(() => underside.getAttribute('fill')).not.toBe(before);
    await page.keyboard.press('u');
    await expect(page.getByText(/choose one for Sleet/)).toBeVisible();
  });

  test('a session more brings the finish nearer, and taking it back restores the old one', async ({ page }) => {
    await openDemo(page, 'route');
    const finish = async () =>
      Date.parse(/finish ([^,]+)/.exec(await page.locator('.head-title span').innerText())![1]!);
    const before = await finish();
    await page.getByRole('button', { name: 'Sessions' }).click();
    await page.getByRole('button', { name: 'Another session' }).click();
    await page.getByLabel('Minutes').fill('300');
    await page.getByRole('button', { name: 'Add the session' }).click();
    await expect.poll(finish).toBeLessThan(before);
    await page.keyboard.press('u');
    await expect.poll(finish).toBe(before);
  });
});

test.describe('by keyboard only', () => {
  test('a question is opened, ruled and found ruled', async ({ page }) => {
    await openDemo(page);
    const row = page
      .getByRole('row', { name: /Rear fuselage, starboard marking/ })
      .getByRole('button')
      .first();
    await row.focus();
    await page.keyboard.press('Enter');
    const ruling = page.getByLabel('Ruling', { exact: true });
    await expect(ruling).toBeVisible();
    await ruling.focus();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('no band');
    await page.keyboard.press('Tab');
    await page.keyboard.press('ArrowDown');
    await page.getByRole('option', { name: 'Knowing departure' }).focus();
    await page.keyboard.press('Enter');
    // Past who ruled, to the reason.
    await page.keyboard.press('Tab');
    await page.keyboard.press('Tab');
    await page.keyboard.type('one side only in the film still');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Open (2)' })).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.getByRole('button', { name: 'Open (3)' })).toBeVisible();
  });

  test('the bench: d logs the step in hand, u brings it back', async ({ page }) => {
    await openDemo(page, 'bench');
    const title = await page.getByRole('article').getByRole('heading').innerText();
    await page.keyboard.press('d');
    await expect(page.getByText('Done; the rest is planned anew')).toBeVisible();
    await expect(page.getByRole('article').getByRole('heading')).not.toHaveText(title);
    await page.keyboard.press('u');
    await expect(page.getByText(/^Taken back: /)).toBeVisible();
  });
});

test.describe('on a phone at the bench', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('the sheet is folded away and opens at a touch; targets are large', async ({ page }) => {
    await openDemo(page, 'bench');
    await expect(page.locator('.sheet')).toBeHidden();
    await page.getByRole('button', { name: 'Sheet' }).tap();
    await expect(page.locator('.sheet')).toBeVisible();
    for (const name of [/^Done/]) {
      const box = (await page.getByRole('button', { name }).boundingBox())!;
      expect(box.height).toBeGreaterThanOrEqual(44);
    }
    const size = await page
      .locator('.bench-card .facts dd')
      .first()
      .evaluate((node) => parseFloat(getComputedStyle(node).fontSize));
    expect(size).toBeGreaterThanOrEqual(22);
  });
});
