import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { asWideAsThePage, choose, expect, openDemo, PHONE, soundPage, takeBack, test } from '../support/story';

const picture = (background: string, day?: string) => {
  const image = sharp({ create: { width: 320, height: 200, channels: 3, background } }).jpeg();
  return (
    day ? image.withExif({ IFD2: { DateTimeOriginal: `${day.replaceAll('-', ':')} 10:00:00` } }) : image
  ).toBuffer();
};
const openSource = async (page: Page, title: string) => {
  await page.getByRole('button', { name: /^Sources/ }).click();
  await page.getByRole('button', { name: `Open ${title}` }).click();
};
/** The picture of the open source, once it can be measured in. */
const viewer = async (page: Page) => {
  const frame = page.getByRole('application');
  await expect(frame.locator('svg')).toBeVisible();
  return frame;
};
/** A PDF of a page for each colour ("1 0 0"), filled with it. */
function pdfOf(colours: readonly string[]): Buffer {
  const pages = colours.map((_, i) => 3 + 2 * i);
  const objects = [
    `1 0 obj <</Type/Catalog/Pages 2 0 R>> endobj`,
    `2 0 obj <</Type/Pages/Count ${pages.length}/Kids[${pages.map((n) => `${n} 0 R`).join(' ')}]>> endobj`,
    ...colours.flatMap((colour, i) => {
      const fill = `${colour} rg 0 0 300 200 re f`;
      return [
        `${3 + 2 * i} 0 obj <</Type/Page/Parent 2 0 R/MediaBox[0 0 300 200]/Contents ${4 + 2 * i} 0 R>> endobj`,
        `${4 + 2 * i} 0 obj <</Length ${fill.length}>> stream\n${fill}\nendstream endobj`,
      ];
    }),
  ];
  return Buffer.from(`%PDF-1.4\n${objects.join('\n')}\ntrailer <</Root 1 0 R>>\n%%EOF\n`);
}

const caption = (page: Page, day: string) => page.locator('.legend').filter({ hasText: `as on ${day}` });
const rowOf = (page: Page, name: RegExp) => page.getByRole('row', { name });

