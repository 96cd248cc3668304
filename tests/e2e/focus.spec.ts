import type { Page } from '@playwright/test';
import { expect, openDemo, test } from '../support/story';

declare global {
  interface Window {
    lostFrom: string[];
  }
}

/** Notes in the page what had the focus whenever the focus fell to the page as a whole and stayed there. */
const noteFalls = () => {
  window.lostFrom = [];
  let [last, empty] = ['', 0];
  setInterval(() => {
    const at = document.activeElement;
    if (at && at !== document.body) {
      last = `${at.tagName} ${at.getAttribute('aria-label') ?? at.textContent?.slice(0, 40)}`;
      empty = 0;
    } else if (document.querySelector('html[data-ready]') && ++empty === 5) window.lostFrom.push(last);
  }, 40);
};

const CONTROLS = 'main :is(a[href], button, input:not([type="file"]), select, textarea, [tabindex="0"])';

/** What has the focus, as it is called out; null where it has no name. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const at = document.activeElement as HTMLElement & { labels?: NodeListOf<HTMLElement> };
    const name = [at.getAttribute('aria-label'), at.labels?.[0]?.textContent, at.textContent, at.title].find((one) =>
      one?.trim(),
    );
    return name ? name.trim() : null;
  });

const lost = (page: Page) => page.evaluate(() => window.lostFrom);

test.beforeEach(({ page }) => page.addInitScript(noteFalls));

test.describe('the focus stays where the hand is', () => {
  test('from station to station, along their controls, and through whatever a control does', async ({ page }) => {
    test.setTimeout(240_000);
    const base = await openDemo(page);
    for (const digit of '01234567') {
      // What was opened last may come late, and a letter is no command while it is being filled in: close it, press again.
      await expect(async () => {
        await page.keyboard.press('Escape');
        await page.locator('main').focus();
        await page.keyboard.press(digit);
        await expect(page.locator('.tabs a[aria-current]')).toContainText(digit, { timeout: 2000 });
      }).toPass();
      const at = new URL(page.url()).pathname;
      await page.getByRole('main').waitFor();
      for (let i = 0; i < 14; i += 1) {
        await page.keyboard.press('Tab');
        expect(await focused(page), `a name for control ${i} of ${at}`).not.toBeNull();
      }
      const buttons = await page
        .locator(CONTROLS)
        .evaluateAll((all) =>
          all.flatMap((one, i) =>
            one.matches('button') && one.checkVisibility() && !one.matches(':disabled') ? [i] : [],
          ),
        );
      for (const i of buttons.slice(0, 9)) {
        const button = page.locator(CONTROLS).nth(i);
        if (!(await button.isVisible())) continue;
        await button.focus();
        await page.keyboard.press('Enter');
        await page.waitForTimeout(300);
        await page.keyboard.press('Escape');
        await page.waitForTimeout(60);
      }
      expect(await lost(page), at).toEqual([]);
      // Who types on after an act is not heard for as long.
      await page.waitForLoadState('networkidle');
      await page.waitForTimeout(1500);
    }
    expect(new URL(page.url()).pathname).toBe(`${base}/brief`);
  });

  test('what is opened takes it, Esc gives it back, and a second press on what is open closes nothing', async ({
    page,
  }) => {
    await openDemo(page);
    const opener = page.getByRole('button', { name: 'New source (n)' });
    await opener.focus();
    await page.keyboard.press('Enter');
    const title = page.getByRole('textbox', { name: 'Title' });
    await expect(title).toBeFocused();
    await opener.click();
    await expect(title).toBeVisible();
    await page.getByRole('button', { name: 'Add the source' }).focus();
    await page.keyboard.press('Escape');
    await expect(title).toHaveCount(0);
    await expect(opener).toBeFocused();
    const row = page.locator('.ledger tbody .row-button').first();
    await row.focus();
    await page.keyboard.press('Enter');
    const detail = page.locator('[data-opened]');
    await expect(detail).toBeInViewport();
    await row.click();
    await expect(detail).toBeVisible();
    await detail.getByRole('button').last().focus();
    await page.keyboard.press('Escape');
    await expect(detail).toHaveCount(0);
    expect(await lost(page)).toEqual([]);
  });

  test('no letter is a command while something is being filled in, and a key without work says why', async ({
    page,
  }) => {
    const base = await openDemo(page);
    await page.keyboard.press('n');
    await page.getByRole('textbox', { name: 'Title' }).fill('A page of notes');
    await page.getByRole('button', { name: 'Add the source' }).focus();
    await page.keyboard.press('3');
    await expect(page.getByRole('status').filter({ hasText: 'Something is being filled in' })).toBeVisible();
    await expect(page).toHaveURL(new RegExp(`${base}/evidence$`));
    await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('A page of notes');
    await page.getByRole('button', { name: 'Close', exact: true }).last().click();
    await page.locator('main').focus();
    await page.keyboard.press('t');
    await expect(
      page.getByRole('status').filter({ hasText: 'the next clock of the step in hand (Bench)' }),
    ).toBeVisible();
    await page.keyboard.press('y');
    await expect(page.getByRole('status').filter({ hasText: 'y is no key here' })).toBeVisible();
  });

  test('a drag across the strip of the route selects no text', async ({ page }) => {
    await openDemo(page, 'route');
    const strip = page.locator('.strip-step').first();
    await strip.scrollIntoViewIfNeeded();
    const box = (await strip.boundingBox())!;
    await page.mouse.move(box.x + 4, box.y + 4);
    await page.mouse.down();
    await page.mouse.move(box.x + 240, box.y + 160, { steps: 8 });
    await page.mouse.up();
    expect(await page.evaluate(() => getSelection()?.toString() ?? '')).toBe('');
  });
});
