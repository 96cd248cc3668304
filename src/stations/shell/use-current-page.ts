'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';

/** How long a server that does not answer is left alone, ms. */
const AGAIN_MS = 15_000;

/**
 * A page that opens asks once whether the brief is still what it was made from. It may not be: an act of the page before was done while this
 * one was on its way, or it was kept on this device, or the browser went back to it.
 */
export function useCurrentPage(briefId: string, revision: string): void {
  const router = useRouter();
  const shown = useRef(revision);
  useEffect(() => {
    shown.current = revision;
  }, [revision]);
  useEffect(() => {
    let later: ReturnType<typeof setTimeout>;
    const ask = async () => {
      try {
        const response = await fetch(`/briefs/${briefId}/revision`, { cache: 'no-store' });
        if (response.status === 404) return;
        const now = ((await response.json()) as { revision: string }).revision;
        if (now !== shown.current) router.refresh();
      } catch {
        later = setTimeout(() => void ask(), AGAIN_MS);
      }
    };
    void ask();
    const cameBack = (event: PageTransitionEvent) => event.persisted && void ask();
    window.addEventListener('pageshow', cameBack);
    return () => {
      clearTimeout(later);
      window.removeEventListener('pageshow', cameBack);
    };
  }, [briefId, router]);
}
