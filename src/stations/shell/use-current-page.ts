'use client';

import { createContext, useContext, useEffect, useRef } from 'react';
import { revisionInWords, type PageRevision } from './current-page';
import { AGAIN_MS } from './again';

export const PageRevisionContext = createContext<PageRevision>({ brief: 0, shelf: 0 });
/** What the page was made from, as an address names it that is asked for anew when that changes. */
export function useRevisionInWords(): string {
  return revisionInWords(useContext(PageRevisionContext));
}

/**
 * A page that opens asks once whether the brief is still what it was made from. It may not be: an act of the page before was done while this
 * one was on its way, or it was kept on this device, or the browser went back to it.
 */
export function useCurrentPage(briefId: string, { brief, shelf }: PageRevision, refreshed: () => Promise<void>): void {
  const shown = useRef({ brief, shelf });
  useEffect(() => {
    shown.current = { brief, shelf };
  }, [brief, shelf]);
  useEffect(() => {
    let later: ReturnType<typeof setTimeout>;
    const ask = async () => {
      try {
        const response = await fetch(`/briefs/${briefId}/revision`, { cache: 'no-store' });
        if (response.status === 404) return;
        const now = (await response.json()) as PageRevision;
        if (now.brief !== shown.current.brief || now.shelf !== shown.current.shelf) void refreshed();
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
  }, [briefId, refreshed]);
}
