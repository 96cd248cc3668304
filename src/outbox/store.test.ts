import 'fake-indexeddb/auto';
import { describe, expect, test } from '@jest/globals';
import type { BenchAct, Replayed } from './queued';
import {
  drain,
  enqueue,
  forget,
  openOutbox,
  remember,
  retry,
  toldLately,
  Unpaired,
  untell,
  waiting,
  type Post,
} from './store';

let made = 0;
const fresh = () => openOutbox(`test ${(made += 1)}`);
const stop = (n: number): BenchAct => ({
  kind: 'stop',
  briefId: '00000000-0000-4000-8000-000000000000',
  act: {
    id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
    by: 'builder',
    at: '2026-11-27T19:00:00.000Z',
    seen: null,
  },
  id: '00000000-0000-4000-8000-000000000000',
});
const finish = (n: number): BenchAct =>
  ({ ...stop(n), kind: 'finish', entry: { title: `step ${n}` }, pictureId: null, timers: [] }) as never;

/** A server that is away for its first answers, keeps what it was told, and knows each act once. */
function server({ away = 0, answers = {} }: { away?: number; answers?: Record<string, Replayed> } = {}) {
  const told: string[] = [];
  const pictures: Blob[] = [];
  let left = away;
  const post: Post = {
    picture: async (picture) => {
      if (left-- > 0) throw new Error('away');
      pictures.push(picture);
      return { id: `picture ${pictures.length}` };
    },
    act: async (act) => {
      if (left-- > 0) throw new Error('away');
      told.push(act.act.id);
      return answers[act.act.id] ?? { state: 'done', revision: null };
    },
  };
  return { post, told, pictures };
}

describe('what is done while the server is away', () => {
  test('is kept in order, survives, and is sent once', async () => {
    const db = await fresh();
    for (let n = 1; n <= 40; n += 1) await enqueue(db, stop(n), null);
    const gone = server({ away: 1 });
    expect(await drain(db, gone.post)).toMatchObject({ done: 0, isAway: true });
    expect(await waiting(db)).toHaveLength(40);
    const there = server();
    expect(await drain(db, there.post)).toMatchObject({ done: 40, isAway: false });
    expect(there.told).toEqual(Array.from({ length: 40 }, (_, i) => stop(i + 1).act.id));
    expect(await waiting(db)).toEqual([]);
    await drain(db, there.post);
    expect(there.told).toHaveLength(40);
  });
  test('what broke off in the middle goes on where it stopped', async () => {
    const db = await fresh();
    for (let n = 1; n <= 3; n += 1) await enqueue(db, stop(n), null);
    const told: string[] = [];
    const once: Post = {
      picture: async () => ({ id: '' }),
      act: async (act) => {
        if (told.length === 1) throw new Error('away');
        told.push(act.act.id);
        return { state: 'done', revision: null };
      },
    };
    expect(await drain(db, once)).toMatchObject({ done: 1, isAway: true });
    const there = server();
    await drain(db, there.post);
    expect([...told, ...there.told]).toEqual([1, 2, 3].map((n) => stop(n).act.id));
  });
  test('a picture goes before its act, and only once, even where the act’s answer is lost', async () => {
    const db = await fresh();
    await enqueue(db, finish(1), new Blob(['picture']));
    const there = server();
    let lost = true;
    const acts: BenchAct[] = [];
    const post: Post = {
      picture: there.post.picture,
      act: async (act) => {
        acts.push(act);
        if (lost) {
          lost = false;
          throw new Error('lost');
        }
        return { state: 'done', revision: null };
      },
    };
    await drain(db, post);
    await drain(db, post);
    expect(there.pictures).toHaveLength(1);
    expect(acts.map((act) => act.kind === 'finish' && act.pictureId)).toEqual(['picture 1', 'picture 1']);
  });
  test('a picture that does not arrive keeps its act waiting, and is sent again', async () => {
    const db = await fresh();
    await enqueue(db, finish(1), new Blob(['x']));
    const there = server({ away: 1 });
    expect(await drain(db, there.post)).toMatchObject({ done: 0, isAway: true });
    expect((await waiting(db))[0]!.picture).not.toBeNull();
    expect(await drain(db, there.post)).toMatchObject({ done: 1, isAway: false });
    expect(there.pictures).toHaveLength(1);
  });
  test('one that is refused halts its own act and no other, until the builder sends it without', async () => {
    const db = await fresh();
    await enqueue(db, finish(1), new Blob(['no picture']));
    await enqueue(db, stop(2), null);
    const there = server();
    const post: Post = { ...there.post, picture: async () => ({ refused: 'this is no picture' }) };
    expect(await drain(db, post)).toMatchObject({ done: 1, isAway: false });
    const [halted] = await waiting(db);
    expect(halted!.halted).toMatchObject({ state: 'refused', says: expect.stringContaining('this is no picture') });
    expect(halted!.picture).not.toBeNull();
    await retry(db, halted!.place, false);
    await drain(db, post);
    expect(there.told).toEqual([2, 1].map((n) => stop(n).act.id));
    expect(await waiting(db)).toEqual([]);
  });
  test('a device that was let go keeps all of it, and tells it once it is paired again', async () => {
    const db = await fresh();
    for (let n = 1; n <= 2; n += 1) await enqueue(db, stop(n), null);
    const unpaired: Post = {
      picture: () => Promise.reject(new Unpaired()),
      act: () => Promise.reject(new Unpaired()),
    };
    expect(await drain(db, unpaired)).toEqual({ done: 0, isAway: true, isUnpaired: true });
    expect((await waiting(db)).map(({ halted }) => halted)).toEqual([null, null]);
    expect(await drain(db, server().post)).toEqual({ done: 2, isAway: false, isUnpaired: false });
  });
  test('an act that is refused for whatever reason stands aside with its words, and the rest goes on', async () => {
    const db = await fresh();
    for (let n = 1; n <= 3; n += 1) await enqueue(db, stop(n), null);
    const refused: Replayed = { state: 'refused', says: 'This is done on the computer.' };
    const there = server({ answers: { [stop(1).act.id]: refused } });
    expect(await drain(db, there.post)).toMatchObject({ done: 2, isAway: false });
    expect((await waiting(db)).map(({ halted }) => halted)).toEqual([refused]);
  });
  test('a conflict halts its own act and no other; it is let go or tried again by the builder’s word', async () => {
    const db = await fresh();
    for (let n = 1; n <= 3; n += 1) await enqueue(db, stop(n), null);
    const conflict: Replayed = {
      state: 'conflict',
      says: 'in the log already',
      theirs: { title: 'x', at: '2026-11-27T19:00:00Z', minutes: 5, note: '' },
    };
    const there = server({ answers: { [stop(2).act.id]: conflict } });
    await drain(db, there.post);
    const [halted] = await waiting(db);
    expect(halted!.halted).toEqual(conflict);
    expect(there.told).toHaveLength(3);
    await drain(db, there.post);
    expect(there.told).toHaveLength(3);
    await retry(db, halted!.place);
    await drain(db, there.post);
    expect(there.told).toHaveLength(4);
    await forget(db, halted!.place);
    expect(await waiting(db)).toEqual([]);
  });
});

