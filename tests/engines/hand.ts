import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

/** A hand at a browser, whichever engine drives it: what a story needs and no more. */
export interface Engine {
  readonly title: string;
  open(url: string): Promise<void>;
  reload(): Promise<void>;
  url(): Promise<string>;
  /** Runs the body of a function in the page, with `given` as its arguments; what it answers is data. */
  inPage<T>(body: string, ...given: unknown[]): Promise<T>;
  /** Presses in the middle of what a selector finds, once it is in sight. */
  press(selector: string): Promise<void>;
  /** Types over what stands in a field. */
  fill(selector: string, text: string): Promise<void>;
  key(name: 'ArrowRight' | 'Enter' | 'Escape'): Promise<void>;
  /** Takes hold of something and lets it go so many px further. */
  drag(selector: string, byX: number): Promise<void>;
  close(): Promise<void>;
}

/** Who looks for things as a reader would, by role and name, in the page itself. */
const FINDER = readFileSync(
  createRequire(import.meta.url).resolve('@testing-library/dom/dist/@testing-library/dom.umd.min.js'),
  'utf8',
);

/** What is looked for: a role with its name, a field by its label, or words. `/…/` is a pattern. */
export interface Sought {
  role?: string;
  name?: string;
  label?: string;
  text?: string;
  /** Within this, where there are several. */
  within?: Sought;
  /** Which of several, the first is 0. */
  nth?: number;
}

const FIND = `
  const [sought, mark] = arguments;
  const { queries, configure } = window.TestingLibraryDom;
  configure({ defaultHidden: true });
  const asked = (words) => (words === undefined ? undefined : words.length > 2 && words.startsWith('/') && words.endsWith('/') ? new RegExp(words.slice(1, -1)) : words);
  const isSeen = (found) => found.checkVisibility() && found.getBoundingClientRect().width > 0;
  const all = ({ role, name, label, text, within, nth }) => {
    const from = within ? all(within)[0] : document.body;
    if (!from) return [];
    const found = role ? queries.queryAllByRole(from, role, { name: asked(name) })
      : label ? queries.queryAllByLabelText(from, asked(label))
      : queries.queryAllByText(from, asked(text));
    const seen = found.filter(isSeen);
    return nth === undefined ? seen : seen.slice(nth, nth + 1);
  };
  const one = all(sought)[0];
  if (!one) return null;
  for (const old of document.querySelectorAll('[data-hand]')) old.removeAttribute('data-hand');
  one.setAttribute('data-hand', mark);
  return { says: one.innerText ?? '', isOff: Boolean(one.disabled), value: String(one.value ?? '') };
`;

/** A mixture is searched for longest, and where nothing is drawn by a graphics card. */
const PATIENCE_MS = 45_000;
const AGAIN_MS = 150;

export interface Found {
  selector: string;
  says: string;
  value: string;
}

/** A builder at one engine: sees, presses and types as a story tells it. */
export class Builder {
  private marks = 0;
  constructor(readonly engine: Engine) {}

  /** Waits until something is there, and not switched off. Throws after a while, saying what it looked for. */
  async see(sought: Sought): Promise<Found> {
    const mark = String((this.marks += 1));
    return waitFor(`${this.engine.title}: ${JSON.stringify(sought)}`, async () => {
      const found = await this.lookFor(sought, mark);
      return found && !found.isOff ? { ...found, selector: `[data-hand="${mark}"]` } : null;
    });
  }

  /** Waits until nothing of it is there. */
  async miss(sought: Sought): Promise<void> {
    await waitFor(`${this.engine.title}: nothing of ${JSON.stringify(sought)}`, async () =>
      (await this.lookFor(sought, 'none')) ? null : true,
    );
  }

  async press(sought: Sought): Promise<void> {
    await this.engine.press((await this.see(sought)).selector);
  }

  async fill(label: string | Sought, text: string): Promise<void> {
    const sought = typeof label === 'string' ? { label } : label;
    await this.engine.fill((await this.see(sought)).selector, text);
    await waitFor(`${this.engine.title}: ${text} in ${JSON.stringify(sought)}`, async () =>
      (await this.see(sought)).value === text ? true : null,
    );
  }

  async open(url: string): Promise<void> {
    await this.engine.open(url);
    await this.isReady();
  }

  async reload(): Promise<void> {
    await this.engine.reload();
    await this.isReady();
  }

  async arrivesAt(pattern: RegExp): Promise<string> {
    const url = await waitFor(`${this.engine.title}: the address ${pattern}`, async () => {
      const now = await this.engine.url();
      return pattern.test(now) ? now : null;
    });
    await this.isReady();
    return url;
  }

  /** A press is heard from then on. */
  private isReady = () =>
    waitFor(`${this.engine.title}: the page`, () =>
      this.engine.inPage<boolean>(
        `return document.readyState === 'complete' && (location.pathname === '/' || location.pathname === '/new' || document.documentElement.dataset.ready === 'yes')`,
      ),
    );

  private async lookFor(sought: Sought, mark: string) {
    if (!(await this.engine.inPage<boolean>(`return 'TestingLibraryDom' in window`)))
      // Its exports go to the window whatever else the page has.
      await this.engine.inPage<null>(`(function () { ${FINDER} }).call(window); return null`);
    return this.engine.inPage<{ says: string; isOff: boolean; value: string } | null>(FIND, sought, mark);
  }
}

/** Asks until there is an answer. Throws with the last fault, or that there was none. */
export async function waitFor<T>(what: string, ask: () => Promise<T | null | false>): Promise<T> {
  const until = Date.now() + PATIENCE_MS;
  let fault = 'it did not come';
  while (Date.now() < until) {
    try {
      const answer = await ask();
      if (answer !== null && answer !== false) return answer;
    } catch (error) {
      // A page that is on its way answers nothing.
      fault = error instanceof Error ? error.message.split('\n')[0]! : String(error);
    }
    await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
  }
  throw new Error(`${what}: ${fault}`);
}
