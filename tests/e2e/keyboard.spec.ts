import { expect, openDemo, STATIONS, test } from '../support/story';

test.describe('without a mouse', () => {
  test('1 to 7 go to the stations, ? lists the keys, / finds', async ({ page }) => {
    await openDemo(page);
    for (const [i, station] of STATIONS.entries()) {
      await page.keyboard.press(String(i + 1));
      await expect(page).toHaveURL(new RegExp(`/${station}$`));
    }
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys and words' })).toBeVisible();
    // Words that are not explained where they stand are looked up there.
    await page.getByLabel('Look for').fill('pre-shade');
    await expect(page.getByRole('dialog').getByText(/Dark lines along the panels/)).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
    await page.keyboard.press('/');
    await expect(page.getByRole('combobox', { name: 'Find' })).toBeFocused();
    await page.keyboard.type('Nose-wheel');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Narrowed to Nose-wheel bay')).toBeVisible();
    // What is no zone is asked for when it is first looked for. No key is a command right after a field has gone.
    await expect(async () => {
      await page.keyboard.press('/');
      await expect(page.getByRole('combobox', { name: 'Find' })).toBeFocused({ timeout: 300 });
    }).toPass();
    await page.keyboard.type('Works apron');
    await expect(page.getByRole('option', { name: 'Works apron' })).toBeVisible();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/evidence\?source=/);
  });

  test('arrow keys choose a zone on the drawing, and the station narrows to it', async ({ page }) => {
    await openDemo(page);
    const drawing = page.getByRole('listbox', { name: /Zones seen from port/ });
    await drawing.focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByText('Narrowed to Fuselage underside')).toBeVisible();
    const rows = await page.locator('.ledger tbody tr').allInnerTexts();
    expect(rows.length).toBeGreaterThan(1);
    expect(rows.filter((row) => !row.includes('Fuselage underside'))).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(page.getByText(/^Narrowed to/)).toBeHidden();
  });

  test('a zone is chosen by touching the drawing and by the list, and both agree', async ({ page }) => {
    await openDemo(page);
    await page.locator('#sheet-starboard-zone-fin-starboard').click();
    await expect(page.getByText('Narrowed to Fin and rudder, starboard')).toBeVisible();
    await expect(
      page.getByRole('list', { name: 'Zones' }).getByRole('button', { name: 'Fin and rudder, starboard' }),
    ).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('list', { name: 'Zones' }).getByRole('button', { name: 'Spinner' }).click();
    await expect(page.getByText('Narrowed to Spinner')).toBeVisible();
  });

  test('a view can be enlarged, and is drawn at the larger scale', async ({ page }) => {
    await openDemo(page);
    const width = async () => (await page.locator('.view-port svg').boundingBox())!.width;
    const before = await width();
    await page.getByRole('button', { name: 'Port', exact: true }).click();
    expect(await width()).toBeGreaterThan(before * 1.8);
    await expect(page.getByRole('button', { name: 'Starboard', exact: true })).toBeHidden();
  });
});