describe('what the server has taken', () => {
  const HOUR = 3_600_000;
  test('is remembered with the revision that shows it first, in its order, until no kept page can be older', async () => {
    const db = await fresh();
    for (const n of [1, 2, 3]) await remember(db, { act: stop(n), revision: 10 + n, at: n * HOUR });
    expect((await toldLately(db)).map(({ revision }) => revision)).toEqual([11, 12, 13]);
    await remember(db, { act: stop(4), revision: 20, at: 51 * HOUR });
    expect((await toldLately(db)).map(({ revision }) => revision)).toEqual([13, 20]);
  });
  test('told twice it stands once', async () => {
    const db = await fresh();
    await remember(db, { act: stop(1), revision: 5, at: HOUR });
    await remember(db, { act: stop(1), revision: 5, at: 2 * HOUR });
    expect(await toldLately(db)).toHaveLength(1);
  });
  test('what is taken back is not told any more: the one that is named, or all of a brief', async () => {
    const db = await fresh();
    for (const n of [1, 2, 3]) await remember(db, { act: stop(n), revision: n, at: n });
    await untell(db, stop(1).briefId, stop(2).act.id);
    expect((await toldLately(db)).map(({ revision }) => revision)).toEqual([1, 3]);
    await untell(db, 'another brief');
    expect(await toldLately(db)).toHaveLength(2);
    await untell(db, stop(1).briefId);
    expect(await toldLately(db)).toEqual([]);
  });
  test('is remembered before it leaves the queue', async () => {
    const db = await fresh();
    await enqueue(db, stop(1), null);
    const seen: number[] = [];
    await drain(db, server().post, async () => void seen.push((await waiting(db)).length));
    expect(seen).toEqual([1]);
    expect(await waiting(db)).toEqual([]);
  });
  test('a queue of an earlier version of the house opens with all that waits in it', async () => {
    const { openDB } = await import('idb');
    const old = await openDB('earlier', 1, {
      upgrade: (db) => void db.createObjectStore('acts', { keyPath: 'place', autoIncrement: true }),
    });
    await old.add('acts', { act: stop(1), picture: null, halted: null });
    old.close();
    const db = await openOutbox('earlier');
    expect(await waiting(db)).toHaveLength(1);
    expect(await toldLately(db)).toEqual([]);
  });
});
