'use client';

import { useEffect, useState } from 'react';

/** Answers that were fetched last, by address: an address names the revision that its answer is of. */
const held = new Map<string, Promise<unknown>>();
const MOST_HELD = 20;

function fetched(url: string): Promise<unknown> {
  const known = held.get(url);
  if (known) return known;
  const coming = fetch(url).then((response) => {
    if (!response.ok) throw new Error(`${url} answered ${response.status}`);
    return response.json() as Promise<unknown>;
  });
  hold(url, coming);
  // What failed is asked for anew the next time.
  coming.catch(() => held.delete(url));
  return coming;
}

function hold(url: string, answer: Promise<unknown>): void {
  held.set(url, answer);
  if (held.size > MOST_HELD) held.delete(held.keys().next().value!);
}

/** What an address answers came with something else: whoever asks for it need not fetch it. */
export const cameAlong = (url: string, answer: unknown): void => hold(url, Promise.resolve(answer));

/** What an address answers; until a new one has, what the last one did. Null at first, and for no address. */
export function useFetched<T>(url: string | null): T | null {
  const [value, setValue] = useState<T | null>(null);
  useEffect(() => {
    if (!url) return undefined;
    let stale = false;
    fetched(url).then(
      (found) => !stale && setValue(found as T),
      () => undefined,
    );
    return () => {
      stale = true;
    };
  }, [url]);
  return value;
}
