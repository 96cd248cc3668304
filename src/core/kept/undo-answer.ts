import type { RecordName } from './records';

export interface Undone {
  station: string;
  entity: RecordName;
}

/** What `u` did: what it took back, and what stood in the way of taking back something later. */
export interface UndoAnswer {
  undone: Undone | null;
  /** Acts that others have built on, each named once. */
  passed: (Undone & { says: string })[];
}
