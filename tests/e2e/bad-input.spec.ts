import { expect, openDemo, test } from '../support/story';

test.describe('bad input gets a sentence, and what was typed stays', () => {
  test('a date that could be two', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: /New source/ }).click();
    await page.getByLabel('Title').fill('Backwards');
    await page.getByLabel('Dated', { exact: true }).fill('3/4/1951');
    await page.getByRole('button', { name: 'Add the source' }).click();
    await expect(page.getByText('“3/4/1951” is no date that could be meant in one way').first()).toBeVisible();
    await expect(page.getByLabel('Title')).toHaveValue('Backwards');
    await expect(page.getByLabel('Dated', { exact: true })).toHaveValue('3/4/1951');
    await page.getByLabel('Dated', { exact: true }).fill('spring 1951');
    await expect(page.getByText('1 Mar 1951 – 31 May 1951')).toBeVisible();
  });

  test('a source without a title, a grade that is no number', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: /New source/ }).click();
    await page.getByLabel('Grade', { exact: true }).fill('good');
    await page.getByRole('button', { name: 'Add the source' }).click();
    await expect(page.getByText('Title is needed').first()).toBeVisible();
    await expect(page.getByText('Grade: a number is needed').first()).toBeVisible();
    await expect(page.getByLabel('Grade', { exact: true })).toHaveValue('good');
  });

  test('a file that is no picture', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: /New source/ }).click();
    await page
      .getByLabel('Pictures')
      .setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture at all') });
    await expect(
      page.getByRole('alert').filter({ hasText: 'photo.jpg: the file cannot be read as a picture' }),
    ).toBeVisible();
  });

  test('sources that derive from one another', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: 'Sources (17)' }).click();
    await page.getByRole('button', { name: 'Open Kit sheet 4803' }).click();
    await page.getByRole('button', { name: 'Edit', exact: true }).click();
    await page.getByLabel('Derived from').fill('Box');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'Save the source' }).click();
    await expect(page.getByText(/goes in a circle, .*Kit sheet 4803 from Box painting/).first()).toBeVisible();
  });

  test('a length that is no length', async ({ page }) => {
    await openDemo(page);
    await page
      .getByRole('row', { name: /Rear fuselage, port marking, size/ })
      .getByRole('button')
      .first()
      .click();
    await page.getByLabel('Ruling, mm on the real machine').fill('wide');
    await page.getByRole('button', { name: 'Change the ruling' }).click();
    await expect(page.getByText(/"wide" is no length/).first()).toBeVisible();
    await expect(page.getByLabel('Ruling, mm on the real machine')).toHaveValue('wide');
  });

  test('an airframe that cannot be drawn', async ({ page }) => {
    const base = await openDemo(page);
    await page.goto(`${base}/setup`);
    await expect(page).toHaveURL(/kit\?show=machine$/);
    await page.locator('html[data-ready]').waitFor();
    await page.getByText('All dimensions of the outline').click();
    await page.getByLabel('Wing root leading edge, station, m').fill('8,5');
    await expect(page.getByRole('status').filter({ hasText: 'ends behind the tail' })).toBeVisible();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('Not saved.')).toBeVisible();
    await expect(page.getByLabel('Wing root leading edge, station, m')).toHaveValue('8,5');
  });

  test('files that are no brief', async ({ page }) => {
    await page.goto('/');
    const take = (text: string) =>
      page
        .getByLabel('Brief as zip or JSON')
        .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await take('hello');
    await expect(page.getByText('the file is not JSON')).toBeVisible();
    await take('{"format":"something/9"}');
    await expect(page.getByText(/not a Build Brief file/)).toBeVisible();
    await expect(page.getByText('Not imported; nothing was changed.')).toBeVisible();
  });
});

test.describe('the walls', () => {
  test('writes from elsewhere and unknown hosts are turned away', async ({ request, baseURL }) => {
    const none = await request.post('/briefs/import', { data: '{}' });
    expect(none.status()).toBe(403);
    const foreign = await request.post('/briefs/import', {
      data: '{}',
      headers: { origin: 'http://elsewhere.example' },
    });
    expect(foreign.status()).toBe(403);
    const own = await request.post('/briefs/import', { data: '{}', headers: { origin: baseURL! } });
    expect(own.status()).toBe(422);
    const host = await request.get('/', { headers: { host: 'elsewhere.example' } });
    expect(host.status()).toBe(421);
  });

  test('scripts run only by nonce', async ({ request }) => {
    const policy = (await request.get('/')).headers()['content-security-policy']!;
    const script = policy.split(';').find((part) => part.trim().startsWith('script-src'))!;
    expect(script).toContain("'nonce-");
    expect(script).not.toContain('unsafe-inline');
    expect(script).not.toContain('unsafe-eval');
  });
});
