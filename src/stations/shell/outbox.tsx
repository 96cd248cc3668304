'use client';

import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { Stamp } from '@/core/kept/act';
import type { BenchAct, Replayed } from '@/outbox/queued';
import type { OutboxDb, Post, Told, Waiting } from '@/outbox/store';
import { stampNow, useSaving } from '@/ui/saving';
import { AGAIN_MS } from './again';
import { useRefreshed } from './use-current';

/** Acts of the bench go through the outbox of this device: kept at once, sent when the server is there, each once. */
interface Outbox {
  waiting: readonly Waiting[];
  /** What was done at this brief on this device that the page does not show yet: it waits, or the server has it and the page is on its way. */
  unseen: readonly BenchAct[];
  /** What waits is known: before, nothing is done twice. */
  isKnown: boolean;
  /** What waits, read anew. */
  look: () => Promise<readonly Waiting[]>;
  /** The server did not answer the last time. */
  isAway: boolean;
  /** It answered, and does not know this device any more. */
  isUnpaired: boolean;
  /** Keeps an act and sends it; what it says is shown at once. */
  send: (make: (act: Stamp) => BenchAct, says: string, picture?: Blob | null) => Promise<void>;
  /** Keeps an act that is stamped already, and sends it. */
  keep: (act: BenchAct, picture: Blob | null) => Promise<void>;
  /** Takes back what was done here last at this brief, or the act that is named, where it is not told to the server; false where it is. */
  takeBack: (only?: string) => Promise<boolean>;
  /** Lets go of an act that met a conflict, or tries it once more. */
  letGo: (place: number) => Promise<void>;
  tryAgain: (place: number, withPicture?: boolean) => Promise<void>;
}

const Context = createContext<Outbox | null>(null);

export function useOutbox(): Outbox {
  const outbox = useContext(Context);
  if (!outbox) throw new Error('useOutbox needs an OutboxProvider above it');
  return outbox;
}

/** Answers by which a server says that it is busy or away, and that the same may come again. */
const LATER = new Set([408, 425, 429]);

/** What the server says; what stands before it, or a fault of its own, is no answer. A refusal without a form of ours is one in its words. */
async function answerOf<T>(response: Response, refused: (says: string) => T): Promise<T> {
  const isJson = (response.headers.get('content-type') ?? '').includes('json');
  if (response.status === 401) throw new (await import('@/outbox/store')).Unpaired();
  if (response.status >= 500 || LATER.has(response.status)) throw new Error('the server does not answer');
  if (response.status >= 400 && !isJson) return refused((await response.text()).slice(0, 300).trim());
  if (!isJson) throw new Error('something else answers');
  return (await response.json()) as T;
}

