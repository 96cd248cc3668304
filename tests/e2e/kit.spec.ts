import type { Page } from '@playwright/test';
import {
  asWideAsThePage,
  choose,
  DESK,
  expect,
  openDemo,
  PHONE,
  soundPage,
  test,
  tooSmallForAFinger,
} from '../support/story';
import { nowMs } from '../../src/clock/now';

const option = (page: Page, name: string) => page.getByRole('group', { name, exact: true });
const pane = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'What to show' }).getByRole('button', { name });

test.describe('Kit', () => {
  test('an option shows what it would change before it is taken, and what cannot be is refused', async ({ page }) => {
    const base = await openDemo(page, 'kit');
    await option(page, 'Gear').getByRole('button', { name: 'up' }).click();
    const up = page.getByRole('region', { name: 'What gear up would change' });
    await expect(up.getByText('with its gear up it cannot stand on it')).toBeVisible();
    await expect(up.getByText(/Close the bay doors and fill their seams/)).toBeVisible();
    await expect(up.getByText('hides Nose-wheel bay')).toBeVisible();
    await expect(up.getByRole('button', { name: 'Choose gear up' })).toBeDisabled();

    await option(page, 'Crew').getByRole('button', { name: 'aboard' }).click();
    const crew = page.getByRole('region', { name: 'What crew aboard would change' });
    await expect(crew.getByText(/Paint the crew/)).toBeVisible();
    await expect(crew.getByText(/more; decide by/)).toBeVisible();
    await crew.getByRole('button', { name: 'Choose crew aboard' }).click();
    await expect(option(page, 'Crew').getByRole('button', { name: 'aboard' })).toHaveAttribute('aria-pressed', 'true');
    await page.goto(`${base}/route`);
    await expect(page.getByText('Paint the crew: clothes, harness, faces').last()).toBeVisible();
    await page.locator('html[data-ready]').waitFor();
    await page.keyboard.press('u');
    await expect(page.getByText('Paint the crew: clothes, harness, faces')).toHaveCount(0);
  });

  test('a layout that is chosen before the page has come alive is kept, with its dimensions', async ({ page }) => {
    let goOn = () => {};
    const waits = new Promise<void>((resolve) => (goOn = resolve));
    await page.route(/\.js$/, async (route) => {
      await waits;
      await route.continue();
    });
    await page.goto('/new', { waitUntil: 'commit' });
    const layout = page.getByLabel('Layout');
    await layout.selectOption('rotorcraft');
    goOn();
    await page.waitForLoadState('networkidle');
    await expect(layout).toHaveValue('rotorcraft');
    await page.getByText('All dimensions of the outline').click();
    await expect(page.getByLabel('Main rotor diameter, m', { exact: true })).toHaveValue(/^10\.6/);
  });

  test('another day says which rulings fall before it is kept and after; taken back, they stand', async ({ page }) => {
    const base = await openDemo(page, 'kit?show=machine');
    await page.getByLabel('Depicts from').fill('1953-06-01');
    await page.getByLabel('Depicts to').fill('1953-06-10');
    const changes = page.getByRole('region', { name: 'What this changes' });
    await expect(changes.getByText(/rulings? no longer stands?: .* against .*: look again/)).toBeVisible();
    const foretold = await changes.getByRole('listitem').first().innerText();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    const message = page.getByRole('status').filter({ hasText: 'Machine and kit kept' });
    await expect(message.getByRole('listitem').first()).toContainText(foretold);
    await message.getByRole('link', { name: 'Look' }).first().click();
    await expect(page).toHaveURL(new RegExp(`${base}/evidence\\?question=`));
    await expect(page.getByRole('region', { name: /colour/i }).first()).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.getByText(/^Taken back/)).toBeVisible();
  });

  test('feet and inches: shown and typed everywhere, on paper too, and what is kept stays as it was', async ({
    page,
  }) => {
    const base = await openDemo(page, 'brief');
    const file = async () => (await page.request.get(`${base}/brief.json`)).text();
    const before = await file();
    await page.goto('/');
    await page.getByLabel(/are shown in/).selectOption('feet and inches');
    await expect(page.getByText('Shown in feet and inches, psi, °F')).toBeVisible();
    await page.goto(`${base}/kit?show=machine`);
    await page.locator('html[data-ready]').waitFor();
    const span = page.getByLabel('Span, ft', { exact: true });
    await expect(span).toHaveValue(/^\d+ ft [\d.]+ in$/);
    await expect(page.getByLabel('Bench temperature, °F')).toHaveValue(/°F$/);
    // Seen and kept without a change, nothing is another.
    await page.getByLabel('Notes').fill('seen in feet');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('Machine and kit kept')).toBeVisible();
    expect((await file()).replace(/"notes":\s*"[^"]*"/, '')).toBe(before.replace(/"notes":\s*"[^"]*"/, ''));
    await page.goto(`${base}/bench`);
    await page
      .getByRole('button', { name: /Bay primer green/ })
      .first()
      .click();
    await expect(page.getByText(/\d psi/).first()).toBeVisible();
    await page.goto(`${base}/markings`);
    await expect(page.getByRole('cell', { name: /^\d+ ft|^[\d.]+ in$/ }).first()).toBeVisible();
    await page.goto('/');
    await page.getByLabel(/are shown in/).selectOption('metric');
    await expect(page.getByText('Shown in metric: mm and m, bar, °C', { exact: true })).toBeVisible();
  });

  test('parts are said in a line, changed together, and a part lost says what it holds up', async ({ page }) => {
    await openDemo(page, 'kit?show=parts');
    const say = page.getByLabel('Say it of many parts');
    await say.fill('sprue F: 1-24 sound');
    await say.press('Enter');
    await expect(page.getByText('24 parts added')).toBeVisible();
    await say.fill('F: 30-28 sound');
    await say.press('Enter');
    await expect(page.getByText(/run backwards/).first()).toBeVisible();
    await expect(say).toHaveValue('F: 30-28 sound');
    await page.getByLabel('Filter the parts').fill('F 2');
    await expect(page.getByText(/^6 of 47 parts$/)).toBeVisible();
    await page.getByRole('button', { name: 'Choose all shown' }).click();
    await page.getByLabel('condition of the chosen parts').selectOption('flash');
    await expect(page.getByText('6 parts changed')).toBeVisible();
    await page.getByLabel('Condition of F 24').selectOption('missing');
    await page.getByRole('button', { name: 'F 24', exact: true }).click();
    const form = page.getByRole('region', { name: 'Part F 24' });
    await expect(form.getByText(/Make anew, or find a spare for, F 24/)).toBeVisible();
    await expect(form.getByText(/It holds up Close the fuselage/)).toBeVisible();
  });

  test('a table of parts: bad rows are named, the good ones taken, and it comes out again', async ({ page }) => {
    await openDemo(page, 'kit?show=parts');
    await page.getByRole('button', { name: 'From a table' }).click();
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a file' }).click();
    await (
      await chooser
    ).setFiles({
      name: 'parts.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('sprue,number,origin,zone\nG,1,kit,fin-port\nG,1,kit,\nG,2,brass,\nG,3,resin,Cockpit\n'),
    });
    await expect(page.getByText(/row 3.*G 1 stands in row 2 already/)).toBeVisible();
    await expect(page.getByText(/row 4.*Origin: choose one of/)).toBeVisible();
    await page.getByRole('button', { name: 'Take 2 rows' }).click();
    await expect(page.getByText('Taken: 2 parts')).toBeVisible();
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'As a table' }).click();
    expect((await download).suggestedFilename()).toMatch(/-parts\.csv$/);
  });

  test('a part cannot replace itself; one on order is not planned before it arrives', async ({ page }) => {
    const base = await openDemo(page, 'kit?show=parts');
    await page.getByRole('button', { name: 'C 4', exact: true }).click();
    const form = page.getByRole('region', { name: 'Part C 4' });
    await form.getByLabel('On order until').fill(new Date(nowMs() + 12 * 86_400_000).toISOString().slice(0, 10));
    await form.getByRole('button', { name: 'Save' }).click();
    await expect(form).toHaveCount(0);
    await page.goto(`${base}/route`);
    await expect(page.getByText('Unpack, look over and dry-fit C 4 main leg').last()).toBeVisible();
  });

  test('the kit is measured against the real machine', async ({ page }) => {
    await openDemo(page, 'kit?show=measured');
    await page.getByRole('button', { name: 'Measure something' }).click();
    await page.getByLabel('What is measured').fill('Cowling width');
    await page.getByLabel('True size of the real machine, mm').fill('-5');
    await page.getByLabel('Measured (of a pair the left), mm').fill('23,5');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('True size: more than 0 mm').first()).toBeVisible();
    await page.getByLabel('True size of the real machine, mm').fill('1200');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText('6 % short: shim it, or replace it')).toBeVisible();
    await expect(page.getByText('6.0 %')).toBeVisible();
  });

  test('without an airbrush colours are brushed: more coats, no booth', async ({ page }) => {
    const base = await openDemo(page, 'kit?show=tools');
    await page.getByRole('button', { name: 'Add a tool' }).click();
    await page.getByRole('combobox', { name: 'Kind' }).click();
    await page.getByRole('option', { name: 'brush', exact: true }).click();
    await page.getByLabel('Name').fill('Round no. 2');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText(/brush \(no airbrush owned/).first()).toBeVisible();
    await page.goto(`${base}/route`);
    await expect(page.getByText(/^Brush Sleet on/).last()).toBeVisible();
  });

  test('a figure needs its place; a base dries for days; both have zones and questions of their own', async ({
    page,
  }) => {
    const base = await openDemo(page, 'kit?show=subjects');
    await page.getByRole('button', { name: 'Add a subject' }).click();
    await page.getByLabel('Title').fill('Ground crew');
    await page.getByLabel('Count').fill('3');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText(/Place: where does it stand/).first()).toBeVisible();
    await page.getByLabel('Place', { exact: true }).fill('by the port wing');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('rowheader', { name: 'Ground crew' })).toBeVisible();
    await page.getByRole('button', { name: 'Add a subject' }).click();
    await page.getByLabel('Title').fill('Quay');
    await page.getByRole('combobox', { name: 'Kind' }).click();
    await page.getByRole('option', { name: 'Base' }).click();
    await page.getByRole('button', { name: 'Keep it' }).click();
    const layers = page.getByRole('region', { name: 'Layers of Quay' });
    await layers.getByRole('button', { name: '+ water' }).click();
    await expect(layers.getByText('1 day of drying in all')).toBeVisible();
    await page.goto(`${base}/route`);
    await expect(page.getByText('Pour one layer of water on Quay').last()).toBeVisible();
    await page.goto(`${base}/evidence`);
    await expect(page.getByRole('button', { name: 'Ground crew, clothes', exact: true })).toBeVisible();
  });

  test('sixteen aircraft on a deck on the sea: each says what it stands on, and the route follows', async ({
    page,
  }) => {
    const base = await openDemo(page, 'kit?show=subjects');
    const add = async (title: string, kind: string, on: string, more: () => Promise<void> = async () => undefined) => {
      await page.getByRole('button', { name: 'Add a subject' }).click();
      await page.getByLabel('Title').fill(title);
      await choose(page, page, 'Kind', kind);
      if (on) await choose(page, page, 'Stands on', on);
      await more();
      await page.getByRole('button', { name: 'Keep it' }).click();
      await expect(page.getByRole('rowheader', { name: title })).toBeVisible();
    };
    await add('Sea', 'Base', '');
    await add('Carrier', 'Vessel', 'Sea');
    await add('Deck load', 'Aircraft', 'Carrier', async () => {
      await page.getByLabel('Count').fill('16');
      await page.getByLabel('Place', { exact: true }).fill('on the flight deck');
    });
    await expect(page.getByRole('row', { name: /Deck load/ })).toContainText('on Carrier');
    await page.goto(`${base}/route`);
    const titles = await page.locator('.session li button').allTextContents();
    const at = (title: RegExp) => titles.findIndex((own) => title.test(own));
    const order = [/^Prime Sea/, /^Fix down Carrier/, /^Park Deck load \(16\): on the flight deck/].map(at);
    expect(order.every((place) => place >= 0)).toBe(true);
    expect([...order].sort((a, b) => a - b)).toEqual(order);
  });

  test('a ship as the main subject: outlined by three lengths, asked for its sides, built from the hull up', async ({
    page,
  }) => {
    await page.goto('/new');
    await page.getByLabel('Type', { exact: true }).fill('Tender Osprey Bay');
    await page.getByLabel('Layout').selectOption('ship');
    await expect(page.getByLabel('Scale', { exact: true })).toHaveValue('350');
    await page.getByRole('textbox', { name: 'Beam, m' }).fill('18');
    await expect(page.getByLabel('Wing root chord')).toHaveCount(0);
    await page.getByRole('button', { name: 'Begin the brief' }).click();
    await expect(page).toHaveURL(/evidence$/);
    await expect(page.getByRole('row', { name: /Hull side, starboard pattern of this side/i })).toBeVisible();
    const base = page.url().replace(/\/evidence$/, '');
    await page.goto(`${base}/kit`);
    await page.locator('html[data-ready]').waitFor();
    await expect(page.getByRole('group', { name: 'Flaps and slats' })).toHaveCount(0);
    // Its decks are done over black, the rest is shaded.
    const otherwise = page.locator('section').filter({ hasText: 'Otherwise on some zones' });
    await otherwise.getByLabel('There').selectOption('black base');
    await otherwise.getByText('Zones', { exact: true }).click();
    await otherwise.getByLabel('Deck', { exact: true }).check();
    await otherwise.getByRole('button', { name: 'Do it so on 1 zone' }).click();
    await expect(otherwise.getByText('coats over a black base: deck')).toBeVisible();
    await page.goto(`${base}/route`);
    for (const step of [
      'Join the hull and fix its decks, dry first',
      'Black base coat: the deck',
      /^Pre-shade plating/,
    ])
      await expect(page.getByRole('button', { name: step }).first()).toBeVisible();
    await soundPage(page, 'main');
  });

  test('a zone may be of another day, and what that contradicts is named', async ({ page }) => {
    await openDemo(page, 'kit?show=days');
    await page.getByRole('button', { name: 'Give a zone its own day' }).click();
    await page.getByLabel('Depicts to').fill('1951-12-01');
    await page.getByLabel('Reason').fill('the only picture from below');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText(/never seen together/).first()).toBeVisible();
  });

  test('what nobody will see may be left out, and taken up again', async ({ page }) => {
    await openDemo(page, 'kit');
    await option(page, 'Canopy and hoods').getByRole('button', { name: 'closed' }).click();
    await page.getByRole('button', { name: 'Choose canopy closed' }).click();
    const row = page.getByRole('row', { name: /gloss on the dials/ });
    await expect(row.getByText(/^\d+ min$/)).toBeVisible();
    await row.getByRole('button', { name: 'Leave it' }).click();
    await expect(row.getByRole('button', { name: 'Do it after all' })).toBeVisible();
  });

  test('every pane is sound, also on a phone', async ({ page }) => {
    const base = await openDemo(page, 'kit');
    for (const show of ['options', 'parts', 'measured', 'tools', 'subjects', 'days', 'machine']) {
      await page.setViewportSize(DESK);
      await page.goto(`${base}/kit?show=${show}`);
      await expect(page.getByRole('heading', { name: /What is in the box/ })).toBeVisible();
      await soundPage(page, 'main');
      await page.setViewportSize(PHONE);
      await asWideAsThePage(page);
    }
    await page.goto(`${base}/kit`);
    expect(await tooSmallForAFinger(page)).toEqual([]);
  });

  test('by keyboard alone: an option is looked at and taken', async ({ page }) => {
    await openDemo(page, 'evidence');
    await page.keyboard.press('0');
    await expect(page).toHaveURL(/kit$/);
    await option(page, 'Lights').getByRole('button', { name: 'lenses' }).focus();
    await page.keyboard.press('Enter');
    const detail = page.getByRole('region', { name: 'What lights as lenses would change' });
    await expect(detail).toBeVisible();
    await detail.getByRole('button', { name: /Choose/ }).focus();
    await page.keyboard.press('Enter');
    await expect(option(page, 'Lights').getByRole('button', { name: 'lenses' })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
  });

  test('zones are chosen together on the sheet and spoken of at once', async ({ page }) => {
    await openDemo(page, 'evidence');
    await page.keyboard.press('m');
    const many = page.getByRole('form', { name: 'Say it for many zones' });
    const zones = page.getByRole('list', { name: 'Zones' });
    await zones.getByRole('button', { name: 'Propeller' }).click({ modifiers: ['Shift'] });
    await zones.getByRole('button', { name: 'Spinner' }).click({ modifiers: ['Shift'] });
    await expect(many.getByText('2 zones')).toBeVisible();
    await many.getByLabel('What it says').fill('TCS 44');
    await many.getByRole('button', { name: 'Say it', exact: true }).click();
    await expect(page.getByText('Colour said of 2 zones')).toBeVisible();
    await many.getByRole('button', { name: 'Paste a list' }).click();
    await many.getByLabel('List').fill('fin: TCS 27\nmoon: 3');
    await many.getByRole('button', { name: 'Say the list' }).click();
    await expect(page.getByText(/Line 2: there is no zone "moon"/).first()).toBeVisible();
    await expect(many.getByLabel('List')).toHaveValue('fin: TCS 27\nmoon: 3');
  });

  test('a line drawn round zones chooses them', async ({ page }) => {
    await openDemo(page, 'evidence');
    await page.keyboard.press('m');
    const fin = (await page.locator('#sheet-port-zone-fin-port').boundingBox())!;
    const around = [
      [fin.x - 3, fin.y - 2],
      [fin.x + fin.width + 2, fin.y - 2],
      [fin.x + fin.width + 2, fin.y + fin.height + 2],
      [fin.x - 3, fin.y + fin.height + 2],
    ] as const;
    await page.mouse.move(...around[0]);
    await page.mouse.down();
    for (const [x, y] of around.slice(1)) await page.mouse.move(x, y, { steps: 4 });
    await page.mouse.up();
    const many = page.getByRole('form', { name: 'Say it for many zones' });
    await expect(many.getByText('Fin and rudder, port')).toBeVisible();
    await page.keyboard.press('Escape');
  });

  test('pane buttons lead where they say', async ({ page }) => {
    await openDemo(page, 'kit');
    for (const [name, shows] of [
      [/^Parts/, 'Say it of many'],
      [/^Machine/, 'Layout'],
    ] as const) {
      await pane(page, name).click();
      await expect(page.getByText(shows).first()).toBeVisible();
    }
  });
});
