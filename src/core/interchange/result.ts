import type { Turn } from '@/core/kept/turn';
import type { ChangedRow } from '@/core/kept/act';

/** What every write answers: done, refused with reasons by field, or changed elsewhere with what stands there now. */
export type Result<T = null> =
  | Done<T>
  | { ok: false; faults: Fault[] }
  | {
      ok: false;
      conflict: { entity: string; id: string; theirs: ({ version: number } & Record<string, unknown>) | null };
    };

/** Why something was refused, where, and what would be taken instead. */
export interface Fault {
  field: string;
  says: string;
  offers?: readonly string[];
}

/** Done: what it answers, and where the brief and the shelf stand after it. */
export interface Done<T> {
  ok: true;
  value: T;
  revision?: number | null;
  shelfRevision?: number;
  /** What it changed, as it stands now; null where that is too much to name. */
  rows?: ChangedRow[] | null;
  /** What it turned beside, where it could. */
  turned?: Turn[];
}
