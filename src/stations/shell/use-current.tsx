'use client';

import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { cameAlong } from '@/ui/use-fetched';
import { useShared } from '@/ui/use-shared';
import { AGAIN_MS } from './again';
import { undoAddress } from './undo-address';
import { CurrentPage, received, type Asked, type PageNow, type PageRevision, type Sent } from './current-page';

/** What is shown of the brief, and who asks how it is now. */
interface Current {
  page: CurrentPage;
  /** Settles when what is shown is as it was when this was called, or later. */
  refreshed: () => Promise<void>;
}
const Context = createContext<Current | null>(null);
const NEVER = () => () => undefined;

/** Asks the server how the page of a brief is now. Throws where it does not answer. */
async function askOf(briefId: string, { page, shell }: Asked): Promise<PageNow> {
  const [station, search] = (page?.address ?? 'none').split('?');
  const query = new URLSearchParams(search);
  query.set('shell', shell);
  if (page) query.set('page', page.of);
  const response = await fetch(`/briefs/${briefId}/now/${station}?${query}`, { cache: 'no-store' });
  if (!response.ok) throw new Error(`the page answers ${response.status}`);
  const now = (await response.json()) as PageNow;
  cameAlong(undoAddress(briefId, now.revision), now.undo);
  return now;
}

/** What stands round the pages of a brief, as it is now, with its revision. */
export function useCurrentBrief<T>(
  briefId: string,
  sent: Sent<T>,
  revision: PageRevision,
): { shell: T; revision: PageRevision; current: Current } {
  const made = useMemo(() => received(sent), [sent]);
  const [page] = useState(() => new CurrentPage(made, revision, (asked) => askOf(briefId, asked)));
  const router = useRouter();
  const hasGoneOn = useRef(false);
  const missed = useRef(false);
  const refreshed = useCallback(async (): Promise<void> => {
    hasGoneOn.current = true;
    missed.current = await page.now().then(
      () => false,
      () => true,
    );
  }, [page]);
  useEffect(() => {
    const again = setInterval(() => missed.current && void refreshed(), AGAIN_MS);
    return () => {
      clearInterval(again);
      // Pages outside of the brief, and those that the browser kept, show it as it was.
      if (hasGoneOn.current) router.refresh();
    };
  }, [refreshed, router]);
  useEffect(() => page.surround(made, revision), [page, made, revision]);
  const shell = useSyncExternalStore(
    page.watch,
    () => page.shown(made),
    () => made.data,
  );
  const known = useSyncExternalStore(
    page.watch,
    () => page.revisionOf(made),
    () => null,
  );
  const current = useMemo(() => ({ page, refreshed }), [page, refreshed]);
  return { shell: useShared(shell), revision: known ?? revision, current };
}

export const CurrentProvider = ({ current, children }: { current: Current; children: ReactNode }): ReactNode => (
  <Context.Provider value={current}>{children}</Context.Provider>
);

/** Brings what is shown of the brief up to now. */
export function useRefreshed(): () => Promise<void> {
  const current = useContext(Context);
  if (!current) throw new Error('useRefreshed needs a CurrentProvider above it');
  return current.refreshed;
}

/** What a station shows: as its page came, and as it is after each act; what did not change stays the very object. */
export function useCurrent<T>(sent: Sent<T>): T {
  const current = useContext(Context);
  const made = useMemo(() => received(sent), [sent]);
  const address = `${usePathname().split('/')[3] ?? ''}?${useSearchParams()}`;
  const data = useSyncExternalStore(
    current?.page.watch ?? NEVER,
    () => current?.page.shown(made) ?? made.data,
    () => made.data,
  );
  useEffect(() => {
    // What the browser kept of an earlier visit may be older than what stands round it.
    if (current?.page.open(address, made)) void current.refreshed();
  }, [current, made, address]);
  return useShared(data);
}