test.describe('the ledger', () => {
  test('is filled by keyboard only: typed, corrected, taken away, taken back', async ({ page }) => {
    await openDemo(page);
    const row = rowOf(page, /Nose-wheel bay colour/);
    const index = Number((await row.locator('td.sighting').first().getAttribute('data-cell'))!.split(' ')[0]);
    const cell = (column: number) => page.locator(`[data-cell="${index} ${column}"]`);
    await cell(0).focus();
    await page.keyboard.type('42');
    await page.keyboard.press('Tab');
    await expect(cell(0)).toHaveText('42');
    await expect(cell(1)).toBeFocused();
    await page.keyboard.type('42 ~');
    await page.keyboard.press('Enter');
    await expect(cell(1).locator('.partial')).toHaveText('42');
    await cell(1).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('textbox', { name: /What Manual, chapter 9 says/ })).toHaveValue('42 ~');
    await page.keyboard.press('Control+a');
    await page.keyboard.type('! 42');
    await page.keyboard.press('Enter');
    await expect(cell(1).locator('.against')).toHaveText('≠');
    await cell(1).focus();
    await page.keyboard.press('Delete');
    await expect(cell(1)).toHaveText('');
    await page.keyboard.press('Escape');
    await page.keyboard.press('u');
    await expect(cell(1).locator('.against')).toHaveText('≠');
    await takeBack(page, 3);
    await expect(cell(0)).toHaveText('');
  });

  test('what is no answer stays in the cell with the reason', async ({ page }) => {
    await openDemo(page);
    await rowOf(page, /port marking, size/)
      .locator('td.sighting')
      .first()
      .focus();
    await page.keyboard.type('wide');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: '"wide" is no length' })).toBeVisible();
    await expect(page.locator('.cell-input')).toHaveValue('wide');
  });

  test('narrows by state, by gate and by zone', async ({ page }) => {
    await openDemo(page);
    const rows = page.locator('.ledger tbody tr');
    await page.getByLabel('State').selectOption('contested');
    await expect(rows).toHaveCount(1);
    await expect(rows).toContainText('Fin and rudder, starboard');
    await page.getByLabel('Needed before').selectOption('fuselage');
    await expect(page.getByText(/No question here is in this state at this gate/)).toBeVisible();
    await page.getByLabel('State').selectOption('all');
    await expect(rows.first()).toContainText('Nose-wheel bay');
    await page.getByLabel('Needed before').selectOption('all');
    await page.getByRole('list', { name: 'Zones' }).getByRole('button', { name: 'Canopy frames' }).click();
    await expect(rows).toHaveCount(2);
  });

  test('a later sighting that flips a ruling reopens the question visibly', async ({ page }) => {
    await openDemo(page);
    const row = rowOf(page, /Seat and belts colour/);
    await expect(row).toContainText('TCS 45');
    // So far the handbook alone; a clear photograph of the day outweighs it.
    const cell = row.locator('td.sighting').nth(6);
    await cell.focus();
    await page.keyboard.type('TCS 31');
    await page.keyboard.press('Enter');
    await expect(row).toContainText('TCS 45 ?');
    await page.getByLabel('State').selectOption('reopened');
    await expect(page.locator('.ledger tbody tr')).toHaveCount(1);
  });

  test('sides are mirrored by a ruling, and taken apart again', async ({ page }) => {
    await openDemo(page);
    await rowOf(page, /Outer wing upper, port colour/)
      .getByRole('button')
      .first()
      .click();
    await page.getByRole('button', { name: 'Rule that both sides are mirrored' }).click();
    await page.getByLabel('Why the sides are mirrored').fill('one stencil, turned over');
    await page.getByRole('button', { name: 'Mirror the sides' }).click();
    await expect(page.getByText('Both sides are mirrored: one stencil, turned over.')).toBeVisible();
    await expect(page.getByRole('button', { name: /Outer wing upper, starboard ⇄/ })).toBeVisible();
    await page.getByRole('button', { name: 'take them apart' }).click();
    await expect(page.getByRole('button', { name: /Outer wing upper, starboard ⇄/ })).toHaveCount(0);
  });

  test('what to chase says why, by when and what would settle it', async ({ page }) => {
    await openDemo(page);
    const chase = page.getByRole('region', { name: 'Chase first' });
    await expect(chase.getByRole('listitem').first()).toContainText('Nose-wheel bay, colour');
    await expect(chase.getByRole('listitem').first()).toContainText(/h \d+ min to redo if wrong/);
    // The first few stand there; all of them at a press.
    await chase.getByRole('button', { name: /^All \d+$/ }).click();
    await expect(chase.getByRole('listitem').filter({ hasText: 'Fin and rudder, starboard' })).toContainText(
      /One clear picture from starboard of 8–14 May 1951 would settle it/,
    );
  });
});

