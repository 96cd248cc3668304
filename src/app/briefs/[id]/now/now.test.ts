import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { BLANK_SIGHTING } from '@/core/kept/blank';
import { changed } from '@/core/units/changes';
import { listBriefs } from '@/data/brief-list';
import { closePool } from '@/data/database';
import { loadBrief } from '@/data/read-brief';
import { ownDatabase } from '@tests/support/own-database';
import '@tests/support/next-request';
import { stamp } from '@tests/support/stamp';
import type { PageNow } from '@/stations/shell/current-page';

/** What a browser is told that shows a page, on the demo: after an act, what changed, and nothing that did not. */

const { GET } = await import('./[page]/route');
const { addSighting } = await import('@/actions/evidence');

const PAGES = ['kit', 'evidence', 'colours', 'markings', 'route', 'bench', 'log', 'brief'] as const;
let id = '';

beforeAll(async () => {
  await ownDatabase('now_test', 'demo');
  id = (await listBriefs()).find(({ airframe }) => airframe.serial === 'C 417')!.id;
});
afterAll(closePool);

async function ask(page: string, shown: Record<string, string>): Promise<{ now: PageNow; bytes: number }> {
  const response = await GET(new Request(`http://127.0.0.1/now?${new URLSearchParams(shown)}`), {
    params: Promise.resolve({ id, page }),
  });
  const text = await response.text();
  if (!response.ok) throw new Error(text);
  return { now: JSON.parse(text) as PageNow, bytes: text.length };
}
const NOTHING = { shell: 'nothing', page: 'nothing' };
const whole = async (page: string) => {
  const { now } = await ask(page, NOTHING);
  if (!('whole' in now.shell) || !now.page || !('whole' in now.page)) throw new Error('it was to be told whole');
  return { of: now.of, shell: now.shell.whole, page: now.page.whole };
};

/** Somebody says something of the first question that has a sighting. */
async function say(value: string) {
  const { questions, sources } = (await loadBrief(id))!;
  const { zone, aspect } = questions.find((question) => question.aspect === 'colour')!;
  const act = { act: stamp(), briefId: id, zone, aspect, ...BLANK_SIGHTING, sourceId: sources[0]!.id };
  expect(await addSighting({ ...act, value })).toMatchObject({ ok: true });
}

describe('how a page is now', () => {
  test.each(PAGES)('%s, after an act: what changed makes of what was shown what a page anew shows', async (page) => {
    const shown = await whole(page);
    await say('TCS 31');
    const { now, bytes } = await ask(page, { shell: shown.of, page: shown.of });
    const fresh = await whole(page);
    if (!('changes' in now.shell) || !now.page || !('changes' in now.page))
      throw new Error('it was to be told by changes');
    expect(changed(shown.shell, now.shell.changes)).toEqual(fresh.shell);
    expect(changed(shown.page, now.page.changes)).toEqual(fresh.page);
    expect(bytes).toBeLessThan(JSON.stringify(fresh).length / 3);
  });
  test('after an act it is told along with it what one press would take back', async () => {
    await say('TCS 10');
    const { undo } = (await ask('kit', NOTHING)).now;
    expect([undo.back, undo.again]).toEqual([expect.stringMatching(/TCS 10/), null]);
  });
  test('what is shown already is told as nothing', async () => {
    const { of } = await whole('kit');
    const { now } = await ask('kit', { shell: of, page: of });
    expect([now.of, now.shell, now.page]).toEqual([of, { changes: [] }, { changes: [] }]);
  });
  test('what travels is all that the page is made of', async () => {
    const { briefView } = await import('../view');
    const { pageOf, shellData } = await import('../pages');
    const derived = await briefView(id);
    for (const data of [shellData(derived), ...PAGES.map((page) => pageOf(page, derived))])
      expect(JSON.parse(JSON.stringify(data))).toEqual(data);
  });
  test('who does not say what is shown is refused; a page that there is not has nothing round which to stand', async () => {
    await expect(ask('kit', {})).rejects.toThrow('does not say which page');
    expect((await ask('nonesuch', NOTHING)).now.page).toBeNull();
  });
});
