import type { Page } from '@playwright/test';
import { Door } from '../support/door';
import { expect, openDemo, test } from '../support/story';

/** Whose fuselage is being closed. */
const PAINTED = 'L 88';

const card = (page: Page) => page.getByRole('article', { name: 'Step in hand' });
const title = (page: Page) => card(page).getByRole('heading').innerText();
const briefOf = async (page: Page, base: string) =>
  (await (await page.request.get(`${base}/brief.json`)).json()) as {
    log: { title: string; pictureId: string | null; actualMinutes: number; zones: string[] }[];
    timers: unknown[];
    sprayOuts: { title: string; pictureId: string | null }[];
    mishaps: { kind: string }[];
    runs: unknown[];
  };

test.describe('an evening at the bench', () => {
  test.use({ serviceWorkers: 'allow' });

  test('is packed to the minutes there are, by keyboard; what does not fit is carried over', async ({ page }) => {
    await openDemo(page, 'bench');
    const first = await title(page);
    const steps = () => page.locator('.bench-next button').count();
    const all = await steps();
    await page.keyboard.press(' ');
    await expect(card(page).getByRole('heading')).not.toHaveText(first);
    await page.getByLabel(/^I have/).selectOption({ label: '30 min' });
    expect(await steps()).toBeLessThan(all);
    await expect(page.getByText(/carried over/)).toBeVisible();
    await page.getByText(/^Fetch first/).click();
    await expect(page.getByRole('heading', { name: 'Tools' })).toBeVisible();
    await page.getByRole('button', { name: 'Dark', exact: true }).click();
    await expect(page.locator('html')).toHaveAttribute('data-lamp', 'dark');
    await page.reload();
    await expect(page.locator('html')).toHaveAttribute('data-lamp', 'dark');
  });

  test('a technique goes into the route over a layer of a zone, and is taken out again', async ({ page }) => {
    const base = await openDemo(page, 'bench?show=techniques', PAINTED);
    await page.getByRole('button', { name: 'Faded panels by 5 % white' }).click();
    await page.getByLabel(/^On/).selectOption('cowling-port');
    await expect(page.getByLabel(/^over/)).toBeVisible();
    await page.getByRole('button', { name: 'Take it into the route' }).click();
    await expect(page.getByText(/is in the route/)).toBeVisible();
    expect((await briefOf(page, base)).runs).toHaveLength(1);
    await page.goto(`${base}/route`);
    await expect(page.getByRole('button', { name: /^Base colour with 5 % white/ }).first()).toBeVisible();
    await page.locator('html[data-ready]').waitFor();
    await page.keyboard.press('u');
    await expect(page.getByText(/^Taken back: /)).toBeVisible();
    expect((await briefOf(page, base)).runs).toHaveLength(0);
  });

  test('a coat that is dried in a warm box is waited for so much less; a test piece stands on its card', async ({
    page,
  }) => {
    const base = await openDemo(page, 'bench', PAINTED);
    const dries = page.getByLabel(/^It dries/);
    const box = (await dries.locator('option').allTextContents()).find((one) => one.startsWith('warm box'))!;
    await dries.selectOption({ label: box });
    await expect(card(page).getByText(/Never warmer than 45 °C/)).toBeVisible();
    await page.getByRole('button', { name: 'Start the timer (t)' }).click();
    await expect(page.getByRole('timer').first()).toBeVisible();
    await expect
      .poll(async () => ((await briefOf(page, base)).timers as { factor: number }[]).map(({ factor }) => factor))
      .toEqual([Number(/× ([\d.]+)/.exec(box)![1])]);
    await page.getByRole('button', { name: 'Record a test piece of it' }).click();
    await page.getByLabel('Came out').click();
    await page.getByRole('option', { name: 'rough' }).click();
    await page.getByRole('button', { name: 'Keep the test piece' }).click();
    await expect(page.getByText('Test piece kept')).toBeVisible();
    await expect(page.getByRole('list', { name: 'Tried before' })).toContainText('Rough');
  });

  test('weathering follows what the machine went through, takes the place of the general steps, and is taken back at once', async ({
    page,
  }) => {
    const base = await openDemo(page, 'bench?show=weathering', PAINTED);
    const dust = page.getByRole('row', { name: /Dust and mud from the wheels/ });
    await page.getByLabel(/^It stood on/).selectOption('dirt');
    await expect(dust).toBeVisible();
    await page.getByLabel(/^It stood on/).selectOption('water');
    await expect(page.getByRole('row', { name: /^Salt/ })).toBeVisible();
    await expect(dust).toHaveCount(0);
    await page.getByRole('row', { name: /^Salt/ }).getByRole('checkbox').uncheck();
    await page.getByRole('button', { name: /^Take \d+ steps into the route/ }).click();
    await expect(page.getByText(/The weathering is in the route/)).toBeVisible();
    await page.goto(`${base}/route`);
    await expect(page.getByRole('button', { name: /^Streaks along the airflow/ }).first()).toBeVisible();
    const oils = page.getByRole('button', { name: /^Oils in one sitting: streaks back from fillers and hinges/ });
    await expect(oils).toHaveCount(0);
    await page.locator('html[data-ready]').waitFor();
    await page.keyboard.press('u');
    await expect(page.getByText(/^Taken back: /)).toBeVisible();
    await expect(oils.first()).toBeVisible();
  });

  test('the server is away all evening: forty things done, six pictures, a test piece, other work, reloads between; nothing is lost, nothing doubled', async ({
    page,
    baseURL,
  }) => {
    const door = await Door.before(baseURL!);
    try {
      const base = await openDemo(page, 'bench');
      const before = await briefOf(page, base);
      const address = `${door.url}${base}/bench`;
      await page.goto(address);
      await page.locator('html[data-ready]').waitFor();
      // All that an evening wants is here once the last file is.
      await expect
        .poll(() =>
          page.evaluate(async () => {
            const wanted = (await (await fetch('/offline/files')).json()) as string[];
            return wanted.length > 0 && (await (await caches.open('files')).keys()).length >= wanted.length;
          }),
        )
        .toBe(true);
      door.shut();
      await page.reload();
      await page.locator('html[data-ready]').waitFor();
      let acts = 0;
      const cards = page.locator('.bench-next button');
      const finished: string[] = [];
      const finish = async (minutes: number, picture: boolean) => {
        // A long evening has enough to do beside what is not decided yet, which cannot be done.
        await page.getByLabel(/^I have/).selectOption('240');
        for (let i = 0; /colour open/.test(await title(page)) && i < (await cards.count()); i += 1)
          await cards.nth(i).click();
        // What waits on this device is read first.
        await expect(page.getByRole('button', { name: /^Done/ })).toBeEnabled();
        const name = await title(page);
        await page.getByLabel('Took, minutes').fill(String(minutes));
        if (picture) {
          await page.getByText('As it really was, and a picture').click();
          await page.locator('.bench-picture input').setInputFiles({
            name: 'bench.png',
            mimeType: 'image/png',
            buffer: await page.screenshot({ clip: { x: 0, y: 0, width: 40 + minutes, height: 40 } }),
          });
        }
        const clocks = page.getByLabel('and start its clocks');
        if (await clocks.isVisible()) await clocks.uncheck();
        const note = page.getByLabel('Why before its turn');
        if (await note.isVisible()) await note.fill('the light was good');
        await page.getByRole('button', { name: /^Done/ }).click();
        await expect(card(page).getByRole('heading')).not.toHaveText(name);
        finished.push(name);
        acts += 1;
      };
      const start = page.getByRole('button', { name: /^Start/ }).first();
      for (let i = 0; !(await start.isVisible()) && i < (await cards.count()); i += 1) await cards.nth(i).click();
      const running = page.getByRole('banner').getByRole('button', { name: /Stop$/ });
      const stood = await running.count();
      while (acts < 34) {
        await start.click();
        await expect(running).toHaveCount(stood + 1);
        await running.last().click();
        await expect(running).toHaveCount(stood);
        acts += 2;
      }
      for (let i = 0; i < 6; i += 1) {
        await finish(11 + i, true);
        if (i % 2 === 1) {
          await page.reload();
          await page.locator('html[data-ready]').waitFor();
        }
      }
      // The Log opens too, and says what was known when the server went; other work is written down in it.
      await page.goto(`${door.url}${base}/log`);
      await expect(page.getByRole('heading', { name: 'What did I do, and what has to be done again?' })).toBeVisible();
      await page.locator('html[data-ready]').waitFor();
      await page.getByRole('button', { name: 'Write down other work' }).click();
      await page.getByLabel('What was done').fill('Turned the base');
      await page.getByRole('button', { name: 'Write it down' }).click();
      await expect(page.getByLabel('What was done')).toHaveCount(0);
      // A test piece waits too, with its picture; one without a name is refused while it can be mended.
      await page.getByRole('button', { name: 'Record a test piece' }).click();
      const tried = page.getByLabel('What was tried');
      await page.getByRole('button', { name: 'Keep the test piece' }).click();
      await expect(tried).toHaveAttribute('aria-invalid', 'true');
      await tried.fill('Green over grey');
      await page.getByLabel('Picture', { exact: true }).setInputFiles({
        name: 'piece.png',
        mimeType: 'image/png',
        buffer: await page.screenshot({ clip: { x: 0, y: 0, width: 90, height: 40 } }),
      });
      await expect(page.getByText('piece.png is sent when the server answers')).toBeVisible();
      await page.getByRole('button', { name: 'Keep the test piece' }).click();
      await expect(tried).toHaveCount(0);
      await page.goto(address);
      await page.locator('html[data-ready]').waitFor();
      await expect(
        page.getByRole('status').filter({ hasText: '42 things you did are kept on this device' }),
      ).toBeVisible();
      door.open();
      await page.evaluate(() => window.dispatchEvent(new Event('online')));
      await expect(page.getByRole('region', { name: 'Kept on this device' })).toHaveCount(0, { timeout: 60_000 });
      const after = await briefOf(page, base);
      const made = after.log.slice(before.log.length);
      expect(made.map((entry) => entry.title).sort()).toEqual([...finished, 'Turned the base'].sort());
      const pieces = after.sprayOuts.slice(before.sprayOuts.length);
      expect(pieces.map(({ title, pictureId }) => [title, pictureId !== null])).toEqual([['Green over grey', true]]);
      expect(new Set(made.flatMap(({ pictureId }) => pictureId ?? [])).size).toBe(6);
      expect(made.map(({ actualMinutes }) => actualMinutes).sort()).toEqual([11, 12, 13, 14, 15, 15, 16]);
      expect(after.timers).toHaveLength(before.timers.length);
    } finally {
      await door.takeAway();
    }
  });

  test('two devices finish the same step: it is finished once, and the second sees both', async ({
    page,
    browser,
    baseURL,
  }) => {
    const base = await openDemo(page, 'bench', PAINTED);
    const other = await browser.newPage({ baseURL: baseURL!, serviceWorkers: 'block' });
    await other.goto(`${base}/bench`);
    await other.locator('html[data-ready]').waitFor();
    const name = await title(page);
    await page.getByRole('button', { name: /^Done/ }).click();
    await expect(page.getByText(/^Done; /)).toBeVisible();
    await expect(async () =>
      expect((await briefOf(page, base)).log.filter((entry) => entry.title === name)).toHaveLength(1),
    ).toPass();
    await other.getByLabel('Took, minutes').fill('77');
    await other.getByRole('button', { name: /^Done/ }).click();
    await expect(other.getByText('This step is in the log already.')).toBeVisible();
    await expect(other.getByText(/Here: 77 min/)).toBeVisible();
    await other.getByRole('button', { name: 'leave what stands there' }).click();
    await expect(other.getByText('This step is in the log already.')).toHaveCount(0);
    const { log } = await briefOf(page, base);
    expect(log.filter((entry) => entry.title === name)).toHaveLength(1);
    await other.close();
    await page.keyboard.press('u');
    await expect(page.getByText(/Taken back/)).toBeVisible();
  });
});

