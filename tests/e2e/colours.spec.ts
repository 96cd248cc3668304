import { expect, openDemo, soundPage, test } from '../support/story';

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
    await page.getByRole('button', { name: 'Calls' }).click();
    await expect(page.getByRole('row', { name: /TCS 14/ })).toContainText('+');
    await page.keyboard.press('u');
    await expect(page.getByText(/choose one for Sleet/)).toBeVisible();
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
    await expect(page.getByText(/All 10 calls have a paint/)).toBeVisible();
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

  test('every pane is sound: accessible, and as wide as the page', async ({ page }) => {
    for (const pane of ['calls', 'mix', 'layers', 'together', 'buy', 'drawer', 'standards']) {
      await openDemo(page, `colours?show=${pane}`);
      await expect(page.getByRole('progressbar')).toHaveCount(0);
      await soundPage(page);
    }
  });
});