test.describe('sources', () => {
  test('many pictures at once: titles from the files, the day of the file offered, one refused beside the others', async ({
    page,
  }) => {
    await openDemo(page);
    await page.keyboard.press('n');
    await page.getByLabel('Pictures').setInputFiles([
      { name: 'dispersal.jpg', mimeType: 'image/jpeg', buffer: await picture('#556677', '2019-08-17') },
      { name: 'broken.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('nothing') },
      { name: 'taxiway.jpg', mimeType: 'image/jpeg', buffer: await picture('#887766') },
    ]);
    await expect(page.getByRole('alert').filter({ hasText: 'broken.jpg: the file cannot be read' })).toBeVisible();
    await expect(page.getByLabel('Title of picture 1')).toHaveValue('dispersal');
    await expect(page.getByLabel('Title of picture 2')).toHaveValue('taxiway');
    await page.getByRole('button', { name: 'use 17 Aug 2019 of the file' }).click();
    await expect(page.getByLabel('Picture 1 dated')).toHaveValue('2019-08-17');
    await page.getByRole('button', { name: 'Add 2 sources' }).click();
    // Both stay typed: the first is younger than the airframe.
    await expect(
      page.getByText(/dispersal: Dated 2019-08-17, but the airframe was lost on 1953-02-11/).first(),
    ).toBeVisible();
    await expect(page.getByLabel('Title of picture 2')).toHaveValue('taxiway');
    await page.getByLabel('Kind of picture 1').selectOption('museum-visit');
    await page.getByRole('button', { name: 'Add 2 sources' }).click();
    await expect(page.getByRole('button', { name: 'Sources (19)' })).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.getByRole('button', { name: 'Sources (17)' })).toBeVisible();
  });

  test('a picture that comes after the typing does not undo it', async ({ page }) => {
    await openDemo(page);
    await page.keyboard.press('n');
    await page.getByLabel('Title').fill('Seen from the tower');
    await page
      .getByLabel('Pictures')
      .setInputFiles({ name: 'scan.jpg', mimeType: 'image/jpeg', buffer: await picture('#445566', '1951-05-10') });
    await page.getByRole('button', { name: 'Use 10 May 1951' }).click();
    await expect(page.getByLabel('Title')).toHaveValue('Seen from the tower');
    await expect(page.getByLabel('Dated', { exact: true })).toHaveValue('1951-05-10');
  });

  test('dated by an event: before the repaint of the fin; a day of its own that contradicts is refused', async ({
    page,
  }) => {
    await openDemo(page);
    await page.keyboard.press('n');
    await page.getByLabel('Title').fill('Fly-past');
    await choose(page, page, 'Taken before', /Fin and rudder, port: repainted/);
    await page.getByLabel('Dated', { exact: true }).fill('1951-05-12');
    await page.getByRole('button', { name: 'Add the source' }).click();
    await expect(
      page.getByText(/The window ends before it starts: with the event it is dated by/).first(),
    ).toBeVisible();
    await page.getByLabel('Dated', { exact: true }).fill('');
    await page.getByRole('button', { name: 'Add the source' }).click();
    await page.getByRole('button', { name: 'Sources (18)' }).click();
    await expect(page.getByText('Photograph, before 20 Nov 1950').first()).toBeVisible();
  });

  test('a PDF is leafed through, and the page that is chosen becomes the picture of the source', async ({ page }) => {
    await openDemo(page);
    await page.keyboard.press('n');
    await page
      .getByLabel('Pictures')
      .setInputFiles({ name: 'squadron book.pdf', mimeType: 'application/pdf', buffer: pdfOf(['1 0 0', '0 0 1']) });
    const leafing = page.getByRole('region', { name: 'Pages of squadron book.pdf' });
    await expect(leafing).toContainText('of 2');
    await leafing.getByRole('button', { name: 'Next page' }).click();
    await leafing.getByRole('button', { name: 'Take this page' }).click();
    await expect(leafing).toHaveCount(0);
    await expect(page.getByLabel('Title')).toHaveValue('squadron book p. 2');
    await expect(page.getByLabel('Page', { exact: true })).toHaveValue('2');
    const shown = page.getByRole('img', { name: 'The picture of this source' });
    const { channels } = await sharp(await (await page.request.get((await shown.getAttribute('src'))!)).body()).stats();
    expect(channels.map(({ mean }) => Math.round(mean / 255))).toEqual([0, 0, 1]);
    await page
      .getByLabel('Pictures')
      .setInputFiles({ name: 'torn.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.7 and no more') });
    await expect(page.getByRole('alert').filter({ hasText: 'torn.pdf: it cannot be read as a PDF' })).toBeVisible();
  });

  test('a source outlives what it was derived from', async ({ page }) => {
    await openDemo(page);
    await openSource(page, 'Kit sheet 4803');
    await page.getByRole('button', { name: '✕ Remove' }).click();
    // It says first what falls with it.
    await expect(page.getByRole('dialog', { name: 'What this changes' }).getByRole('listitem').first()).toBeVisible();
    await page.getByRole('button', { name: 'Remove it' }).click();
    await expect(page.getByRole('button', { name: 'Sources (16)' })).toBeVisible();
    await page.getByRole('button', { name: 'Open Box painting' }).click();
    await page.getByRole('button', { name: 'Edit', exact: true }).click();
    await page.getByLabel('Place').fill('the lid');
    await page.getByRole('button', { name: 'Save the source' }).click();
    await expect(page.getByText('Source saved')).toBeVisible();
    await takeBack(page, 2);
    await expect(page.getByRole('button', { name: 'Sources (17)' })).toBeVisible();
  });

  test('two pictures side by side, zoomed, turned and lightened by keys', async ({ page }) => {
    await openDemo(page);
    await openSource(page, 'Apron, port side');
    await page.getByLabel('Another source beside').selectOption({ label: 'Hangar row' });
    await expect(page.getByRole('application')).toHaveCount(2);
    const first = page.getByRole('application').first();
    await expect(first.locator('svg')).toBeVisible();
    await first.focus();
    const plane = first.locator('.viewer-plane');
    const before = await plane.getAttribute('style');
    await page.keyboard.press('+');
    await page.keyboard.press('r');
    await expect(plane).toHaveAttribute('style', /rotate\(90deg\)/);
    await page.keyboard.press('b');
    await expect(first.locator('img')).toHaveAttribute('style', /brightness\(115%\)/);
    await page.keyboard.press('0');
    expect(await plane.getAttribute('style')).not.toBe(before);
    await expect(page).toHaveURL(/evidence/);
  });
});

