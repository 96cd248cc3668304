import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { Builder as Drivers, By, Key, Origin } from 'selenium-webdriver';
import { waitFor, type Engine } from './hand';

const DRIVER = '/usr/bin/WebKitWebDriver';
const BROWSERS = ['4.1', '4.0'].map((version) => `/usr/lib/x86_64-linux-gnu/webkit2gtk-${version}/MiniBrowser`);
const KEYS = { ArrowRight: Key.ARROW_RIGHT, Enter: Key.ENTER, Escape: Key.ESCAPE } as const;

/** Debian's WebKitGTK in its own small browser, over WebDriver. */
export async function webkit(port: number): Promise<Engine> {
  const binary = BROWSERS.find((path) => existsSync(path));
  if (!binary) throw new Error('WebKitGTK brings no browser of its own here');
  const server = spawn(DRIVER, [`--port=${port}`], { stdio: 'ignore' });
  await waitFor('WebKitWebDriver', async () => (await fetch(`http://127.0.0.1:${port}/status`)).ok);
  const driver = await new Drivers()
    .usingServer(`http://127.0.0.1:${port}`)
    .withCapabilities({ browserName: 'MiniBrowser', 'webkitgtk:browserOptions': { binary, args: ['--automation'] } })
    .build();
  await driver.manage().window().setRect({ width: 1280, height: 900 });
  const find = async (selector: string) => {
    const found = await driver.findElement(By.css(selector));
    await driver.executeScript(`arguments[0].scrollIntoView({ block: 'center', inline: 'center' })`, found);
    return found;
  };
  return {
    title: 'WebKitGTK',
    open: (url) => driver.get(url),
    reload: () => driver.navigate().refresh(),
    url: () => driver.getCurrentUrl(),
    inPage: <T>(body: string, ...given: unknown[]) => driver.executeScript<T>(body, ...given),
    press: async (selector) => (await find(selector)).click(),
    fill: async (selector, text) => {
      await driver.executeScript('arguments[0].focus(); arguments[0].select()', await find(selector));
      await driver.actions().sendKeys(text).perform();
    },
    key: (name) => driver.actions().sendKeys(KEYS[name]).perform(),
    drag: async (selector, byX) => {
      const origin = await find(selector);
      await driver
        .actions()
        .move({ origin })
        .press()
        .move({ origin: Origin.POINTER, x: Math.round(byX / 2), y: 0, duration: 100 })
        .move({ origin: Origin.POINTER, x: Math.round(byX / 2), y: 0, duration: 100 })
        .release()
        .perform();
    },
    close: async () => {
      await driver.quit().catch(() => undefined);
      server.kill();
    },
  };
}
