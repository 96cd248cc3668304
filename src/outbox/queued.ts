import type { ActAnswer, ActData } from '@/core/kept/act';

/** Acts made on a device while the server is away: kept in their order, sent once each, in that order. */

export interface QueuedAct {
  /** Its place in the order in which it was done on this device. */
  place: number;
  act: ActData;
  /** Pictures that it refers to and that the server does not have yet, by the hash that they will be kept under. */
  pictures: string[];
}

/** What became of a queued act once the server was there again. */
export type Replayed =
  | { state: 'done'; answer: ActAnswer }
  /** The row was changed or removed elsewhere: both values are shown, and one is chosen. */
  | { state: 'conflict'; entity: string; id: string; theirs: Record<string, unknown> | null }
  | { state: 'refused'; says: string[] };

/** A queue: what waits, and what needs the builder's word before the rest may follow. */
export interface Outbox {
  waiting: QueuedAct[];
  halted: { act: QueuedAct; replayed: Exclude<Replayed, { state: 'done' }> } | null;
}
