/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import { useFetched } from './use-fetched';

afterEach(cleanup);

const asked: string[] = [];
let answers: Record<string, (value: { ok: boolean; status?: number; json?: unknown }) => void> = {};
beforeEach(() => {
  asked.length = 0;
  answers = {};
  globalThis.fetch = ((url: string) => {
    asked.push(url);
    return new Promise((resolve) => {
      answers[url] = ({ ok, status = 200, json }) => resolve({ ok, status, json: () => Promise.resolve(json) });
    });
  }) as unknown as typeof fetch;
});

function Shown({ url }: { url: string | null }) {
  const value = useFetched<{ says: string }>(url);
  return <p>{value ? value.says : 'waiting'}</p>;
}
const shown = () => screen.getByText(/.+/).textContent;

describe('what is fetched when it is opened', () => {
  test('is shown once it has come; an address that was asked for is not asked for again', async () => {
    const { unmount } = render(<Shown url="/a?revision=1" />);
    expect(shown()).toBe('waiting');
    answers['/a?revision=1']!({ ok: true, json: { says: 'first' } });
    await waitFor(() => expect(shown()).toBe('first'));
    unmount();
    render(<Shown url="/a?revision=1" />);
    await waitFor(() => expect(shown()).toBe('first'));
    expect(asked).toEqual(['/a?revision=1']);
  });
  test('until the next revision has come, the last one stays', async () => {
    const { rerender } = render(<Shown url="/b?revision=1" />);
    answers['/b?revision=1']!({ ok: true, json: { says: 'before' } });
    await waitFor(() => expect(shown()).toBe('before'));
    rerender(<Shown url="/b?revision=2" />);
    expect(shown()).toBe('before');
    answers['/b?revision=2']!({ ok: true, json: { says: 'after' } });
    await waitFor(() => expect(shown()).toBe('after'));
  });
  test('an answer that comes too late does not take the place of the one that is wanted', async () => {
    const { rerender } = render(<Shown url="/c?revision=1" />);
    rerender(<Shown url="/c?revision=2" />);
    answers['/c?revision=2']!({ ok: true, json: { says: 'wanted' } });
    await waitFor(() => expect(shown()).toBe('wanted'));
    answers['/c?revision=1']!({ ok: true, json: { says: 'late' } });
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(shown()).toBe('wanted');
  });
  test('what failed is asked for anew the next time', async () => {
    const { unmount } = render(<Shown url="/d" />);
    answers['/d']!({ ok: false, status: 500 });
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(shown()).toBe('waiting');
    unmount();
    render(<Shown url="/d" />);
    answers['/d']!({ ok: true, json: { says: 'there now' } });
    await waitFor(() => expect(shown()).toBe('there now'));
  });
  test('no address asks for nothing', () => {
    render(<Shown url={null} />);
    expect(asked).toEqual([]);
  });
});

describe('the clock of the server', () => {
  const clock = async () => {
    jest.resetModules();
    return import('./server-clock');
  };
  test('is this device’s own until it was asked', async () => {
    const { serverNow } = await clock();
    expect(Math.abs(serverNow() - Date.now())).toBeLessThan(50);
  });
  test('a device that is hours behind counts from the server’s', async () => {
    const { measureServerClock, serverNow } = await clock();
    const measured = measureServerClock();
    answers['/health']!({ ok: true, json: { now: Date.now() + 2 * 3600_000 } });
    await measured;
    expect(Math.abs(serverNow() - Date.now() - 2 * 3600_000)).toBeLessThan(200);
  });
  test('is asked once, and again only after it could not be reached', async () => {
    const { measureServerClock } = await clock();
    const first = measureServerClock();
    void measureServerClock();
    expect(asked).toEqual(['/health']);
    answers['/health']!({ ok: true, json: Promise.reject(new Error('no JSON')) });
    await first;
    void measureServerClock();
    expect(asked).toEqual(['/health', '/health']);
  });
});
