import type { Browser } from '@playwright/test';
import { alone } from './bench-alone';
import { show, type Figure } from './bench-figures';
import { STATIONS } from './bench-pages';

/** What a cold browser is sent with a station, in kB as it travels: of its scripts how much all stations share, its styles and its faces. */
export async function benchScripts(browser: Browser, base: string, id: string): Promise<Figure[]> {
  const pages = await Promise.all(STATIONS.map((station) => loaded(browser, `${base}/briefs/${id}/${station}`)));
  const scripts = pages.map((files) => files.filter(({ type }) => type === 'Script'));
  const isEverywhere = ({ url }: Loaded) => scripts.every((files) => files.some((file) => file.url === url));
  const kB = (files: readonly Loaded[]) => files.reduce((sum, { bytes }) => sum + bytes, 0) / 1024;
  return STATIONS.map((station, i) => {
    const all = scripts[i]!;
    const common = kB(all.filter(isEverywhere));
    const of = (type: string) => kB(pages[i]!.filter((file) => file.type === type)).toFixed(0);
    return {
      what: `${station}: kB of script = of all stations + its own (files); styles, faces`,
      found: `${kB(all).toFixed(0)} = ${common.toFixed(0)} + ${(kB(all) - common).toFixed(0)} (${all.length}); ${of('Stylesheet')}, ${of('Font')}`,
      asked: 'at most 250',
    };
  });
}

interface Loaded {
  url: string;
  type: string;
  bytes: number;
}

/** All that a page asks for before it rests. Nothing is in the cache, and no worker fetches the files of other stations meanwhile. */
async function loaded(browser: Browser, url: string): Promise<Loaded[]> {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  const network = await context.newCDPSession(page);
  const files = new Map<string, Loaded>();
  network.on('Network.responseReceived', ({ requestId, type, response }) =>
    files.set(requestId, { url: response.url, type, bytes: 0 }),
  );
  network.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    const file = files.get(requestId);
    if (file) file.bytes = encodedDataLength;
  });
  await network.send('Network.enable');
  await page.goto(url, { waitUntil: 'networkidle' });
  await context.close();
  return [...files.values()];
}

await alone(import.meta.url, async (browser, base, id) => {
  for (const figure of await benchScripts(browser, base, id)) show(figure);
});
