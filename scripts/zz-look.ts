import { chromium } from '@playwright/test';
import { listBriefs } from '../src/data/brief-list';
import { CHROMIUM } from './chromium';
const base = process.env.BASE_URL!;
const [brief] = await listBriefs();
const browser = await chromium.launch(CHROMIUM);
const page = await browser.newPage({ viewport: { width: 1280, height: 900 } });
page.on('console', (m) => console.log('console', m.text().slice(0, 300)));
page.on('pageerror', (m) => console.log('error', String(m).slice(0, 500)));
page.setDefaultTimeout(15000);
try {
await page.goto(`${base}/briefs/${brief!.id}/evidence`, { waitUntil: 'networkidle' });
await page.getByRole('tab', { name: /Sources/ }).or(page.getByRole('button', { name: /^Sources/ })).first().click();
await page.getByText('Engine change').first().click();
await page.waitForTimeout(1500);
await page.getByRole('button', { name: 'Lay the machine over it' }).click();
await page.waitForTimeout(5000);
await page.locator('.machine-desk').scrollIntoViewIfNeeded();
await page.evaluate(() => document.querySelector('.mode-bar')!.scrollIntoView());
await page.screenshot({ path: '/tmp/w/look1.png' });
await page.getByRole('button', { name: 'Border on it' }).click();
await page.waitForTimeout(800);
const box = (await page.locator('.viewer').boundingBox())!;
for (const [x, y] of [[0.32, 0.4], [0.4, 0.41], [0.48, 0.42], [0.56, 0.43]]) { await page.mouse.click(box.x + x! * box.width, box.y + y! * box.height); await page.waitForTimeout(300); }
await page.waitForTimeout(3000);
await page.evaluate(() => document.querySelector('.mode-bar')!.scrollIntoView());
await page.screenshot({ path: '/tmp/w/look2.png' });
} catch (e) { console.log(String(e).slice(0, 600)); await page.screenshot({ path: '/tmp/w/look1.png' }); }
await browser.close();
process.exit(0);