test('what kinds of source weigh is shown with its reason and can be changed', async ({ page }) => {
  await openDemo(page);
  const support = rowOf(page, /Nose-wheel bay colour/).locator('.end-support');
  const before = await support.innerText();
  await page.getByRole('button', { name: /^Sources/ }).click();
  await page.getByRole('button', { name: /How much each kind of source weighs/ }).click();
  await expect(page.getByText('0.7; one side only, wrong demarcations, close-enough call-outs')).toBeVisible();
  await page.getByLabel('Kit sheet', { exact: true }).fill('30');
  await page.getByRole('button', { name: 'Weigh by these' }).click();
  await expect(page.getByText('Weight: at most 10').first()).toBeVisible();
  await page.getByLabel('Kit sheet', { exact: true }).fill('2,5');
  await page.getByRole('button', { name: 'Weigh by these' }).click();
  await expect(page.getByRole('button', { name: /source weighs \(1 changed\)/ })).toBeVisible();
  await page.getByRole('button', { name: 'Ledger' }).click();
  expect(Number(await support.innerText())).toBeGreaterThan(Number(before));
});

test.describe('measuring in a picture', () => {
  test('by keyboard: two points, nudged, kept with one key; the figure stands in the ledger', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('list', { name: 'Zones' }).getByRole('button', { name: 'Spinner' }).click();
    await openSource(page, 'Apron, port side');
    await page.getByRole('button', { name: 'Length', exact: true }).click();
    const frame = await viewer(page);
    await frame.focus();
    await page.keyboard.press('p');
    await page.keyboard.press('p');
    for (let i = 0; i < 10; i += 1) await page.keyboard.press('Shift+ArrowRight');
    // The scale: the 9.1 m of the fuselage are 979 px of the picture, so 100 px are 0.93 m.
    await expect(page.locator('.measured .figure')).toHaveText(/^93\d ± \d mm$/);
    await page.keyboard.press('s');
    await expect(page.getByText(/is a sighting now/)).toBeVisible();
    await page.getByRole('button', { name: 'Ledger' }).click();
    await expect(rowOf(page, /Spinner marking, size/)).toContainText(/93\d/);
    await page.keyboard.press('u');
    await expect(rowOf(page, /Spinner marking, size/)).toHaveCount(0);
  });

  test('by mouse, with a loupe at the point; a scale of zero is refused', async ({ page }) => {
    await openDemo(page);
    await openSource(page, 'Hangar row');
    const frame = await viewer(page);
    await page.getByRole('button', { name: 'Length', exact: true }).click();
    const box = (await frame.boundingBox())!;
    const click = (x: number, y: number) => page.mouse.click(box.x + box.width * x, box.y + box.height * y);
    await click(0.4, 0.5);
    await click(0.6, 0.5);
    await expect(page.getByRole('alert').filter({ hasText: 'Set a scale first' })).toBeVisible();
    await expect(page.locator('.loupe')).toBeVisible();
    await page.getByRole('button', { name: 'Known length' }).click();
    await click(0.3, 0.4);
    await click(0.7, 0.4);
    await page.getByLabel('Known length, mm').fill('0');
    await page.getByRole('button', { name: 'Set the scale' }).click();
    await expect(page.getByText('The known length must be above 0 mm').first()).toBeVisible();
    await expect(page.getByLabel('Known length, mm')).toHaveValue('0');
    await page.getByLabel('Known length, mm').fill('2000');
    await page.getByRole('button', { name: 'Set the scale' }).click();
    await expect(page.getByText('Scale set')).toBeVisible();
    await page.getByRole('button', { name: 'Length', exact: true }).click();
    await expect(page.locator('.measured .figure')).toHaveText(/^1000 ± \d(\.\d)? mm$/);
  });

  test('four points in a line fix no panel', async ({ page }) => {
    await openDemo(page);
    await openSource(page, 'Hangar row');
    const frame = await viewer(page);
    await page.getByRole('button', { name: 'Known panel' }).click();
    const box = (await frame.boundingBox())!;
    for (const x of [0.3, 0.4, 0.5, 0.6]) await page.mouse.click(box.x + box.width * x, box.y + box.height * 0.5);
    await page.getByLabel('Panel width, mm').fill('900');
    await page.getByLabel('Panel height, mm').fill('400');
    await page.getByRole('button', { name: 'Set the scale' }).click();
    await expect(page.getByText(/three of the four points lie in a line/).first()).toBeVisible();
    await expect(page.getByLabel('Panel width, mm')).toHaveValue('900');
  });

  test('greys of a monochrome picture: refused below two known patches, then probabilities, entered as inferred', async ({
    page,
  }) => {
    await openDemo(page);
    await page.getByRole('list', { name: 'Zones' }).getByRole('button', { name: 'Fin and rudder, starboard' }).click();
    await openSource(page, 'Works apron');
    const frame = await viewer(page);
    await page.getByRole('button', { name: 'Tones' }).click();
    const box = (await frame.boundingBox())!;
    for (const [x, y] of [
      [0.22, 0.4],
      [0.35, 0.5],
      [0.62, 0.52],
    ] as const)
      await page.mouse.click(box.x + box.width * x, box.y + box.height * y);
    await page.getByLabel('Colour of patch 2').selectOption('TCS 31');
    await page.getByRole('button', { name: /Compare with/ }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'At least 2 patches of known colour' })).toBeVisible();
    await page.getByLabel('Colour of patch 3').selectOption('TCS 21');
    await page.getByRole('button', { name: /Compare with/ }).click();
    await expect(page.getByText(/It cannot be told|fits best/)).toBeVisible();
    await expect(page.getByText(/textbook shapes, not measurements/)).toBeVisible();
    await page.getByRole('button', { name: 'enter as inferred' }).first().click();
    await expect(page.getByText(/entered, as inferred/)).toBeVisible();
    await page.getByRole('button', { name: 'Ledger' }).click();
    const works = rowOf(page, /Fin and rudder, starboard/).locator('[data-cell$=" 3"] .inferred');
    await expect(works).toHaveCount(2);
  });
});