test.describe('half of a step', () => {
  test('is done on the zones where it was done, marked off on the card; the rest stays, with its share', async ({
    page,
  }) => {
    const base = await openDemo(page, 'bench', PAINTED);
    const name = await title(page);
    await page.getByText(/^On all \d+ zones/).click();
    await page.getByRole('checkbox', { name: 'Canopy frames' }).uncheck();
    await page.getByRole('button', { name: /^So far done/ }).click();
    await expect(page.getByText(/^Logged as far as it is/)).toBeVisible();
    const entry = async () => (await briefOf(page, base)).log.find((own) => own.title === name);
    await expect(async () => expect(await entry()).toBeDefined()).toPass();
    const zones = (await entry())!.zones;
    expect(zones.length).toBeGreaterThan(5);
    expect(zones).not.toContain('canopy');
    await page.goto(`${base}/log?show=made`);
    await page.locator('html[data-ready]').waitFor();
    await page.getByRole('combobox', { name: /^Zone/ }).selectOption('canopy');
    await expect(page.locator('.made .to-come', { hasText: name })).toBeVisible();
    await page.getByRole('combobox', { name: /^Zone/ }).selectOption('cowling-port');
    await expect(page.locator('.made .laid', { hasText: name })).toBeVisible();
  });
});

test.describe('something goes wrong', () => {
  test('a glue drip on the painted nose: what it costs is said, taken on it is in the route, and how it was made says so', async ({
    page,
  }) => {
    const base = await openDemo(page, 'log?show=mishaps', PAINTED);
    await page.getByLabel(/^What happened/).selectOption('glue');
    await page.getByLabel(/^Where/).selectOption('cowling-port');
    await page.getByLabel(/Sand the place, down to the primer/).check();
    const cost = page.getByRole('region', { name: 'What it costs' });
    await expect(cost).toContainText('at the bench');
    await expect(cost).toContainText('Mask all round the port side of the cowling');
    await expect(cost).toContainText('Hask 136 White again');
    await page.getByRole('button', { name: 'Take it on' }).click();
    await expect(page.getByText('Taken on: the route and the plan carry it')).toBeVisible();
    expect((await briefOf(page, base)).mishaps.map(({ kind }) => kind)).toEqual(['glue']);
    await page.goto(`${base}/log?show=made`);
    await page.locator('html[data-ready]').waitFor();
    await page.getByRole('combobox', { name: /^Zone/ }).selectOption('cowling-port');
    await expect(page.getByText('comes off: glue drip').first()).toBeVisible();
    await page.goto(`${base}/route`);
    await expect(page.getByRole('button', { name: /^Sand the place, down to the primer/ }).first()).toBeVisible();
    await page.locator('html[data-ready]').waitFor();
    await page.keyboard.press('u');
    await expect(page.getByText(/^Taken back: /)).toBeVisible();
    expect((await briefOf(page, base)).mishaps).toEqual([]);
  });

  test('the layers of a zone are kept as a technique, which stands in the library of every build', async ({ page }) => {
    await openDemo(page, 'log?show=made', PAINTED);
    await page.getByRole('combobox', { name: /^Zone/ }).selectOption('cowling-port');
    await page.getByLabel('Its name').fill('Winter white over green');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText(/is kept: it stands at the Bench/)).toBeVisible();
    await openDemo(page, 'bench?show=techniques');
    await expect(page.getByRole('button', { name: 'Winter white over green' })).toBeVisible();
  });

  test('the record is found by zone, word and person; an entry is corrected', async ({ page }) => {
    await openDemo(page, 'log', PAINTED);
    await page.getByLabel(/^Find/).fill('gloss coat');
    const line = page.locator('.log-line', { hasText: 'Gloss coat' });
    await expect(page.getByText(/1 line of/)).toBeVisible();
    await line.getByRole('button', { name: 'edit' }).click();
    await page.getByLabel('By', { exact: true }).fill('Wim');
    await page.getByLabel('Off the bottle, ml').fill('3,5');
    await page.getByLabel('Drops of Clear').fill('18');
    await page.getByRole('button', { name: 'Save the entry' }).click();
    await expect(page.getByText('Log entry saved')).toBeVisible();
    await expect(line).toContainText('3.5 ml');
    await page.getByLabel(/^Find/).fill('');
    await page.getByLabel(/^By/).selectOption('Wim');
    await expect(page.getByText(/1 line of/)).toBeVisible();
  });

  test('other work is written down on a zone and stands with its layers; it asks for nothing again', async ({
    page,
  }) => {
    const base = await openDemo(page, 'log', PAINTED);
    await page.getByRole('button', { name: 'Write down other work' }).click();
    await page.getByRole('textbox', { name: 'What was done' }).fill('Scratch polished out');
    await page.getByLabel('Took').fill('0');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText('Minutes: at least 1').first()).toBeVisible();
    await page.getByLabel('Took').fill('12');
    await page.getByLabel(/^On/).selectOption('cowling-port');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText('Written into the log')).toBeVisible();
    const line = page.locator('.log-line', { hasText: 'Scratch polished out' });
    await expect(line).toContainText('12 min');
    await expect(line.getByRole('button', { name: /again/ })).toHaveCount(0);
    await page.goto(`${base}/log?show=made`);
    await page.locator('html[data-ready]').waitFor();
    await page.getByRole('combobox', { name: /^Zone/ }).selectOption('cowling-port');
    await expect(page.getByRole('region', { name: 'Also done here' })).toContainText('Scratch polished out');
  });
});