const post: Post = {
  picture: async (picture) => {
    const body = new FormData();
    body.set('picture', new File([picture], 'bench', { type: picture.type }));
    const response = await fetch('/pictures', { method: 'POST', body });
    const { id, says } = await answerOf<{ id?: string; says?: string }>(response, (text) => ({ says: text }));
    return id ? { id } : { refused: says ?? 'it is refused' };
  },
  act: async (act) => {
    const response = await fetch(`/outbox?brief=${act.briefId}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ sentAt: new Date().toISOString(), act }),
    });
    return answerOf<Replayed>(response, (says) => ({ state: 'refused', says }));
  },
};

/** Whether the server answers. */
const answers = (): Promise<boolean> =>
  fetch('/health', { cache: 'no-store' })
    // An answer that nobody reads holds its line.
    .then(async (response) => (await response.text(), response.ok))
    .catch(() => false);

interface Props {
  briefId: string;
  /** Of the brief that the page shows. */
  revision: number;
  children: ReactNode;
}

export function OutboxProvider({ briefId, revision, children }: Props): ReactNode {
  const refreshed = useRefreshed();
  const { tell } = useSaving();
  const db = useRef<Promise<OutboxDb> | null>(null);
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  /** What the server has, with the revision of the brief that shows it first. */
  const [told, setTold] = useState<readonly Told[]>([]);
  const [isAway, setAway] = useState(false);
  const missed = useRef(false);
  useEffect(() => void (missed.current = isAway), [isAway]);
  const [isUnpaired, setUnpaired] = useState(false);
  const [isKnown, setKnown] = useState(false);
  /** The library of the store is loaded when it is first wanted. */
  const opened = useCallback(async () => {
    const store = await import('@/outbox/store');
    db.current ??= store.openOutbox();
    return { store, db: await db.current };
  }, []);
  const look = useCallback(async () => {
    const { store, db: open } = await opened();
    const found = await store.waiting(open);
    setTold(await store.toldLately(open));
    setWaiting(found);
    setKnown(true);
    return found;
  }, [opened]);

  const sendAll = useCallback(async () => {
    const { store, db: open } = await opened();
    // Two tabs of one device take turns, so that no act is sent twice at a time.
    const sent = await navigator.locks.request('build-brief outbox', () =>
      store.drain(open, post, async (act, revisionThen) => {
        if (revisionThen !== null) await store.remember(open, { act, revision: revisionThen, at: Date.now() });
      }),
    );
    setAway(sent.isAway);
    setUnpaired(sent.isUnpaired);
    if (sent.done > 0) void refreshed();
    return look();
  }, [opened, look, refreshed]);

  useEffect(() => {
    let stopped = false;
    const again = async () => {
      const found = await look().catch(() => []);
      if (stopped) return;
      if (found.some(({ halted }) => !halted)) await sendAll().catch(() => setAway(true));
      else if (missed.current) setAway(!(await answers()));
    };
    void again();
    const timer = setInterval(() => void again(), AGAIN_MS);
    const online = () => void again();
    const offline = () => setAway(true);
    // A page that was kept on this device comes without the server: only asking tells.
    void answers().then((there) => !stopped && setAway(!there));
    window.addEventListener('online', online);
    window.addEventListener('offline', offline);
    return () => {
      stopped = true;
      clearInterval(timer);
      window.removeEventListener('online', online);
      window.removeEventListener('offline', offline);
    };
  }, [look, sendAll]);

  const keep = useCallback(
    async (act: BenchAct, picture: Blob | null, says?: string) => {
      const { store, db: open } = await opened();
      await store.enqueue(open, act, picture);
      await look();
      if (says) tell(says, { act: act.act.id });
      await sendAll().catch(() => setAway(true));
    },
    [opened, look, tell, sendAll],
  );

  const unseen = useMemo(() => {
    const here = new Map(waiting.map(({ act }) => [act.act.id, act]));
    // For a moment an act is known as told and still read as waiting.
    const onItsWay = told.filter((one) => one.revision > revision && !here.has(one.act.act.id)).map(({ act }) => act);
    return [...onItsWay, ...here.values()].filter((act) => act.briefId === briefId);
  }, [told, waiting, briefId, revision]);
  const outbox = useMemo<Outbox>(
    () => ({
      waiting,
      unseen,
      isKnown,
      look,
      isAway,
      isUnpaired,
      send: (make, says, picture = null) => keep(make(stampNow()), picture, says),
      keep,
      takeBack: async (only) => {
        const left = await sendAll().catch(() => look());
        const { store, db: open } = await opened();
        const last = left.findLast(
          ({ act, halted }) => !halted && act.briefId === briefId && (!only || act.act.id === only),
        );
        if (!last) {
          // The server takes it back now: it is not to be shown any more.
          await store.untell(open, briefId, only);
          await look();
          return false;
        }
        await store.forget(open, last.place);
        await look();
        return true;
      },
      letGo: async (place) => {
        const { store, db: open } = await opened();
        await store.forget(open, place);
        await look();
        void refreshed();
      },
      tryAgain: async (place, withPicture) => {
        const { store, db: open } = await opened();
        await store.retry(open, place, withPicture);
        await sendAll().catch(() => setAway(true));
      },
    }),
    [briefId, waiting, unseen, isKnown, isAway, isUnpaired, opened, look, sendAll, keep, refreshed],
  );
  return <Context.Provider value={outbox}>{children}</Context.Provider>;
}
