import type { z } from 'zod';
import { readCatalogue, type CatalogueRead } from './catalogue-csv';
import type { Reading } from './columns';
import { readStandard, type StandardRead, type systemAsked } from './standard-csv';

/** A table to read, as plain data: large ones are read by a thread of their own. */
export type TableJob =
  | { table: 'catalogue'; text: string; reading: Reading | null }
  | { table: 'standard'; text: string; system: z.infer<typeof systemAsked>; reading: Reading | null };
export type TableOf<J extends TableJob> = J extends { table: 'catalogue' } ? CatalogueRead : StandardRead;

export const readTableJob = (job: TableJob): CatalogueRead | StandardRead =>
  job.table === 'catalogue' ? readCatalogue(job.text, job.reading) : readStandard(job.text, job.system, job.reading);
