import { asWideAsThePage, DESK, expect, openDemo, PHONE, soundPage, test } from '../support/story';
import { nowMs } from '../../src/clock/now';

test.describe('Route', () => {
  test('a plan is kept; a step of one’s own waits to be accepted; leaving it out and undo bring it back', async ({
    page,
  }) => {
    const base = await openDemo(page, 'route');
    const plan = page.getByRole('region', { name: 'The plan that counts' });
    await plan.getByRole('button', { name: 'Keep this plan' }).click();
    await expect(plan.getByText('Kept as you accepted it')).toBeVisible();
    await page.getByRole('button', { name: 'Close the wings' }).click();
    await page.getByRole('button', { name: 'A step of mine after it' }).click();
    await page.getByLabel('What', { exact: true }).fill('Test the wing lights');
    await page.getByRole('button', { name: 'Add the step' }).click();
    await expect(plan.getByText('The kept plan no longer fits: 1 new.')).toBeVisible();
    await expect(page.getByRole('list').getByText('Test the wing lights')).toHaveCount(0);
    // The bench says so too.
    await page.goto(`${base}/bench`);
    await expect(page.getByText('The kept plan no longer fits')).toBeVisible();
    await page.goto(`${base}/route`);
    await page.locator('html[data-ready]').waitFor();
    await plan.getByRole('button', { name: 'Accept the changes' }).click();
    await expect(plan.getByText('Kept as you accepted it')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Test the wing lights', exact: true })).toBeVisible();
    await soundPage(page, 'main');
    await page.keyboard.press('u');
    await expect(plan.getByText('The kept plan no longer fits: 1 new.')).toBeVisible();
    await plan.getByRole('button', { name: 'Leave out Test the wing lights' }).click();
    await expect(plan.getByText('Kept as you accepted it')).toBeVisible();
  });

  test('a better plan is looked for while one watches, and kept', async ({ page }) => {
    await openDemo(page, 'route');
    const plan = page.getByRole('region', { name: 'The plan that counts' });
    await plan.getByRole('button', { name: 'Look for a better plan' }).click();
    await expect(plan.getByText(/Best so far: .* fillings? of the airbrush/)).toBeVisible();
    await plan.getByRole('button', { name: 'Keep this one' }).click();
    await expect(plan.getByText('Kept as you accepted it')).toBeVisible();
  });

  test('steps are changed by keyboard; one that would go in a circle is refused, step by step', async ({ page }) => {
    await openDemo(page, 'route');
    await page.getByRole('button', { name: 'Close the wings' }).focus();
    await page.keyboard.press('Enter');
    const step = page.getByRole('region', { name: 'Close the wings' });
    await step.getByRole('button', { name: 'Change' }).focus();
    await page.keyboard.press('Enter');
    await step.getByLabel('Minutes').fill('55');
    await page.keyboard.press('Enter');
    const own = page.getByRole('region', { name: 'Your own changes to the route' });
    await expect(own.getByText('“Close the wings” takes 55 min')).toBeVisible();
    await step.getByRole('button', { name: 'Change' }).click();
    await step.getByLabel('Minutes').fill('none');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Minutes: at least 1')).toBeVisible();
    await step.getByRole('button', { name: 'Put before' }).click();
    await step.getByLabel('Which').selectOption({ label: 'Bay primer green on both main-wheel bays' });
    await step.getByRole('button', { name: 'Put it before' }).click();
    await expect(page.getByText(/It would go in a circle|it would go in a circle: “/)).toBeVisible();
    await own.getByRole('button', { name: /Take back: .*takes 55 min/ }).click();
    await expect(own.getByText(/takes 55 min/)).toHaveCount(0);
  });

  test('what would bring the date forward, each with its figure', async ({ page }) => {
    await openDemo(page, 'route');
    await page.getByRole('button', { name: 'What would bring it forward?' }).click();
    await expect(
      page
        .getByRole('list', { name: 'What would move the date' })
        .getByText(/\d+ days? sooner/)
        .first(),
    ).toBeVisible();
    await expect(page.getByText(/^Nothing gained by/)).toBeVisible({ timeout: 60_000 });
  });

  test('a calendar takes evenings off; what is none is refused; the sessions go out as one', async ({
    page,
    request,
  }) => {
    const base = await openDemo(page, 'route');
    await page.getByRole('button', { name: 'Sessions' }).click();
    const calendar = page.getByRole('region', { name: 'From a calendar' });
    const choose = (text: string) =>
      calendar
        .locator('input[type=file]')
        .setInputFiles({ name: 'own.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) });
    await choose('hello');
    await expect(calendar.getByText(/This is no calendar/)).toBeVisible();
    const away = new Date(nowMs() + 5 * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '');
    await choose(
      [
        'BEGIN:VCALENDAR',
        'VERSION:2.0',
        'BEGIN:VEVENT',
        'UID:1',
        `DTSTART:${away}T060000Z`,
        'DURATION:PT17H',
        'RRULE:FREQ=DAILY;COUNT=14',
        'END:VEVENT',
        'END:VCALENDAR',
      ].join('\r\n'),
    );
    await calendar.getByRole('button', { name: /^Take \d evenings/ }).click();
    await expect(page.getByText(/evenings taken from the calendar/)).toBeVisible();
    await expect(page.getByRole('region', { name: 'Single evenings' }).getByText('taken off').first()).toBeVisible();
    const out = await request.get(`${base}/bench.ics`);
    expect(out.headers()['content-type']).toContain('text/calendar');
    expect(await out.text()).toMatch(/^BEGIN:VCALENDAR\r\n[^]*BEGIN:VEVENT/);
    expect(await (await request.get(`${base}/steps.csv`)).text()).toContain('number');
  });

  test('the schools are compared as schedules of this brief, and one is taken', async ({ page }) => {
    test.setTimeout(180_000);
    await openDemo(page, 'route');
    const schools = page.getByRole('region', { name: 'Schools' });
    await schools.getByRole('button', { name: 'Compare the schools' }).click();
    const tonal = schools.getByRole('table', { name: 'Light and shade' });
    await expect(tonal.getByRole('row')).toHaveCount(4);
    await expect(schools.getByText(/For this brief:/).first()).toBeVisible();
    await schools.getByRole('button', { name: 'Take chips over a fluid beneath' }).click();
    await expect(page.getByText('Chips over a fluid beneath')).toBeVisible();
    await expect(
      page
        .getByText(/Chipping fluid in two thin coats/)
        .filter({ visible: true })
        .first(),
    ).toBeVisible();
    await page.keyboard.press('u');
    await expect(page.getByText(/Chipping fluid in two thin coats/)).toHaveCount(0, { timeout: 60_000 });
    // So is the order of the colours.
    const orders = schools.getByRole('table', { name: 'Order of the colours' });
    await expect(orders.getByRole('row', { name: /light to dark \(chosen\)/ })).toContainText('under tape');
    await orders.getByRole('button', { name: /^Take colours by least masking/ }).click();
    // All schools are planned anew.
    await expect(orders.getByRole('row', { name: /least masking.*\(chosen\)/ })).toBeVisible({ timeout: 60_000 });
    await page.keyboard.press('u');
    await expect(orders.getByRole('row', { name: /light to dark \(chosen\)/ })).toBeVisible({ timeout: 60_000 });
  });

  test('a step is sent to another session by keys or the mouse, the plan is kept so, and undo lets it go', async ({
    page,
  }) => {
    await openDemo(page, 'route');
    const plan = page.getByRole('region', { name: 'The plan that counts' });
    await page.getByRole('button', { name: 'Drill the aerial holes' }).first().click();
    const step = page.getByRole('region', { name: 'Drill the aerial holes' });
    const when = () => step.locator('p').first().innerText();
    const before = await when();
    await page.getByRole('region', { name: 'Route strip' }).first().focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.getByText(/^Moved/)).toBeVisible();
    await expect(plan.getByText('Kept as you accepted it')).toBeVisible();
    expect(await when()).not.toBe(before);
    await page.keyboard.press('u');
    await expect.poll(when).toBe(before);
    // Far back, before what it waits for: refused with the reason.
    await page.getByRole('button', { name: 'Last look, photographs for the record' }).first().click();
    const last = page.getByRole('region', { name: 'Last look, photographs for the record' });
    await last.getByRole('button', { name: 'A session earlier' }).click();
    await expect(page.getByRole('alert').getByText(/Not before|no room|Moved/)).toBeVisible();
  });

  test('the air at the bench is read or typed, and scales the waits; another way is drawn beside the chosen one', async ({
    page,
    request,
  }) => {
    const base = await openDemo(page, 'route');
    await page.getByRole('button', { name: 'Sessions and air' }).click();
    const air = page.getByRole('region', { name: 'Air at the bench' });
    await air.getByRole('button', { name: 'Read the sensor' }).click();
    await expect(page.getByText(/°C, \d+ %: every wait follows/)).toBeVisible();
    await air.getByLabel('Bench temperature').fill('10');
    await air.getByLabel('Humidity').fill('50');
    await air.getByRole('button', { name: 'Take these' }).click();
    await expect(air.getByText('all coats take 2.00 times as long')).toBeVisible();
    await air.getByLabel('Bench temperature').fill('90');
    await air.getByRole('button', { name: 'Take these' }).click();
    await expect(page.getByText('Temperature: to 40 °C').first()).toBeVisible();
    const schools = page.getByRole('region', { name: 'Schools' });
    await schools.getByRole('button', { name: 'Compare the schools' }).click();
    await schools.getByRole('button', { name: 'Show wash over matt beside the chosen way' }).click();
    await expect(schools.getByRole('region', { name: 'Route strip' })).toHaveCount(2);
    await expect(schools.getByText(/only here: Matt coat for wash and oils to grip/)).toBeVisible();
    await page.setViewportSize(PHONE);
    await asWideAsThePage(page);
    await page.setViewportSize(DESK);
    const paper = await request.get(`${base}/bench-plan.pdf`);
    expect(paper.headers()['content-type']).toBe('application/pdf');
    expect((await paper.body()).subarray(0, 5).toString()).toBe('%PDF-');
  });

  test('is as wide as a phone, also with all of it open', async ({ page }) => {
    await openDemo(page, 'route');
    await page.getByRole('button', { name: 'Sessions' }).click();
    await page.getByRole('button', { name: 'Close the wings' }).click();
    await page.setViewportSize(PHONE);
    await asWideAsThePage(page);
    await soundPage(page, 'main');
    await page.setViewportSize(DESK);
  });
});