test.describe('time', () => {
  test('the sheet shows the airframe as on any day; an event of the timeline moves what counts', async ({ page }) => {
    await openDemo(page);
    await page.getByRole('button', { name: 'Timeline' }).click();
    const fin = page.locator('#sheet-port-zone-fin-port');
    await expect(caption(page, '8 May 1951')).toBeVisible();
    const inMay = await fin.getAttribute('fill');
    await page.getByLabel('As on, day').fill('1950-06-01');
    await expect(caption(page, '1 Jun 1950')).toBeVisible();
    await expect.poll(() => fin.getAttribute('fill')).not.toBe(inMay);
    await page.getByLabel('As on 1 Jun 1950').focus();
    await page.keyboard.press('ArrowRight');
    await expect(caption(page, '2 Jun 1950')).toBeVisible();
    await page.getByRole('button', { name: 'Ledger' }).click();
    await expect(caption(page, '2 Jun 1950')).toHaveCount(0);
  });

  test('a repaint added and taken off again; layers that show go to the Route', async ({ page }) => {
    const base = await openDemo(page);
    await page.getByRole('button', { name: 'Timeline' }).click();
    await expect(page.getByRole('region', { name: 'Layers to lay down' })).toContainText(
      'Rear fuselage, port: TCS 21 → TCS 31 (overpainted) → Fuselage band (added)',
    );
    await page.getByRole('button', { name: 'Add what happened' }).click();
    await page.getByLabel('Zones', { exact: true }).last().click();
    await page
      .getByRole('listbox', { name: 'Zones', exact: true })
      .getByRole('option', { name: 'Cowling, port' })
      .click();
    await page.keyboard.press('Escape');
    await page.getByLabel('On', { exact: true }).fill('1951-01-20');
    await page.getByLabel('With what').fill('TCS 31');
    await page.keyboard.press('Tab');
    await page.getByLabel('What is under it still shows').check();
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('button', { name: /Cowling, port: repainted 20 Jan 1951/ })).toBeVisible();
    await page.goto(`${base}/route`);
    await expect(page.getByRole('button', { name: /Earlier coat: .* on the port side of the cowling/ })).toBeVisible();
    await expect(
      page.getByRole('button', { name: /Patch over: .* on the port side of the rear fuselage/ }),
    ).toBeVisible();
    await page.locator('html[data-ready]').waitFor();
    await page.keyboard.press('u');
    await expect(page.getByRole('button', { name: /Earlier coat: .* on the port side of the cowling/ })).toHaveCount(0);
  });
});

