import type { PoolClient } from 'pg';

/** Where a brief is looked at: one moment of the database, or the transaction of an act under way. */
export interface Sight {
  readonly client: PoolClient;
  readonly briefId: string;
  /** Within an act: what it reads of the shelf stays so until it is done. */
  holdShelf?(): Promise<void>;
}
