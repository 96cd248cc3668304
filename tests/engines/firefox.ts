import { launch } from 'puppeteer-core';
import { waitFor, type Engine } from './hand';

/** Debian's Firefox, over WebDriver BiDi. */
export async function firefox(): Promise<Engine> {
  const browser = await launch({
    browser: 'firefox',
    executablePath: '/usr/bin/firefox-esr',
    headless: true,
    defaultViewport: { width: 1280, height: 800 },
  });
  const page = await browser.newPage();
  // Who leaves with something unsaved is asked: in a story he means it.
  page.on('dialog', (dialog) => void dialog.accept());
  const centre = async (selector: string) => {
    const found = await page.waitForSelector(selector);
    await found!.evaluate((element) => element.scrollIntoView({ block: 'center', inline: 'center' }));
    const box = (await found!.boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  return {
    title: 'Firefox',
    // A page that is on its way takes the place of an address: it is typed once more.
    open: async (url) => void (await waitFor(`Firefox opens ${url}`, () => page.goto(url).then(() => true as const))),
    reload: async () => void (await page.reload()),
    url: () => Promise.resolve(page.url()),
    inPage: <T>(body: string, ...given: unknown[]) =>
      page.evaluate(
        // The body reads its `arguments` as a driver's script does.
        (text, args) => Function(text).apply(window, args) as T,
        body,
        given,
      ) as Promise<T>,
    press: async (selector) => {
      const { x, y } = await centre(selector);
      await page.mouse.click(x, y);
    },
    fill: async (selector, text) => {
      await page.focus(selector);
      await page.$eval(selector, (element) => (element as HTMLInputElement).select());
      await page.keyboard.press('Delete');
      await page.keyboard.type(text);
    },
    key: (name) => page.keyboard.press(name),
    drag: async (selector, byX) => {
      const { x, y } = await centre(selector);
      await page.mouse.move(x, y);
      await page.mouse.down();
      await page.mouse.move(x + byX / 2, y, { steps: 4 });
      await page.mouse.move(x + byX, y, { steps: 4 });
      await page.mouse.up();
    },
    close: () => browser.close(),
  };
}
