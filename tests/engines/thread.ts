import { Builder, waitFor, type Engine } from './hand';

/** The thread of a build, told once for every engine: each story begins where it says, in a house of its own. */

export interface House {
  url: string;
  /** The demo's main brief. */
  brief: string;
  /** The server goes, and comes back. */
  stop: () => Promise<void>;
  start: () => Promise<void>;
  /** The brief as its file has it. */
  file: () => Promise<{ log: { title: string; actualMinutes: number }[] }>;
}

type Story = readonly [title: string, tell: (builder: Builder, house: House) => Promise<void>];

const button = (name: string) => ({ role: 'button', name });

export const STORIES: readonly Story[] = [
  [
    'a new brief, what a source says, a ruling',
    async (builder, { url }) => {
      await builder.open(url);
      await builder.press({ role: 'link', name: '/New brief/' });
      await builder.arrivesAt(/\/new$/);
      await builder.fill('Type', 'Testbird');
      await builder.press(button('Begin the brief'));
      await builder.arrivesAt(/\/evidence$/);
      await builder.press(button('/New source/'));
      await builder.fill('Title', 'Handbook');
      await builder.press(button('Add the source'));
      await builder.press(button('Sources (1)'));
      await builder.press(button('Open Handbook'));
      await builder.fill('What it says', 'TCS 14');
      await builder.press(button('Add'));
      const { says } = await builder.see({ role: 'cell', name: '/, colour$/' });
      await builder.press(button('Ledger'));
      const zone = says.replace(/, colour$/, '');
      await builder.press({ role: 'button', name: `/^${zone}/`, within: { role: 'table' } });
      await builder.fill('Reason', 'the handbook says so');
      await builder.press(button('Rule'));
      await builder.see({ text: '/Ruled|ruled/' });
    },
  ],
  [
    'a mixture is found in a worker, and moved by a drop and by its slider',
    async (builder, { url, brief }) => {
      await builder.open(`${url}/briefs/${brief}/colours?show=mix&code=TCS%2014`);
      await builder.press(button('Find recipes'));
      await builder.see({ text: '/mixtures looked at|Every recipe was looked at/' });
      await builder.press({ role: 'button', within: { role: 'row', within: { role: 'region', name: 'Search' } } });
      const figure = () =>
        builder.engine.inPage<string>(`return document.querySelector('[data-testid="mix-de"]').innerText`);
      const best = await waitFor('the difference', figure);
      await builder.press({ ...button('/^One drop more of/'), nth: 0 });
      const moved = await waitFor('another difference', async () => {
        const now = await figure();
        return now === best ? null : now;
      });
      await builder.engine.inPage<null>(`document.querySelector('input[type="range"]').focus(); return null`);
      await builder.engine.key('ArrowRight');
      await builder.engine.key('ArrowRight');
      await waitFor('what the slider makes of it', async () => ((await figure()) === moved ? null : true));
    },
  ],
  [
    'a step of the route is dragged to another session',
    async (builder, { url, brief }) => {
      await builder.open(`${url}/briefs/${brief}/route`);
      await builder.press({ ...button('Drill the aerial holes'), nth: 0 });
      await builder.see({ role: 'region', name: 'Drill the aerial holes' });
      const selector = await builder.engine.inPage<string>(
        `const step = [...document.querySelectorAll('.strip-step')].find((one) => one.querySelector('title').textContent.includes('Drill the aerial holes'));
         const bar = step.querySelector('rect'); bar.setAttribute('data-bar', ''); return '[data-bar]'`,
      );
      await builder.engine.drag(selector, 190);
      await builder.see({ text: '/^Moved/' });
    },
  ],
  [
    'a clock runs through a reload; a step is done',
    async (builder, { url, brief, file }) => {
      await builder.open(`${url}/briefs/${brief}/bench`);
      const before = (await file()).log.length;
      await builder.see({ role: 'article', name: 'Step in hand' });
      await builder.press({ role: 'button', name: '/^Start/', nth: 0 });
      await builder.see({ role: 'button', name: '/Stop$/', within: { role: 'banner' } });
      await builder.reload();
      await builder.see({ role: 'button', name: '/Stop$/', within: { role: 'banner' } });
      await builder.fill('Took, minutes', '25');
      await builder.press(button('/^Done/'));
      await builder.see({ text: '/^Done/' });
      await waitFor('the entry in the log', async () => {
        const { log } = await file();
        return log.length > before && log.some(({ actualMinutes }) => actualMinutes === 25);
      });
    },
  ],
  [
    'the server goes: a step is done all the same, the page opens again, and it goes there when the server is back',
    async (builder, { url, brief, stop, start, file }) => {
      await builder.open(`${url}/briefs/${brief}/bench`);
      const before = (await file()).log.length;
      await waitFor('all files are on this device', () =>
        builder.engine.inPage<boolean>(KEPT).then((count) => count || null),
      );
      await stop();
      await builder.fill('Took, minutes', '31');
      await builder.press(button('/^Done/'));
      await builder.see({ text: '/kept on this device/' });
      await builder.reload();
      await builder.see({ text: '/1 thing you did is kept on this device/' });
      await builder.see({ text: '/The server does not answer/' });
      await start();
      await builder.engine.inPage<null>(`window.dispatchEvent(new Event('online')); return null`);
      await builder.miss({ text: '/kept on this device/' });
      const { log } = await file();
      if (log.length !== before + 1 || !log.some(({ actualMinutes }) => actualMinutes === 31))
        throw new Error('what was done meanwhile is not in the log once');
    },
  ],
];

/** Whether all files of the application are kept: the first call asks, later ones read the answer. */
const KEPT = `
  if (!window.keptFiles) window.keptFiles = { done: false };
  (async () => {
    const wanted = await (await fetch('/offline/files')).json();
    const files = await (await caches.open('files')).keys();
    const pages = await (await caches.open('pages')).keys();
    window.keptFiles.done = wanted.length > 0 && files.length >= wanted.length && pages.length >= 2;
  })().catch(() => undefined);
  return window.keptFiles.done;
`;

/** Tells every story in a house of its own; one that fails is told once more, since no engine here has a graphics card. */
export async function tellAll(
  engine: Engine,
  house: House,
  fresh: () => Promise<void>,
  only: string,
): Promise<{ passed: number; failed: number }> {
  const builder = new Builder(engine);
  const told = { passed: 0, failed: 0 };
  const once = async (tell: Story[1]): Promise<string | null> => {
    // No page asks anything while the house is made anew.
    await engine.open('about:blank');
    await waitFor('a house of its own', () => fresh().then(() => true));
    return tell(builder, house).then(
      () => null,
      (error: unknown) => (error instanceof Error ? error.message.split('\n')[0]! : String(error)),
    );
  };
  for (const [title, tell] of STORIES.filter(([one]) => one.includes(only))) {
    let fault = await once(tell);
    if (fault) {
      console.log(`↻ ${engine.title}: ${title}\n    ${fault}`);
      fault = await once(tell);
    }
    console.log(`${fault ? '✗' : '✓'} ${engine.title}: ${title}${fault ? `\n    ${fault}` : ''}`);
    told[fault ? 'failed' : 'passed'] += 1;
  }
  return told;
}
