import type { PoolClient } from 'pg';
import type { BriefState, ColourShelf } from '@/core/kept/state';

/** Where a brief is looked at: one moment of the database, or the transaction of an act under way. */
export interface Sight {
  readonly client: PoolClient;
  readonly briefId: string;
  /** All that is kept of the brief, within an act with what it wrote already; null where there is none. */
  brief(): Promise<BriefState | null>;
  /** The shelf; within an act what it reads of it stays so until it is done. */
  shelf(): Promise<ColourShelf>;
}
