import { EventEmitter } from 'node:events';
import type { Worker } from 'node:worker_threads';
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { ServerThread } from './server-thread';

/** A thread that answers when it is told to. */
class Held extends EventEmitter {
  readonly asked: { job: number; what: string }[] = [];
  postMessage(message: { job: number; what: string }) {
    this.asked.push(message);
  }
  isOver = false;
  unref() {}
  terminate() {
    this.isOver = true;
    return Promise.resolve(0);
  }
  answer(what: string, with_: { value?: string; says?: string }) {
    const { job } = this.asked.find((item) => item.what === what)!;
    this.emit('message', { job, ...with_ });
  }
}

function threads() {
  const made: Held[] = [];
  const thread = new ServerThread<string, string>(() => {
    const held = new Held();
    made.push(held);
    return held as unknown as Worker;
  });
  return { made, thread };
}

// No timer of a thread at rest outlives the test.
beforeAll(() => void jest.useFakeTimers());
afterAll(() => void jest.useRealTimers());

describe('the thread of the server', () => {
  test('is let go when nobody has asked for half a minute, and never while it works', async () => {
    const { made, thread } = threads();
    const asked = thread.ask('brief');
    jest.advanceTimersByTime(60_000);
    expect(made[0]!.isOver).toBe(false);
    made[0]!.answer('brief', { value: 'the brief' });
    await asked;
    jest.advanceTimersByTime(29_000);
    expect(made[0]!.isOver).toBe(false);
    jest.advanceTimersByTime(2_000);
    expect(made[0]!.isOver).toBe(true);
  });
  test('gives each who asks the answer to what was asked, in whatever order they come', async () => {
    const { made, thread } = threads();
    const [brief, card] = [thread.ask('brief'), thread.ask('card')];
    made[0]!.answer('card', { value: 'the card' });
    made[0]!.answer('brief', { value: 'the brief' });
    expect(await Promise.all([brief, card])).toEqual(['the brief', 'the card']);
    expect(made).toHaveLength(1);
  });
  test('what went wrong there is told to who asked, and to nobody else', async () => {
    const { made, thread } = threads();
    const [broken, whole] = [thread.ask('broken'), thread.ask('whole')];
    made[0]!.answer('broken', { says: 'a box that cannot break' });
    made[0]!.answer('whole', { value: 'done' });
    await expect(broken).rejects.toThrow('a box that cannot break');
    expect(await whole).toBe('done');
  });
  test('who stops waiting hears so at once; the others wait on', async () => {
    const { made, thread } = threads();
    const stop = new AbortController();
    const [left, stayed] = [thread.ask('left', stop.signal), thread.ask('stayed')];
    stop.abort();
    await expect(left).rejects.toThrow('stopped');
    made[0]!.answer('left', { value: 'too late' });
    made[0]!.answer('stayed', { value: 'here' });
    expect(await stayed).toBe('here');
  });
  test('a thread that dies fails all who wait, and the next who asks gets another', async () => {
    const { made, thread } = threads();
    const waiting = [thread.ask('one'), thread.ask('two')];
    made[0]!.emit('error', new Error('out of memory'));
    for (const one of waiting) await expect(one).rejects.toThrow('out of memory');
    const next = thread.ask('three');
    expect(made).toHaveLength(2);
    made[1]!.answer('three', { value: 'alive' });
    expect(await next).toBe('alive');
  });
});