test.describe('the dossier', () => {
  test('goes out as PDF, JSON and tables, and comes in again elsewhere', async ({ page }) => {
    const base = await openDemo(page);
    await page.getByRole('button', { name: 'Dossier' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Dossier as JSON' }).click(),
    ]);
    const whole = readFileSync((await download.path())!, 'utf8');
    const pdf = await page.request.get(`${base}/dossier/dossier.pdf`);
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
    expect(await (await page.request.get(`${base}/dossier/rulings.csv`)).text()).toMatch(
      /^\uFEFFzone,aspect,which,ruling,basis,reason,ruled_by\n/,
    );
    expect((await page.request.get(`${base}/dossier/other.csv`)).status()).toBe(404);

    await openDemo(page, 'evidence', 'L 88');
    await page.getByRole('button', { name: 'Dossier' }).click();
    const take = (text: string) =>
      page
        .getByLabel('Dossier or table')
        .setInputFiles({ name: 'd.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    // Another type: zones that she does not have refuse it all.
    await take(whole);
    await expect(page.getByRole('alert').filter({ hasText: 'this airframe has no zone' })).toBeVisible();
    const sources = (JSON.parse(whole).sources as object[]).map((source) => ({
      ...source,
      zones: [],
      afterEventId: null,
      beforeEventId: null,
    }));
    await take(
      JSON.stringify({
        ...JSON.parse(whole),
        sources,
        questions: [],
        sightings: [],
        rulings: [],
        events: [],
        mirrors: [],
      }),
    );
    await expect(page.getByRole('status').filter({ hasText: /Added: \d+ sources/ })).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.getByText(/^Taken back: /)).toBeVisible();
  });

  test('a table that means nothing is refused; one with bad rows adds the good ones and names the others', async ({
    page,
  }) => {
    await openDemo(page);
    await page.getByRole('button', { name: 'Dossier' }).click();
    const take = (text: string) =>
      page
        .getByLabel('Dossier or table')
        .setInputFiles({ name: 't.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
    await take('shelf,mood\n3,4');
    await expect(page.locator('.dossier').getByRole('alert')).toBeVisible();
    await take('title,kind,dated_from\nLog book,letter,1951-05-01\nRumour,rumour,\nLate view,photograph,1960-01-01');
    const answer = page.locator('.dossier').getByRole('alert').filter({ hasText: '1 of 3 sources added' });
    await expect(answer).toContainText('Row 3: Kind');
    await expect(answer).toContainText('Row 4: Dated 1960-01-01, but the airframe was lost');
    await expect(page.getByRole('button', { name: 'Sources (18)' })).toBeVisible();
    await take('{"format": "something"}');
    await expect(page.getByRole('alert').filter({ hasText: 'this is not a dossier' })).toBeVisible();
  });
});

test.describe('by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('two taps measure, and a point is dragged by a finger', async ({ page }) => {
    await openDemo(page);
    await openSource(page, 'Apron, port side');
    const frame = await viewer(page);
    await page.getByRole('button', { name: 'Length', exact: true }).tap();
    const box = (await frame.boundingBox())!;
    const y = box.y + box.height / 2;
    await page.touchscreen.tap(box.x + 100, y);
    await page.touchscreen.tap(box.x + 200, y);
    const figure = page.locator('.measured .figure');
    await expect(figure).toHaveText(/ mm$/);
    const before = parseFloat(await figure.innerText());
    const fingers = await page.context().newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x?: number) =>
      fingers.send('Input.dispatchTouchEvent', { type, touchPoints: x === undefined ? [] : [{ x: box.x + x, y }] });
    await touch('touchStart', 200);
    await touch('touchMove', 225);
    await touch('touchMove', 250);
    await touch('touchEnd');
    await expect.poll(async () => parseFloat(await figure.innerText())).toBeGreaterThan(before * 1.3);
  });
});

test.describe('every pane', () => {
  for (const [pane, wait] of [
    ['Timeline', 'To lay down, in order'],
    ['Dossier', 'Take in a file'],
  ] as const)
    test(`${pane}: axe finds nothing serious, nothing sticks out`, async ({ page }) => {
      await openDemo(page);
      await page.getByRole('button', { name: pane }).click();
      await expect(page.getByText(wait)).toBeVisible();
      await soundPage(page, 'main');
    });
  test('a source with its picture: axe finds nothing serious, also on a phone', async ({ page }) => {
    await openDemo(page);
    await openSource(page, 'Apron, port side');
    await viewer(page);
    await soundPage(page, 'main');
    await page.setViewportSize(PHONE);
    await asWideAsThePage(page);
  });
});
