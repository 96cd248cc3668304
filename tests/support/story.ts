import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Page } from '@playwright/test';
import { clockShiftMs } from '../../src/clock/now';
import { stand } from './house';
import type { House } from './own-database';

/** Sets the clock of a browser as the house's is set: everything that its pages call the present. */
function setClock(shiftMs: number) {
  const Real = Date;
  const present = () => Real.now() + shiftMs;
  globalThis.Date = new Proxy(Real, {
    construct: (of, given, target) => Reflect.construct(of, given.length === 0 ? [present()] : given, target) as Date,
    get: (of, name, self) => (name === 'now' ? present : (Reflect.get(of, name, self) as unknown)),
  });
}

interface Story {
  /** What stands in the house when the story begins: no story sees what another left. */
  house: House;
  standing: void;
}

/**
 * A browser test in a house of its own, at the hour of the house, that fails on any console error, page error or breach of the content
 * policy.
 */
export const test = base.extend<Story & { page: Page }>({
  house: ['demo', { option: true }],
  standing: [
    async ({ house }, run) => {
      await stand(house);
      await run();
    },
    { auto: true },
  ],
  context: async ({ context }, run) => {
    if (clockShiftMs() !== 0) await context.addInitScript(setClock, clockShiftMs());
    await run(context);
  },
  page: async ({ page }, run) => {
    const faults: string[] = [];
    page.on('console', (message) => message.type() === 'error' && faults.push(message.text()));
    page.on('pageerror', (error) => faults.push(error.message));
    await run(page);
    expect(
      faults.filter(
        (fault) =>
          !/status of (403|413|422|400|404)|net::ERR_(FAILED|CONNECTION_\w+|EMPTY_RESPONSE|SOCKET_NOT_CONNECTED)/.test(
            fault,
          ),
      ),
      'nothing may be reported to the console',
    ).toEqual([]);
  },
});

export { expect };

/** A paper is made beside the pages, which come first: while both halves of the stories are told it takes its time. */
export const A_PAPER_MS = 90_000;

export const DESK = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844 };

export const STATIONS = ['evidence', 'colours', 'markings', 'route', 'bench', 'log', 'brief'] as const;

/** Opens a station of a demo brief (the main one unless said otherwise), and answers with the brief's path. */
export async function openDemo(
  page: Page,
  station: string = 'evidence',
  name: string = 'TK-G, C 417',
): Promise<string> {
  const list = await (await page.request.get('/')).text();
  const base = new RegExp(
    `href="(/briefs/[^/"]+)/evidence"[^>]*>(?:<[^>]+>)*${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}<`,
  ).exec(list)![1]!;
  await page.goto(`${base}/${station}`);
  await expect(page.getByRole('main')).toBeVisible();
  await page.locator('html[data-ready]').waitFor();
  return base;
}

/** A MUI choice field: opens it and picks an option. */
export async function choose(
  scope: Page | ReturnType<Page['locator']>,
  page: Page,
  label: string,
  option: string | RegExp,
) {
  await scope.getByRole('combobox', { name: label }).click();
  await page.getByRole('option', { name: option }).first().click();
}

/** Nothing sticks out to the side. What axe finds does not change with the width, so that it is asked once a page. */
export const asWideAsThePage = async (page: Page) =>
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);

/** Nothing sticks out to the side, and axe finds nothing serious; `within` is what differs from other pages that it has looked at. */
export async function soundPage(page: Page, within = 'body') {
  await asWideAsThePage(page);
  // A colour half-way between two has a contrast of its own that nobody reads by.
  await page.evaluate(() =>
    Promise.allSettled(document.getAnimations().flatMap((one) => (one instanceof CSSTransition ? [one.finished] : []))),
  );
  const { violations } = await new AxeBuilder({ page }).include(within).analyze();
  const grave = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  const where = (v: (typeof grave)[number]) =>
    v.nodes
      .map((node) => node.target.join(' '))
      .slice(0, 3)
      .join(', ');
  expect(grave.map((v) => `${v.id}: ${where(v)}`)).toEqual([]);
}

/** What can be pressed at the station and is lower than 44 px, words within a text left out. */
export const tooSmallForAFinger = (page: Page): Promise<string[]> =>
  page.locator('main').evaluate((main) =>
    [...main.querySelectorAll<HTMLElement>('button, select, a.MuiButton-root, input:not([type=range])')].flatMap(
      (one) => {
        const { width, height } = (one.closest('label, .MuiInputBase-root') ?? one).getBoundingClientRect();
        const within = one.closest('p, li') && !one.matches('select, input, .MuiButton-root');
        return width === 0 || within || height >= 43.5
          ? []
          : [`${one.innerText || one.getAttribute('aria-label')}: ${height} px`];
      },
    ),
  );

/** Takes back as many changes, so that the next test finds the demo as it was. */
export async function takeBack(page: Page, times: number) {
  for (let i = 0; i < times; i += 1) {
    const done = page.waitForResponse((response) => response.request().method() === 'POST');
    // So soon after an act that moved the focus no letter is a command.
    await page.waitForTimeout(500);
    await page.locator('body').press('u');
    await done;
  }
}
