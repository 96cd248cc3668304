'use client';

import { useEffect, useState } from 'react';
import type { ColourShelf } from '@/core/kept/state';

let known: { stamp: string; shelf: Promise<ColourShelf> } | null = null;

/** The whole shelf, fetched once for each state of the house; null until it is there, and after a failure until the next change. */
export function useShelf(stamp: string): ColourShelf | null {
  const [shelf, setShelf] = useState<ColourShelf | null>(null);
  useEffect(() => {
    let stale = false;
    if (known?.stamp !== stamp) known = { stamp, shelf: fetchShelf() };
    known.shelf.then(
      (found) => {
        if (!stale) setShelf(found);
      },
      () => {
        known = null;
      },
    );
    return () => {
      stale = true;
    };
  }, [stamp]);
  return shelf;
}

async function fetchShelf(): Promise<ColourShelf> {
  const response = await fetch('/shelf');
  if (!response.ok) throw new Error('the shelf could not be read');
  return (await response.json()) as ColourShelf;
}
