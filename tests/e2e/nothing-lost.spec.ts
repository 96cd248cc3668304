import { expect, openDemo, test } from '../support/story';

test.describe('nothing is lost', () => {
  test('an act is taken back and done again by its name, at any station and from its message', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: /New source/ }).click();
    await page.getByLabel('Title').fill('A source by mistake');
    await page.getByRole('button', { name: 'Add the source' }).click();
    await expect(page.getByRole('button', { name: 'Sources (18)' })).toBeVisible();
    await page.keyboard.press('4');
    await expect(page.getByRole('heading', { name: 'In what order, and by when?' })).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.getByText('Taken back: source “A source by mistake” added')).toBeVisible();
    await page.keyboard.press('1');
    await expect(page.getByRole('button', { name: 'Sources (17)' })).toBeVisible();
    // Its button in the head names what it would do again; the message of that takes it back once more.
    const head = page.getByRole('banner');
    await head.getByRole('button', { name: 'Do again: source “A source by mistake” added' }).click();
    await expect(page.getByText('Done again: source “A source by mistake” added')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Sources (18)' })).toBeVisible();
    await head.getByRole('button', { name: 'Take back: source “A source by mistake” added' }).click();
    await expect(page.getByRole('button', { name: 'Sources (17)' })).toBeVisible();
    await page.getByRole('status').getByRole('button', { name: 'Do again' }).click();
    await expect(page.getByRole('button', { name: 'Sources (18)' })).toBeVisible();
  });

  test('what was done is a list: each is looked at, and taken back alone', async ({ page }) => {
    await openDemo(page, 'evidence', '21, FS 21');
    for (const title of ['First find', 'Second find']) {
      await page.getByRole('button', { name: /New source/ }).click();
      await page.getByLabel('Title').fill(title);
      await page.getByRole('button', { name: 'Add the source' }).click();
      await expect(page.getByLabel('Title')).toHaveCount(0);
    }
    await page.keyboard.press('h');
    const list = page.getByRole('dialog', { name: 'What was done' });
    await list.locator('summary', { hasText: 'First find' }).click();
    await expect(list.getByRole('row', { name: /title/ }).first()).toContainText('First find');
    await list.getByRole('button', { name: 'take back: source “First find” added' }).click();
    await expect(list.getByText('(taken back)')).toHaveCount(1);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Sources \(/ }).click();
    await expect(page.getByRole('button', { name: 'Open Second find' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Open First find' })).toHaveCount(0);
  });

  test('a step done by mistake is taken back from where it was done', async ({ page }) => {
    await openDemo(page, 'bench', '21, FS 21');
    const title = await page.locator('.bench-card h2').first().innerText();
    await page.keyboard.press('d');
    await expect(page.getByRole('button', { name: title, exact: true })).toHaveCount(0);
    await page.getByRole('status').getByRole('button', { name: 'Take back' }).click();
    await expect(page.getByText(`Taken back: “${title}” done`)).toBeVisible();
    await expect(page.getByRole('button', { name: title, exact: true })).toBeVisible();
  });

  test('a brief is renamed, copied, removed, put back, and deleted for good', async ({ page }) => {
    await page.goto('/');
    const row = (name: string) => page.getByRole('row').filter({ has: page.getByRole('link', { name, exact: true }) });
    await page.getByRole('button', { name: 'rename L 88' }).click();
    await page.getByLabel('Name of the brief').fill('The one on skis');
    await page.keyboard.press('Enter');
    await expect(row('The one on skis')).toBeVisible();
    await page.getByRole('button', { name: 'copy The one on skis' }).click();
    await expect(row('Copy of The one on skis')).toBeVisible();
    await page.getByRole('button', { name: 'remove Copy of The one on skis' }).click();
    await page.getByRole('status').getByRole('button', { name: 'Put back' }).click();
    await expect(row('Copy of The one on skis')).toBeVisible();
    await page.getByRole('button', { name: 'remove Copy of The one on skis' }).click();
    await expect(row('Copy of The one on skis')).toHaveCount(0);
    await page.getByRole('link', { name: '1 removed brief' }).click();
    await expect(page.getByText('lies here for 30 days')).toBeVisible();
    await page.getByRole('button', { name: 'delete Copy of The one on skis for good' }).click();
    await page.getByRole('button', { name: 'Delete for good', exact: true }).click();
    await expect(page.getByText('Nothing lies here.')).toBeVisible();
    await page.getByRole('link', { name: 'All briefs' }).last().click();
    await expect(row('The one on skis')).toBeVisible();
  });

  test('a removed source comes back with all it said', async ({ page }) => {
    await openDemo(page);
    const cells = () => page.locator('td.sighting span').count();
    await expect(page.locator('td.sighting span').first()).toBeVisible();
    const before = await cells();
    await page.getByRole('button', { name: 'Sources (17)' }).click();
    await page.getByRole('button', { name: 'Open Apron, port side' }).click();
    await page.getByRole('button', { name: /Remove$/ }).click();
    await page.getByRole('button', { name: 'Remove it' }).click();
    await expect(page.getByRole('button', { name: 'Sources (16)' })).toBeVisible();
    await page.getByRole('button', { name: 'Ledger' }).click();
    expect(await cells()).toBeLessThan(before);
    await page.keyboard.press('u');
    await expect(page.getByRole('button', { name: 'Sources (17)' })).toBeVisible();
    await expect.poll(cells).toBe(before);
  });

  test('two tabs at the same row: the second sees both values and decides', async ({ page, context }) => {
    await openDemo(page, 'log');
    const second = await context.newPage();
    await second.goto(page.url());
    for (const tab of [page, second]) {
      await tab.locator('html[data-ready]').waitFor();
      await tab.getByLabel(/^Find/).fill('Wash the sprues');
      await tab.locator('.log-line', { hasText: 'Wash the sprues' }).getByRole('button', { name: 'edit' }).click();
    }
    await page.getByLabel('Took, min').fill('31');
    await page.getByRole('button', { name: 'Save the entry' }).click();
    await expect(page.locator('.log-line', { hasText: 'Wash the sprues' })).toContainText('31');

    await second.getByLabel('Took, min').fill('44');
    await second.getByRole('button', { name: 'Save the entry' }).click();
    const notice = second.locator('.changed-elsewhere');
    await expect(notice).toContainText('Changed elsewhere');
    await expect(notice.getByRole('row', { name: /Took/ })).toContainText('31');
    await expect(notice.getByRole('row', { name: /Took/ })).toContainText('44');
    await expect(second.getByLabel('Took, min')).toHaveValue('44');
    await notice.getByRole('button', { name: 'Save mine over it' }).click();
    await expect(second.locator('.log-line', { hasText: 'Wash the sprues' })).toContainText('44');
    await second.keyboard.press('u');
    await expect(second.locator('.log-line', { hasText: 'Wash the sprues' })).toContainText('31');
    await second.close();
  });

  test('a server that is away costs no typing', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: /New source/ }).click();
    await page.getByLabel('Title').fill('Typed while away');
    await page.route('**/evidence', (route) =>
      route.request().method() === 'POST' ? route.abort() : route.continue(),
    );
    await page.getByRole('button', { name: 'Add the source' }).click();
    await expect(page.getByText(/cannot be reached/)).toBeVisible();
    await expect(page.getByLabel('Title')).toHaveValue('Typed while away');
    await page.unroute('**/evidence');
  });

  test('an act whose answer was lost on the way is sent again, and done once', async ({ page }) => {
    await openDemo(page);
    let lost = 0;
    await page.route('**/evidence', async (route) => {
      if (route.request().method() !== 'POST' || lost > 0) return route.continue();
      lost += 1;
      // It reaches the server; its answer does not come back.
      await route.fetch();
      return route.abort();
    });
    await page.getByRole('button', { name: /New source/ }).click();
    await page.getByLabel('Title').fill('Sent twice');
    await page.getByRole('button', { name: 'Add the source' }).click();
    await expect(page.getByRole('button', { name: 'Sources (18)' })).toBeVisible();
    await page.unroute('**/evidence');
    await page.reload();
    await page.locator('html[data-ready]').waitFor();
    await page.getByRole('button', { name: 'Sources (18)' }).click();
    await expect(page.getByRole('button', { name: 'Open Sent twice' })).toHaveCount(1);
    expect(lost).toBe(1);
    await page.keyboard.press('u');
    await expect(page.getByRole('button', { name: 'Sources (17)' })).toBeVisible();
  });

  test('a reload asks before it drops what was typed', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: /New source/ }).click();
    await page.getByLabel('Title').fill('Not saved yet');
    const asked = page.waitForEvent('dialog');
    await page.evaluate(() => setTimeout(() => location.reload(), 0));
    const dialog = await asked;
    expect(dialog.type()).toBe('beforeunload');
    await dialog.dismiss();
    await expect(page.getByLabel('Title')).toHaveValue('Not saved yet');
  });

  test('a brief travels as a zip with its pictures, and is the same at the other end', async ({ page }) => {
    await openDemo(page, 'brief');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Brief as zip' }).click(),
    ]);
    await page.goto('/');
    await page.getByLabel('Brief as zip or JSON').setInputFiles(await download.path());
    await page.waitForURL(/\/evidence$/);
    await page.locator('html[data-ready]').waitFor();
    await page.getByRole('button', { name: 'Sources (17)' }).click();
    const picture = page.locator('.source-grid img').first();
    await expect(picture).toBeVisible();
    expect(
      await picture.evaluate((img: HTMLImageElement) => img.decode().then(() => img.naturalWidth)),
    ).toBeGreaterThan(100);
  });
});
