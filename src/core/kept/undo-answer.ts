import type { Difference } from './act-words';
import type { RecordName } from './records';

export interface Undone {
  station: string;
  entity: RecordName;
  /** What it is called: "paint for C 417 chosen, Quoin 309". */
  title: string;
}

/** What `u` did: what it took back, and what stood in the way of taking back something later. */
export interface UndoAnswer {
  undone: Undone | null;
  /** Acts that others have built on, each named once. */
  passed: (Undone & { says: string })[];
}

/** What one press would take back, and what it would do again; null where there is nothing. */
export interface UndoState {
  back: string | null;
  again: string | null;
}

/** One act of the list: what it is called, when it was done (ISO text), and what it changed. */
export interface ListedAct {
  id: string;
  at: string;
  station: string;
  title: string;
  /** It stands, and is not taken back. */
  stands: boolean;
  /** The brief began with it: there is nothing before. */
  isFirst: boolean;
  changes: { title: string; differences: Difference[] }[];
  /** Changes beyond those that are shown. */
  more: number;
}
