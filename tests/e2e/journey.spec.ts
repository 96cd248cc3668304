import { readFileSync } from 'node:fs';
import { Hand } from '../support/hand';
import { A_PAPER_MS, expect, test } from '../support/story';

const ZONES = [
  'fuselage-lower',
  'cowling',
  'fuselage-forward',
  'fuselage-mid',
  'wing-upper-inner',
  'wing-lower',
  'nacelle',
]
  .flatMap((zone) => (zone === 'fuselage-lower' ? [zone] : [`${zone}-port`, `${zone}-starboard`]))
  .slice(0, 12);
const CODES = Array.from({ length: 12 }, (_, i) => `VKN ${String(i + 1).padStart(2, '0')}`);
const lightness = (i: number) => 20 + 6 * i;
/** Six colours are worn, each by two zones. */
const worn = (zone: number) => CODES[2 * Math.floor(zone / 2)]!;

const STANDARD = `code,name,finish,kind,L,a,b,origin,sd\n${CODES.map(
  (code, i) => `${code},Colour ${i + 1},matt,solid,${lightness(i)},${(i % 5) - 2},${(i % 7) - 3},measured,0.4`,
).join('\n')}\n`;
const CATALOGUE = `line,chemistry,number,name,kind,finish,opacity,L,a,b,sd,size_ml,price_cents,claims,drawer_ml\n${Array.from(
  { length: 40 },
  (_, i) => {
    const of = i % 12;
    return `Testline,WA,${i + 1},Paint ${i + 1},solid,matt,semi,${lightness(of) + 0.3 * Math.floor(i / 12)},${(of % 5) - 2},${(of % 7) - 3},0.5,17,300,${i < 12 ? CODES[of] : ''},${i % 5 === 0 ? 12 : ''}`;
  },
).join('\n')}\n`;
const SOURCES =
  'title,kind,dated_from,dated_to\nApron,photograph,1951-05-10,1951-05-10\nHandbook,manual,,\nKit sheet,kit-sheet,,\n';
const SIGHTINGS = `zone,aspect,source,value\n${ZONES.flatMap((zone, i) => [
  `${zone},colour,Apron,${worn(i)}`,
  `${zone},colour,Kit sheet,${worn(i)}`,
]).join('\n')}\n`;

/** What the measure of this story asks: a brief on paper from an empty house. */
const MOST_PRESSES = 150;

test.describe('from an empty house to paper', () => {
  test.use({ house: 'empty' });

  test(`a twin with three sources, twelve zones, a standard, forty paints: at most ${MOST_PRESSES} clicks and keys`, async ({
    page,
  }) => {
    test.setTimeout(180_000);
    const hand = new Hand(page);
    await page.goto('/');

    await hand.click(page.getByRole('link', { name: /New brief/ }));
    await hand.type(page.getByLabel('Type', { exact: true }), 'Heron');
    await hand.type(page.getByLabel('Serial'), 'T 7');
    await hand.select(page.getByLabel('Layout'), 'twin');
    await hand.type(page.getByLabel('Scale', { exact: true }), '1/72');
    await hand.click(page.getByText('Unit, name and the day it depicts'));
    await hand.type(page.getByLabel('Depicts from'), '1951-05-08');
    await hand.type(page.getByLabel('Depicts to'), '1951-05-14');
    await hand.click(page.getByRole('button', { name: 'Begin the brief' }));
    await expect(page).toHaveURL(/evidence$/);

    // The standard first: what the sources say is then read by it.
    await hand.press('2');
    await hand.click(page.getByRole('button', { name: 'Standards' }));
    // In an empty house the way in stands open.
    await hand.type(page.getByLabel('Name of the standard'), 'VKN');
    await hand.file(page.getByRole('button', { name: 'Choose a file' }), 'standard.csv', STANDARD);
    await hand.click(page.getByRole('button', { name: 'Take 12 rows' }));
    await expect(page.getByRole('button', { name: 'VKN 12' })).toBeVisible();
    await hand.click(page.getByRole('button', { name: 'Paints and drawer' }));
    await hand.click(page.getByRole('button', { name: 'Bring in a table' }));
    await hand.file(page.getByRole('button', { name: 'Choose a file' }), 'paints.csv', CATALOGUE);
    await hand.click(page.getByRole('button', { name: 'Take 40 rows' }));
    await expect(page.getByText('40 of 40')).toBeVisible();

    await hand.press('1');
    await hand.click(page.getByRole('button', { name: 'Dossier' }));
    for (const [name, text, says] of [
      ['sources.csv', SOURCES, '3 of 3 sources added.'],
      ['sightings.csv', SIGHTINGS, '24 of 24 sightings added.'],
    ] as const) {
      await hand.file(page.getByRole('button', { name: 'Take in a file' }), name, text);
      await expect(page.getByText(says)).toBeVisible();
    }
    await hand.click(page.getByRole('button', { name: 'Ledger' }));
    await hand.click(page.getByRole('button', { name: 'Rule what is settled (12)' }));
    await expect(page.getByText(/12 questions ruled/)).toBeVisible();

    await hand.press('2');
    await expect(page.getByText(/^0 of 6 colours have a paint/)).toBeVisible();
    await page
      .getByRole('rowheader', { name: /VKN 01/ })
      .getByRole('button')
      .focus();
    hand.presses += 1;
    for (let left = 6; left > 0; left -= 1) {
      await hand.press('c');
      await expect(page.locator('button[aria-label^="Use "]:focus')).toBeVisible();
      await hand.press('Enter');
      await expect(page.locator('tr[data-code] button:focus')).toBeVisible();
    }
    await expect(page.getByText(/^All 6 colours have a paint/)).toBeVisible();

    await hand.press('7');
    const download = page.waitForEvent('download', { timeout: A_PAPER_MS });
    await hand.click(page.getByRole('button', { name: 'Brief as PDF' }));
    expect(
      readFileSync((await (await download).path())!)
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    expect(hand.presses).toBeLessThanOrEqual(MOST_PRESSES);
  });
});
