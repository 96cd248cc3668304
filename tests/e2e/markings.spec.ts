import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { asWideAsThePage, choose, expect, openDemo, PHONE, soundPage, test } from '../support/story';

const svgFile = (text: string) => ({ name: 'drawing.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(text) });

/** A new marking that is masked: after this it lies open. */
async function addMasked(page: Page, title: string, kind: string, heightMm: string, codes: readonly RegExp[]) {
  await page.keyboard.press('n');
  const added = page.getByRole('region', { name: 'New marking' });
  await added.getByLabel('Title').fill(title);
  await choose(added, page, 'Kind', kind);
  await added.getByLabel('True height').fill(heightMm);
  await choose(added, page, 'Method', 'mask');
  await added.getByLabel('Colours, ground first').click();
  for (const code of codes) await page.getByRole('option', { name: code }).click();
  await page.keyboard.press('Escape');
  await added.getByRole('button', { name: 'Add the marking' }).click();
}

test.describe('Markings', () => {
  test('a marking says how it fits, which of decal and painted field is wrong, and what ways there are', async ({
    page,
  }) => {
    await openDemo(page, 'markings');
    await page.getByRole('button', { name: 'National hexagon, wings' }).click();
    await expect(
      page.getByText(/Larger than its painted field “Ochre ground of the port hexagon”: it stands/),
    ).toBeVisible();
    await expect(page.getByText(/crosses a hinge, to be cut there: starboard wing aileron/).first()).toBeVisible();
    const ways = page.getByRole('row', { name: /mask/ }).first();
    await expect(ways).toBeVisible();
    await expect(page.getByText(/\(chosen\)/)).toBeVisible();
    await page.getByRole('button', { name: 'No step, flaps' }).click();
    await expect(page.getByText(/32 % too big; as printed it would be 82 mm in reality/)).toBeVisible();
    await expect(page.getByText(/Its finest stroke is 0.18 mm: seen and made/)).toBeVisible();
    await soundPage(page, 'main');
  });

  test('the scheme by keyboard alone: a field, its corners, its colour; areas follow and add up', async ({ page }) => {
    await openDemo(page, 'markings?show=scheme');
    const share = async () =>
      (
        await page
          .getByRole('region', { name: 'What follows' })
          .getByRole('table')
          .first()
          .locator('tbody tr td:last-child')
          .allTextContents()
      ).reduce((sum, text) => sum + Number(text), 0);
    expect(Math.abs((await share()) - 100)).toBeLessThan(0.6);
    await page.getByRole('button', { name: 'New field' }).focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/1 field added/)).toBeVisible();
    const corner = page.getByRole('button', { name: /^Corner 3/ });
    await corner.focus();
    const before = await corner.getAttribute('aria-label');
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('ArrowUp');
    await expect(corner).not.toHaveAttribute('aria-label', before!);
    const moved = await corner.getAttribute('aria-label');
    await page.keyboard.press('Tab');
    await expect(page.getByText('Field moved')).toBeVisible();
    await page.reload();
    await page.locator('html[data-ready]').waitFor();
    await page.getByRole('button', { name: 'Area', exact: true }).click();
    await expect(page.getByRole('button', { name: /^Corner 3/ })).toHaveAttribute('aria-label', moved!);
    await page.getByRole('button', { name: /^Corner 3/ }).focus();
    await page.keyboard.press('Delete');
    await expect(page.getByRole('button', { name: /^Corner 4/ })).toHaveCount(0);
    await expect(page.getByText('Field moved')).toBeVisible();
    expect(Math.abs((await share()) - 100)).toBeLessThan(0.6);
    await soundPage(page, 'main');
  });

  test('a pattern is laid on in one go and taken back in one', async ({ page }) => {
    await openDemo(page, 'markings?show=scheme');
    const rows = page.getByRole('region', { name: 'Fields of the scheme' }).locator('tbody tr');
    const count = await rows.count();
    await page.getByRole('button', { name: 'Patterns' }).click();
    await page.getByRole('menuitem', { name: /Mottled sides/ }).click();
    await page.getByLabel('Blotches').selectOption('TCS 15');
    await page.getByRole('menuitem', { name: 'Lay it on' }).click();
    await expect(rows).toHaveCount(count + 1);
    await page.locator('body').press('u');
    await expect(rows).toHaveCount(count);
  });

  test('drawings that run, reach out or are none are refused with a sentence, and a good one comes in', async ({
    page,
  }) => {
    await openDemo(page, 'markings?show=scheme');
    const input = page.getByLabel('From a drawing', { exact: true }).last();
    for (const [text, says] of [
      ['<svg><script>1</script></svg>', /holds a script/],
      [`<svg>${'<g>'.repeat(5000)}</svg>`, /more than 60 deep/],
      ['<svg><path d="M0 0L5 5"/></svg>', /no closed shape/],
      ['nonsense', /no drawing/],
    ] as const) {
      await input.setInputFiles(svgFile(text));
      await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
    }
    await input.setInputFiles(svgFile('<svg><rect width="900" height="200"/><circle cx="450" cy="100" r="60"/></svg>'));
    await expect(page.getByText('2 fields added')).toBeVisible();
    await page.locator('body').press('u');
    await expect(page.getByRole('button', { name: 'Drawn area 1' })).toHaveCount(0);
  });

  test('the order of masking is compared, and the route follows the one that is chosen', async ({ page }) => {
    const base = await openDemo(page, 'markings?show=masks');
    const least = page.getByRole('region', { name: 'Least masking' });
    await expect(least.getByText(/masking sessions?/)).toBeVisible();
    await expect(page.getByRole('region', { name: 'Light to dark' })).toBeVisible();
    await expect(page.getByRole('region', { name: 'Markings first' })).toBeVisible();
    const first = (await least.locator('li strong').first().textContent())!;
    await least.getByRole('button', { name: 'Let the route follow it' }).click();
    await expect(least.getByRole('button', { name: 'The route follows it' })).toBeVisible();
    await soundPage(page, 'main');
    await page.goto(`${base}/route`);
    await expect(page.getByText(/Spray Signal ochre on/).last()).toBeVisible();
    expect(first).toMatch(/^TCS/);
  });

  test('decals that are wanting say what stands in for them; a sheet in use stays', async ({ page }) => {
    await openDemo(page, 'markings?show=decals');
    const wanting = page.getByRole('region', { name: 'Decals that are wanting' });
    await expect(wanting.getByText('Letters rearranged')).toBeVisible();
    await expect(wanting.getByText(/T K T K of “Pell Harbour 48-12, coast codes”/)).toBeVisible();
    await expect(wanting.getByText(/Spares of another sheet/)).toBeVisible();
    await expect(page.getByText(/never left overnight in a puddle/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Pell Harbour 48-12, coast codes' }).click();
    await page.getByRole('button', { name: 'Remove this sheet' }).click();
    const sure = page.getByRole('button', { name: /^(Remove|Yes)/ }).last();
    if (await sure.isVisible()) await sure.click();
    await expect(page.getByRole('alert').filter({ hasText: /Pell Harbour/ })).toBeVisible();
    await soundPage(page, 'main');
  });

  test('sheets to cut come as SVG in true mm and as PDF; a known length brings a drawing to size', async ({
    page,
    request,
  }) => {
    await openDemo(page, 'markings?show=sheets');
    const href = (name: string, as: string) =>
      page.getByRole('row', { name }).getByRole('link', { name: as }).getAttribute('href');
    const svg = await request.get((await href('National hexagon, fuselage: masks', 'SVG'))!);
    expect(svg.headers()['content-type']).toContain('image/svg+xml');
    expect(await svg.text()).toMatch(/^<svg [^>]*width="[\d.]+mm"/);
    const pdf = await request.get((await href('Canopy: masks by frame', 'PDF'))!);
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
    const rivets = page.getByRole('region', { name: 'Rivets' });
    await rivets.getByLabel('Every, mm in reality').fill('48');
    await expect(rivets.getByText('1.00 mm')).toBeVisible();
    const strip = await request.get((await rivets.getByRole('link', { name: 'SVG' }).getAttribute('href'))!);
    expect(await strip.text()).toMatch(/^<svg [^>]*width="[\d.]+mm"/);
    await rivets.getByLabel('Every, mm in reality').fill('-1');
    await expect(rivets.getByText(/The pitch is 2 mm or more/)).toBeVisible();
    await page.getByLabel('A length on it, mm').fill('120');
    await page.getByLabel('is in reality, mm').fill('9100');
    await expect(page.getByText('158.0 %')).toBeVisible();
    await page.getByLabel('A length on it, mm').fill('0');
    await expect(page.getByText('Both lengths have to be above 0.')).toBeVisible();
    await soundPage(page, 'main');
  });

  test('a stripe along an airliner: from its two colours to its paints, its steps and its cut sheet', async ({
    page,
  }) => {
    await page.goto('/new');
    await page.getByLabel('Type', { exact: true }).fill('Sedge Regent 200');
    await page.getByLabel('Layout').selectOption('podded-jet');
    await page.getByRole('button', { name: 'Begin the brief' }).click();
    await expect(page).toHaveURL(/evidence$/);
    const base = page.url().replace(/\/evidence$/, '');
    await page.goto(`${base}/markings`);
    await page.locator('html[data-ready]').waitFor();
    await addMasked(page, 'Cheat line', 'band', '260', [/^TCS 18/, /^TCS 02/]);
    // What it is made of is asked at once.
    await choose(page, page, 'Runs', 'along');
    await page.getByLabel('Stripes').fill('2');
    await page.getByLabel('From station').fill('2');
    await page.getByLabel('To station').fill('21');
    await page.getByRole('button', { name: 'Save the marking' }).click();
    await expect(page.getByLabel('From station')).toHaveCount(0);
    await page.locator('table').getByRole('button', { name: 'Cheat line' }).click();
    await expect(page.getByText(/Runs over .*forward fuselage, port.*rear fuselage, port/)).toBeVisible();
    const edges = page.getByRole('region', { name: /Its edges/ });
    await edges.getByRole('button', { name: 'Another place' }).click();
    await edges
      .getByLabel(/Station/)
      .last()
      .fill('22.5');
    await edges
      .getByLabel(/Lower edge/)
      .last()
      .fill('0');
    await edges
      .getByLabel(/Upper edge/)
      .last()
      .fill('40');
    await edges.getByRole('button', { name: /^Save/ }).click();
    await expect(page.getByText('Edges saved')).toBeVisible();
    await page.reload();
    await page.locator('html[data-ready]').waitFor();
    await page.locator('table').getByRole('button', { name: 'Cheat line', exact: true }).click();
    const places = page.getByRole('region', { name: 'Where it lies' });
    await places.getByRole('button', { name: 'On the other side too' }).click();
    await places.getByRole('button', { name: /^Save/ }).click();
    await expect(page.getByText('Places saved')).toBeVisible();
    // Both colours are called, with their areas and paints.
    await page.goto(`${base}/colours`);
    for (const code of ['TCS 18', 'TCS 02'])
      await expect(page.getByRole('row', { name: new RegExp(`${code}.*Cheat line \\(masked\\)`) })).toBeVisible();
    await page.goto(`${base}/route`);
    await expect(page.getByRole('button', { name: 'Mask Cheat line, all layers laid once to register' })).toBeVisible();
    // Its strips are cut in lengths that go on a sheet, both colours on both sides.
    await page.goto(`${base}/markings?show=sheets`);
    const href = await page
      .getByRole('row', { name: 'Cheat line: strips' })
      .getByRole('link', { name: 'SVG' })
      .getAttribute('href');
    const svg = await (await page.request.get(href!)).text();
    const cut = /<g id="cut">(.*?)<\/g>/s.exec(svg)![1]!;
    expect(cut.match(/<path/g)!.length).toBeGreaterThanOrEqual(8);
    expect(Number(/viewBox="\S+ \S+ (\S+)/.exec(svg)![1])).toBeLessThan(210);
  });

  test('artwork from a picture: traced into fields, masked; and printed on a sheet of one’s own', async ({ page }) => {
    const base = await openDemo(page, 'markings');
    await addMasked(page, 'Red heron', 'artwork', '500', [/^TCS 05/]);
    const art = page.getByRole('region', { name: 'Artwork' });
    const drawn = `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200"><rect width="300" height="200" fill="#d8c9a8"/><circle cx="150" cy="100" r="70" fill="#a02828"/><circle cx="170" cy="80" r="14" fill="#202022"/></svg>`;
    const picture = await sharp(Buffer.from(drawn)).png().toBuffer();
    await art
      .locator('input[type=file]')
      .last()
      .setInputFiles({ name: 'heron.png', mimeType: 'image/png', buffer: picture });
    // Only a piece of it, by keyboard: the frame that is offered is moved, and holds all of the bird.
    await art.getByText('Only a piece of it').click();
    await art.getByRole('button', { name: 'Begin with a frame' }).click();
    await art.getByRole('group', { name: /^The piece that is traced/ }).press('ArrowRight');
    await art.getByRole('button', { name: 'Trace it' }).click();
    const traced = art.getByRole('region', { name: 'Trace the picture' });
    await expect(traced.getByRole('img', { name: 'The artwork in 2 colours' })).toBeVisible();
    await expect(traced.getByText('what it stands on')).toBeVisible();
    await expect(traced.getByText(/mm: by mask, brush, print/).first()).toBeVisible();
    await traced
      .getByRole('combobox', { name: /^Taken as/ })
      .nth(1)
      .selectOption('TCS 05');
    await traced.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByText('2 fields taken in; u brings the picture back')).toBeVisible();
    const link = async (row: string, as: string) => {
      await page.goto(`${base}/markings?show=sheets`);
      return (await page
        .getByRole('row', { name: row, exact: true })
        .getByRole('link', { name: as })
        .getAttribute('href'))!;
    };
    const masks = await (await page.request.get(await link('Red heron: masks SVG PDF', 'SVG'))).text();
    expect(masks).toContain('<g id="cut">');
    await page.goto(`${base}/markings`);
    await page.locator('html[data-ready]').waitFor();
    await page.locator('table').getByRole('button', { name: 'Red heron', exact: true }).click();
    await choose(page, page, 'Method', 'own decal');
    await page.getByRole('button', { name: 'Save the marking' }).click();
    await expect(page.getByRole('button', { name: 'Save the marking' })).toHaveCount(0);
    await page.locator('table').getByRole('button', { name: 'Red heron', exact: true }).click();
    await choose(page, page, 'White under it', 'printed');
    await page.getByLabel('Spares').fill('2');
    await page.getByRole('button', { name: 'Save the marking' }).click();
    await expect(page.getByRole('button', { name: 'Save the marking' })).toHaveCount(0);
    await page.goto(`${base}/route`);
    for (const step of [/^Print .*Red heron/, 'Seal the prints in two light coats', /^Dip a spare of the prints/])
      await expect(page.getByRole('button', { name: step })).toBeVisible();
    const png = await page.request.get(
      await link(
        'Decals to print SVG PDF PNG, 300 dots to the inch PNG, 600 dots to the inch',
        'PNG, 300 dots to the inch',
      ),
    );
    const { format, density } = await sharp(await png.body()).metadata();
    expect([format, density]).toEqual(['png', 300]);
    await expect(page.getByRole('row', { name: /Decals to print: the white under them/ })).toBeVisible();
  });

  test('the box’s own pattern of one side: laid on, the other side is asked for, and laid there as it is ruled', async ({
    page,
  }) => {
    const base = await openDemo(page, 'markings?show=scheme');
    await page.getByText('Trace a drawing of your own').click();
    const drawn = `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="160"><rect width="600" height="160" fill="#ffffff"/><rect x="120" y="40" width="220" height="70" fill="#3c5a3c"/></svg>`;
    await page
      .getByRole('region', { name: 'Your own drawing' })
      .locator('input[type=file]')
      .setInputFiles({
        name: 'pattern.png',
        mimeType: 'image/png',
        buffer: await sharp(Buffer.from(drawn)).png().toBuffer(),
      });
    await page.getByRole('button', { name: 'Lay it on' }).click();
    const pattern = page.getByRole('region', { name: 'Its pattern' });
    await expect(pattern.getByText('that is asked for at Evidence')).toBeVisible();
    await pattern.getByRole('button', { name: 'Trace it' }).click();
    await pattern.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByText('1 field added; the other side is asked for at Evidence')).toBeVisible();
    const note = page.getByRole('note').filter({ hasText: 'What starboard shows of the pattern is open' });
    await note.getByRole('link').click();
    const asked = page.getByRole('row', { name: /starboard pattern of this side/i });
    await asked.getByRole('button').first().click();
    await choose(page, page, 'Ruling', 'as in a mirror');
    await page.getByLabel('Reason').fill('the box shows no other');
    await page.getByRole('button', { name: 'Rule', exact: true }).click();
    await expect(page.getByText('Ruled', { exact: true })).toBeVisible();
    await page.goto(`${base}/markings?show=scheme`);
    await page.locator('html[data-ready]').waitFor();
    await page.getByRole('button', { name: /^Lay \d+ fields? on starboard too/ }).click();
    await expect(page.getByText(/on the other side too; u takes it back/)).toBeVisible();
    await expect(page.getByRole('button', { name: /on starboard too/ })).toHaveCount(0);
  });

  test('letters in a font of one’s own: its signs are kept, and what is no font is refused', async ({ page }) => {
    await openDemo(page, 'markings');
    await page.getByRole('button', { name: 'Serial', exact: true }).click();
    const face = page.getByRole('region', { name: 'Face of the letters' });
    await expect(face.getByText('The block alphabet')).toBeVisible();
    await face
      .locator('input[type=file]')
      .setInputFiles({ name: 'list.ttf', mimeType: 'font/ttf', buffer: Buffer.from('milk, eggs, flour') });
    await expect(face.getByText('This is no font that can be read')).toBeVisible();
    await face
      .locator('input[type=file]')
      .setInputFiles(
        'node_modules/@fontsource/atkinson-hyperlegible/files/atkinson-hyperlegible-latin-400-normal.woff',
      );
    await expect(face.getByText('1 4 7 C are kept with this marking')).toBeVisible();
    await page.getByRole('textbox', { name: 'Letters' }).fill('C 418');
    await page.getByRole('button', { name: 'Save the marking' }).click();
    await expect(face).toHaveCount(0);
    await page.getByRole('button', { name: 'Serial', exact: true }).click();
    await expect(face.getByText('8 is not among them and left as a gap')).toBeVisible();
    await face.getByRole('button', { name: 'Condensed' }).click();
    await expect(face.getByText('1 4 8 C are kept with this marking')).toBeVisible();
  });

  test('the outline is traced from a drawing of one’s own and pulled by keyboard alone, kept and taken back', async ({
    page,
  }) => {
    const base = await openDemo(page, 'markings?show=outline');
    const drawing = await sharp({ create: { width: 600, height: 200, channels: 3, background: 'white' } })
      .png()
      .toBuffer();
    const own = page.getByRole('region', { name: 'Your own drawing' });
    await own.locator('input[type=file]').setInputFiles({ name: 'side.png', mimeType: 'image/png', buffer: drawing });
    await own.getByRole('button', { name: /^Point 1/ }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(own.getByRole('button', { name: 'Point 1: 6.0 % across, 50.0 % down' })).toBeVisible();
    await own.getByLabel('They are apart').fill('0');
    await expect(own.getByText('The known length has to be above 0')).toBeVisible();
    await expect(own.getByRole('button', { name: 'Lay it on' })).toBeDisabled();
    await own.getByLabel('They are apart').fill('9000');
    await own.getByRole('button', { name: 'Lay it on' }).click();
    await expect(page.getByText('The drawing lies on the view')).toBeVisible();
    const top = page.getByRole('button', { name: /^Top at station/ }).nth(4);
    const before = (await top.getAttribute('aria-label'))!;
    const begun = page.getByRole('button', { name: 'Fuselage and zones as they began' });
    const pullAndKeep = async () => {
      await top.focus();
      await page.keyboard.press('Shift+ArrowUp');
      await expect(top).not.toHaveAttribute('aria-label', before);
      await page.getByRole('button', { name: 'Keep the outline' }).press('Enter');
      await expect(begun).toBeVisible();
    };
    await pullAndKeep();
    await page.locator('main').press('u');
    await expect(page.getByRole('button', { name: before })).toBeVisible();
    await expect(begun).toHaveCount(0);
    await pullAndKeep();
    // What another station saves of the machine leaves its outline alone.
    await page.goto(`${base}/kit?show=machine`);
    await page.locator('html[data-ready]').waitFor();
    await page.getByRole('button', { name: 'Save', exact: true }).first().click();
    await page.waitForURL(/\/kit$/);
    await page.goto(`${base}/markings?show=outline`);
    await expect(begun).toBeVisible();
  });

  test('every pane is as wide as a phone', async ({ page }) => {
    const base = await openDemo(page, 'markings');
    await page.setViewportSize(PHONE);
    for (const show of ['list', 'scheme', 'masks', 'decals', 'sheets', 'outline']) {
      await page.goto(`${base}/markings?show=${show}`);
      await page.locator('html[data-ready]').waitFor();
      await asWideAsThePage(page);
    }
  });
});
