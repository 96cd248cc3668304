import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { BenchAct, Replayed } from './queued';

/** What waits on this device, in IndexedDB: acts in their order, and the pictures that go before them. */

export interface Waiting {
  /** Its place in the order in which it was done on this device. */
  place: number;
  act: BenchAct;
  /** A picture that the server does not have yet. */
  picture: Blob | null;
  /** Why it could not be done; null while it only waits. */
  halted: Exclude<Replayed, { state: 'done' }> | null;
}

/** What the server has taken, with the revision of the brief that shows it first: a page that was kept earlier does not show it. */
export interface Told {
  act: BenchAct;
  revision: number;
  /** When it was told, ms. */
  at: number;
}

interface Schema extends DBSchema {
  acts: { key: number; value: Waiting };
  told: { key: string; value: Told & { id: string } };
}

export type OutboxDb = IDBPDatabase<Schema>;

export const openOutbox = (name = 'build-brief'): Promise<OutboxDb> =>
  openDB<Schema>(name, 2, {
    upgrade(db, from) {
      if (from < 1) db.createObjectStore('acts', { keyPath: 'place', autoIncrement: true });
      if (from < 2) db.createObjectStore('told', { keyPath: 'id' });
    },
  });

/** Puts an act at the end of the queue; it is safe from then on. */
export async function enqueue(db: OutboxDb, act: BenchAct, picture: Blob | null): Promise<void> {
  // The place is given by the store.
  await db.add('acts', { act, picture, halted: null } as Waiting);
}

/** Everything that waits, in order. */
export const waiting = (db: OutboxDb): Promise<Waiting[]> => db.getAll('acts');

export const forget = (db: OutboxDb, place: number): Promise<void> => db.delete('acts', place);

/** A page that is kept on this device is newer than this, ms. */
const TOLD_FOR_MS = 2 * 24 * 3600 * 1000;

/** Remembers an act that the server has taken; what is older than any kept page is forgotten. */
export async function remember(db: OutboxDb, { act, revision, at }: Told): Promise<void> {
  const store = db.transaction('told', 'readwrite').store;
  await store.put({ id: act.act.id, act, revision, at });
  for (const old of await store.getAll()) if (old.at < at - TOLD_FOR_MS) await store.delete(old.id);
}

/** What the server has taken lately, in the order in which it was told. */
export const toldLately = async (db: OutboxDb): Promise<Told[]> =>
  (await db.getAll('told')).sort((a, b) => a.at - b.at).map(({ act, revision, at }) => ({ act, revision, at }));

/** An act that is taken back is not to be shown any more: the one that is named, else all of a brief. */
export async function untell(db: OutboxDb, briefId: string, only?: string): Promise<void> {
  const store = db.transaction('told', 'readwrite').store;
  for (const { id, act } of await store.getAll())
    if (act.briefId === briefId && (!only || id === only)) await store.delete(id);
}

/** Lets a halted act be tried once more; without its picture, where that is what was refused. */
export async function retry(db: OutboxDb, place: number, withPicture = true): Promise<void> {
  const known = await db.get('acts', place);
  if (known) await db.put('acts', { ...known, picture: withPicture ? known.picture : null, halted: null });
}

/** The server answers, and does not know this device any more: nothing goes there before it is paired again. */
export class Unpaired extends Error {}

/** How acts and pictures reach the server; both throw where it does not answer, and Unpaired where it does not know this device. */
export interface Post {
  /** The name that the picture has there, or what is wrong with it. */
  picture: (picture: Blob) => Promise<{ id: string } | { refused: string }>;
  act: (act: BenchAct) => Promise<Replayed>;
}

export interface Drained {
  done: number;
  /** Something is left that could not be sent. */
  isAway: boolean;
  isUnpaired: boolean;
}

/**
 * Sends what waits, one after the other in its order. An act that was done leaves the queue; one that met a conflict or was refused is
 * halted and stays until the builder says what becomes of it, while the others go on. Ends where the server does not answer, or does not
 * know this device: all that waits is kept.
 * Answers with how many were done; `onDone` hears of each before it leaves the queue.
 */
export async function drain(
  db: OutboxDb,
  post: Post,
  onDone: (act: BenchAct, revision: number | null) => void | Promise<void> = () => undefined,
): Promise<Drained> {
  let done = 0;
  for (const item of await waiting(db)) {
    if (item.halted) continue;
    try {
      const act = await withPicture(db, item, post);
      if ('refused' in act) {
        await db.put('acts', { ...item, halted: { state: 'refused', says: `its picture: ${act.refused}` } });
        continue;
      }
      const replayed = await post.act(act);
      if (replayed.state === 'done') {
        await onDone(act, replayed.revision);
        await forget(db, item.place);
        done += 1;
      } else await db.put('acts', { ...item, act, picture: null, halted: replayed });
    } catch (error) {
      return { done, isAway: true, isUnpaired: error instanceof Unpaired };
    }
  }
  return { done, isAway: false, isUnpaired: false };
}

/** The act with its picture sent; once sent, it is remembered, so that a lost answer sends no picture twice. */
async function withPicture(db: OutboxDb, item: Waiting, post: Post): Promise<BenchAct | { refused: string }> {
  const { act, picture } = item;
  if (!('pictureId' in act) || !picture) return act;
  const taken = await post.picture(picture);
  if ('refused' in taken) return taken;
  const sent = { ...act, pictureId: taken.id };
  await db.put('acts', { ...item, act: sent, picture: null });
  return sent;
}
