import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { validateBytes } from 'gltf-validator';
import sharp from 'sharp';
import { openPromise } from 'yauzl';
import { asWideAsThePage, expect, openDemo, PHONE, soundPage, test } from '../support/story';

const handOf = (page: Page) => page.getByRole('region', { name: 'The machine in the hand' });
/** Until its pieces are cut and its film is there. */
async function turned(page: Page) {
  const hand = handOf(page);
  await expect(hand.getByText(/Drag, pinch or use the arrows/)).toBeVisible({ timeout: 30_000 });
  await expect(hand.getByRole('slider', { name: 'After which step' }).first()).toBeVisible({ timeout: 30_000 });
  return hand;
}
async function takenOut(page: Page, name: string | RegExp) {
  const hand = handOf(page);
  if (!(await hand.getByRole('button', { name }).isVisible())) await hand.getByText('Take it out').click();
  const download = page.waitForEvent('download');
  await hand.getByRole('button', { name }).click();
  return (await download).path();
}

test.describe('The machine in the hand', () => {
  test('it is turned by key and pointer, a zone chosen on it, taken out as others open it, and put down', async ({
    page,
  }) => {
    await openDemo(page, 'markings');
    await page.keyboard.press('v');
    const hand = await turned(page);
    for (const look of ['Port', 'Upper', 'Three-quarter']) await hand.getByRole('button', { name: look }).click();
    const machine = hand.getByRole('application');
    await machine.press('ArrowLeft');
    await machine.press('+');
    // What is chosen in the list is named here, and what is pressed here is chosen there.
    await page.getByRole('button', { name: 'Spinner', exact: true }).click();
    await expect(hand.getByText('Spinner', { exact: true })).toBeVisible();
    await hand.getByRole('button', { name: 'Port' }).click();
    const { x, y, width, height } = (await machine.boundingBox())!;
    await page.mouse.click(x + width / 2, y + height / 2);
    await expect(page.getByRole('list', { name: 'Zones' }).locator('[aria-pressed="true"]')).not.toHaveText('Spinner');
    const light = hand.getByRole('button', { name: /Light, from above and left/ });
    for (let i = 0; i < 6; i += 1) await light.or(hand.getByRole('button', { name: /^Light/ })).press('ArrowRight');
    await expect(hand.getByRole('button', { name: /Light, from above and right/ })).toBeVisible();
    await soundPage(page, '.in-hand');
    const bytes = readFileSync(await takenOut(page, /As large as the model, 1\/48/));
    const { issues } = await validateBytes(new Uint8Array(bytes));
    expect([issues.numErrors, issues.messages.slice(0, 3)]).toEqual([0, []]);
    const json = JSON.parse(bytes.subarray(20, 20 + bytes.readUInt32LE(12)).toString()) as {
      nodes: { name?: string; scale?: number[]; matrix?: number[] }[];
    };
    const whole = json.nodes.find((node) => node.name === 'machine')!;
    expect(whole.scale?.[0] ?? Math.hypot(...(whole.matrix ?? [1, 0, 0]).slice(0, 3))).toBeCloseTo(1 / 48, 6);
    const { width: across } = await sharp(await takenOut(page, /Picture/)).metadata();
    expect(across).toBe(2 * Math.round(width));
    const zip = await openPromise(await takenOut(page, /All round/));
    expect(zip.entryCount).toBe(36);
    await page.keyboard.press('v');
    await expect(hand).toHaveCount(0);
  });

  test('the build is gone through as a film, compared with its end, and read in words', async ({ page }) => {
    await openDemo(page, 'markings');
    await page.keyboard.press('v');
    const hand = await turned(page);
    const film = hand.getByRole('slider', { name: 'After which step' });
    await film.press('Home');
    await expect(hand.getByText('Bare plastic', { exact: true })).toBeVisible();
    await hand.getByRole('button', { name: 'In words' }).click();
    const words = hand.getByRole('list', { name: 'In words' });
    await expect(words.getByRole('button', { name: /Fuselage underside/ })).toHaveText(/Bare plastic/);
    // It goes on by itself over what is seen, until it is stopped.
    await hand.getByRole('button', { name: 'Play' }).click();
    await expect(hand.getByText(/^After: /)).toBeVisible();
    await hand.getByRole('button', { name: 'Stop' }).click();
    await film.press('End');
    await expect(words.getByRole('button', { name: /Fuselage underside/ })).toHaveText(/Sleet/);
    await hand.getByRole('button', { name: 'Compare' }).click();
    const other = hand.getByRole('group', { name: 'Beside it' });
    await other.getByLabel('Colours').selectOption('official');
    await other.getByLabel('School').selectOption({ label: 'black base' });
    await other.getByRole('slider').press('Home');
    await expect(other.getByRole('button', { name: /Fuselage underside/ })).toHaveText(/Bare plastic/);
    await expect(words.first().getByRole('button', { name: /Fuselage underside/ })).toHaveText(/Sleet/);
    // Another day of the real machine stands in for what is ruled.
    await other.getByLabel('On a day').fill('1951-04-01');
    await expect(other.getByRole('button', { name: /As on 1 Apr 1951/ })).toBeVisible();
  });

  test('a card of the Bench opens it as it looks when its step begins and when it ends, on a phone too', async ({
    page,
  }) => {
    await openDemo(page, 'bench');
    await page.setViewportSize(PHONE);
    const card = page.getByRole('article', { name: 'Step in hand' });
    const step = await card.getByRole('heading').first().innerText();
    await card.getByRole('button', { name: 'When you begin' }).click();
    const hand = await turned(page);
    await expect(hand.getByText(`Before: ${step}`)).toBeVisible();
    await asWideAsThePage(page);
    await hand.getByRole('button', { name: 'Put it down' }).click();
    await card.getByRole('button', { name: 'When you end' }).click();
    await expect(handOf(page).getByText(`After: ${step}`)).toBeVisible({ timeout: 30_000 });
  });

  test('a drawing that the browser set aside is said to be, and comes back', async ({ page }) => {
    await openDemo(page, 'markings');
    await page.keyboard.press('v');
    const hand = await turned(page);
    const canvas = hand.locator('canvas');
    const shake = (how: 'loseContext' | 'restoreContext') =>
      canvas.evaluate((element, act) => {
        const drawn = element as HTMLCanvasElement & { shaken?: WEBGL_lose_context };
        drawn.shaken ??= drawn.getContext('webgl2')!.getExtension('WEBGL_lose_context')!;
        drawn.shaken[act]();
      }, how);
    await shake('loseContext');
    await expect(hand.getByText(/set aside by the browser/)).toBeVisible();
    await shake('restoreContext');
    await expect(hand.getByText(/set aside by the browser/)).toHaveCount(0);
    const picture = await sharp(await takenOut(page, /Picture/)).stats();
    expect(picture.isOpaque && picture.entropy === 0).toBe(false);
  });

  test('where a browser draws nothing in space it says so, and tells it in words', async ({ page }) => {
    await page.addInitScript(() => {
      HTMLCanvasElement.prototype.getContext = () => null;
    });
    await openDemo(page, 'markings');
    await page.keyboard.press('v');
    const hand = handOf(page);
    await expect(hand.getByText(/WebGL is off/)).toBeVisible({ timeout: 30_000 });
    await hand.getByRole('button', { name: 'In words' }).click();
    await expect(hand.getByRole('list', { name: 'In words' }).getByRole('button', { name: /Spinner/ })).toHaveText(
      /Signal ochre/,
    );
  });
});
