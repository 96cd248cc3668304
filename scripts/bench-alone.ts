import { pathToFileURL } from 'node:url';
import { chromium, type Browser } from '@playwright/test';
import { listBriefs } from '../src/data/brief-list';
import { closePool } from '../src/data/database';
import { CHROMIUM } from './chromium';

/** Measures something by itself, on the server that stands and its first brief, where the file at this address is what was called. */
export async function alone(
  file: string,
  measure: (browser: Browser, base: string, briefId: string) => Promise<void>,
): Promise<void> {
  if (file !== pathToFileURL(process.argv[1]!).href) return;
  const [brief] = await listBriefs();
  const browser = await chromium.launch(CHROMIUM);
  await measure(browser, process.env.BASE_URL!, brief!.id);
  await browser.close();
  await closePool();
}
