import { chromium } from '@playwright/test';
const base = 'http://127.0.0.1:3311';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('console', (m) => m.type() === 'error' && console.log('console', m.text().slice(0, 200)));
await page.goto(base);
const id = (await page.locator('a[href^="/briefs/"]').first().getAttribute('href')).split('/')[2];
const go = async (path) => { await page.goto(`${base}/briefs/${id}/${path}`); await page.locator('html[data-ready]').waitFor(); };
const shot = (name) => page.screenshot({ path: `/tmp/look-${name}.png` });
const what = process.argv.slice(2);
const on = (n) => what.length === 0 || what.includes(n);
if (on('start')) { await page.goto(base); await shot('start'); }
if (on('kit')) { await go('kit?show=machine'); await page.getByRole('textbox', { name: 'Scale' }).fill('72'); await page.getByText('What this changes').waitFor(); await page.waitForTimeout(3000); await page.getByText('What this changes').scrollIntoViewIfNeeded(); await shot('kit'); }
if (on('day')) { await go('kit?show=machine'); await page.getByLabel('Depicts from').fill('1953-06-01'); await page.getByLabel('Depicts to').fill('1953-06-10'); await page.waitForTimeout(3500); await page.getByText('What this changes').scrollIntoViewIfNeeded(); await shot('day'); }
if (on('remove')) { await go('evidence'); await page.getByRole('button', { name: /^Sources/ }).click(); await page.getByRole('button', { name: 'Open Apron, port side' }).click(); await page.getByRole('button', { name: 'Remove', exact: true }).click(); await page.waitForTimeout(2500); await shot('remove'); await page.getByRole('button', { name: 'Remove it' }).click(); await page.waitForTimeout(2500); await shot('removed'); await page.keyboard.press('u'); await page.waitForTimeout(1500); }
if (on('keys')) { await go('bench'); await page.keyboard.press('?'); await page.waitForTimeout(500); await shot('keys'); }
if (on('route')) { await go('route'); await page.waitForTimeout(800); await shot('route'); }
if (on('phone')) { await go('bench?show=phone'); await page.waitForTimeout(1200); await shot('phone'); }
if (on('made')) { await go('log?show=made'); await page.waitForTimeout(1200); await shot('made'); }
if (on('mishaps')) { await go('log?show=mishaps'); await page.waitForTimeout(1200); await shot('mishaps'); }
if (on('weather')) { await go('bench?show=weathering'); await page.waitForTimeout(2500); await shot('weather'); }
if (on('techniques')) { await go('bench?show=techniques'); await page.waitForTimeout(1200); await page.locator('.technique-title').first().click(); await page.waitForTimeout(500); await shot('techniques'); }
if (on('option')) { await go('kit?show=options'); await page.waitForTimeout(500); await page.getByRole('button', { name: 'none', exact: true }).first().click(); await page.waitForTimeout(2500); await shot('option'); }
if (on('buy')) { await go('colours?show=buy'); await page.waitForTimeout(2500); await shot('buy'); }
if (on('feet')) {
  await page.goto(base); await page.getByLabel(/are shown in/).selectOption('feet and inches'); await page.waitForTimeout(1200);
  for (const [n, p] of [['f-machine','kit?show=machine'],['f-measured','kit?show=measured'],['f-markings','markings'],['f-bench','bench'],['f-evidence','evidence'],['f-air','route?show=sessions'],['f-log','log']]) { await go(p); await page.waitForTimeout(1000); await shot(n); }
}
if (on('metric')) { await page.goto(base); await page.getByLabel(/are shown in/).selectOption('metric'); await page.waitForTimeout(1200); }
await browser.close();
