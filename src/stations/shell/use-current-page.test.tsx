/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, render } from '@testing-library/react';
import type { PageRevision } from './current-page';

/** A page that opens asks whether it is out of date, and is brought anew where it is. */

const refresh = jest.fn(() => Promise.resolve());
const { useCurrentPage } = await import('./use-current-page');

/** What the server says of the brief; null while it is away. */
let standing: PageRevision | null = null;
const asked: string[] = [];

beforeEach(() => {
  jest.useFakeTimers();
  refresh.mockClear();
  asked.length = 0;
  globalThis.fetch = (async (url: string) => {
    asked.push(url);
    if (!standing) throw new TypeError('Failed to fetch');
    return { status: 200, json: async () => standing };
  }) as unknown as typeof fetch;
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

function Page({ revision }: { revision: PageRevision }) {
  useCurrentPage('a-brief', revision, refresh);
  return null;
}
const settle = (ms = 0) => act(() => jest.advanceTimersByTimeAsync(ms));

describe('a page that opens', () => {
  test('stays as it is where the brief is still what it was made from', async () => {
    standing = { brief: 7, shelf: 3 };
    render(<Page revision={{ brief: 7, shelf: 3 }} />);
    await settle();
    expect(asked).toEqual(['/briefs/a-brief/revision']);
    expect(refresh).not.toHaveBeenCalled();
  });
  test.each([
    ['the brief', { brief: 8, shelf: 3 }],
    ['the shelf', { brief: 7, shelf: 4 }],
  ])('is brought anew where %s has gone on', async (_what, now) => {
    standing = now;
    render(<Page revision={{ brief: 7, shelf: 3 }} />);
    await settle();
    expect(refresh).toHaveBeenCalledTimes(1);
  });
  test('while the server is away it asks again, until it is answered once', async () => {
    standing = null;
    render(<Page revision={{ brief: 7, shelf: 3 }} />);
    await settle();
    await settle(15_000);
    expect(asked).toHaveLength(2);
    expect(refresh).not.toHaveBeenCalled();
    standing = { brief: 9, shelf: 3 };
    await settle(15_000);
    expect(refresh).toHaveBeenCalledTimes(1);
    await settle(60_000);
    expect(asked).toHaveLength(3);
  });
  test('asks no more once it is left', async () => {
    standing = null;
    const { unmount } = render(<Page revision={{ brief: 7, shelf: 3 }} />);
    await settle();
    unmount();
    await settle(60_000);
    expect(asked).toHaveLength(1);
  });
  test('one that the browser goes back to asks once more, by what it shows by then', async () => {
    standing = { brief: 7, shelf: 3 };
    const { rerender } = render(<Page revision={{ brief: 7, shelf: 3 }} />);
    await settle();
    standing = { brief: 8, shelf: 3 };
    rerender(<Page revision={{ brief: 8, shelf: 3 }} />);
    const goBack = (persisted: boolean) => window.dispatchEvent(Object.assign(new Event('pageshow'), { persisted }));
    goBack(false);
    await settle();
    expect(asked).toHaveLength(1);
    goBack(true);
    await settle();
    expect(asked).toHaveLength(2);
    expect(refresh).not.toHaveBeenCalled();
    standing = { brief: 9, shelf: 3 };
    goBack(true);
    await settle();
    expect(refresh).toHaveBeenCalledTimes(1);
  });
});
