import { beforeEach, describe, expect, test } from '@jest/globals';
import { changesBetween } from '@/core/units/changes';
import { CurrentPage, type Asked, type Made, type PageNow } from './current-page';

/** The server, as far as a browser asks it: what it shows now, and what it still knows of before. */
const known = new Map<string, { shell: object; page: object }>();
const asked: Asked[] = [];
let now = '';
let waits: Promise<void> = Promise.resolve();
async function server(question: Asked): Promise<PageNow> {
  asked.push(question);
  await waits;
  const [is, then] = [known.get(now)!, { shell: known.get(question.shell), page: known.get(question.page?.of ?? '') }];
  const piece = (of: 'shell' | 'page') =>
    then[of] ? { changes: changesBetween(then[of][of], is[of]) } : { whole: is[of] };
  const [brief, shelf] = now.split(' ').map(Number);
  const answer = { of: now, revision: { brief: brief!, shelf: shelf! }, shell: piece('shell'), page: piece('page') };
  return JSON.parse(JSON.stringify(answer)) as PageNow;
}
const made = (of: string, piece: 'shell' | 'page'): Made => ({ of, data: known.get(of)![piece] });
const isNow = (of: string, shell: object, page: object) => {
  known.set(of, { shell, page });
  now = of;
};
const rows = (changed = '') => [1, 2, 3].map((id) => ({ id: `${id}`, says: changed === `${id}` ? 'new' : 'old' }));

beforeEach(() => {
  known.clear();
  asked.length = 0;
  waits = Promise.resolve();
});

describe('what is shown of a brief', () => {
  test('after an act is what the server shows; rows that did not change stay the very objects', async () => {
    isNow('1 1 5', { open: 3 }, { rows: rows() });
    const [shell, page] = [made('1 1 5', 'shell'), made('1 1 5', 'page')];
    const current = new CurrentPage(shell, { brief: 1, shelf: 1 }, server);
    expect(current.open('evidence?', page)).toBe(false);
    isNow('2 1 5', { open: 2 }, { rows: rows('2') });
    await current.now();
    expect(current.shown(shell)).toEqual({ open: 2 });
    expect(current.revisionOf(shell)).toEqual({ brief: 2, shelf: 1 });
    const shown = current.shown(page) as { rows: object[] };
    expect(shown).toEqual({ rows: rows('2') });
    const before = (page.data as { rows: object[] }).rows;
    expect(shown.rows.map((row, i) => row === before[i])).toEqual([true, false, true]);
  });
  test('the next question names what is shown by then', async () => {
    isNow('1 1 5', {}, {});
    const current = new CurrentPage(made('1 1 5', 'shell'), { brief: 1, shelf: 1 }, server);
    current.open('kit?', made('1 1 5', 'page'));
    isNow('2 1 5', {}, {});
    await current.now();
    await current.now();
    expect(asked.map(({ shell, page }) => [shell, page?.of])).toEqual([
      ['1 1 5', '1 1 5'],
      ['2 1 5', '2 1 5'],
    ]);
  });
  test('is brought whole where the server knows no more what is shown', async () => {
    isNow('1 1 5', { open: 3 }, { rows: rows() });
    const [shell, page] = [made('1 1 5', 'shell'), made('1 1 5', 'page')];
    const current = new CurrentPage(shell, { brief: 1, shelf: 1 }, server);
    current.open('kit?', page);
    known.clear();
    isNow('9 1 5', { open: 0 }, { rows: [] });
    await current.now();
    expect([current.shown(shell), current.shown(page)]).toEqual([{ open: 0 }, { rows: [] }]);
  });
  test('an answer for a page that was left meanwhile is not shown on the one that is open', async () => {
    isNow('1 1 5', {}, { rows: rows() });
    const current = new CurrentPage(made('1 1 5', 'shell'), { brief: 1, shelf: 1 }, server);
    current.open('kit?', made('1 1 5', 'page'));
    let go = () => {};
    waits = new Promise((resolve) => (go = resolve));
    isNow('2 1 5', {}, { rows: rows('1') });
    const answered = current.now();
    while (asked.length === 0) await Promise.resolve();
    const other = { of: '2 1 5', data: { other: true } };
    current.open('route?', other);
    go();
    await answered;
    expect(current.shown(other)).toEqual({ other: true });
  });
  test('many who ask while a question is under way are told by one more', async () => {
    isNow('1 1 5', {}, {});
    const current = new CurrentPage(made('1 1 5', 'shell'), { brief: 1, shelf: 1 }, server);
    await Promise.all([current.now(), current.now(), current.now()]);
    expect(asked.length).toBeLessThanOrEqual(2);
  });
  test('a server that is away leaves it as it is, and may be asked again', async () => {
    isNow('1 1 5', { open: 3 }, {});
    const shell = made('1 1 5', 'shell');
    const current = new CurrentPage(shell, { brief: 1, shelf: 1 }, server);
    waits = Promise.reject(new TypeError('Failed to fetch'));
    await expect(current.now()).rejects.toThrow('Failed to fetch');
    expect(current.shown(shell)).toEqual({ open: 3 });
    waits = Promise.resolve();
    isNow('2 1 5', { open: 2 }, {});
    await current.now();
    expect(current.shown(shell)).toEqual({ open: 2 });
  });
  test('a page that the browser kept from before an act is older than what stands round it; one of a later minute is not', () => {
    isNow('2 1 5', {}, {});
    const current = new CurrentPage(made('2 1 5', 'shell'), { brief: 2, shelf: 1 }, server);
    expect(current.open('kit?', { of: '1 1 5', data: {} })).toBe(true);
    expect(current.open('kit?', { of: '2 1 9', data: {} })).toBe(false);
  });
});
