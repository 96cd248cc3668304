import { Worker } from 'node:worker_threads';
import { ServerThread } from '@/workers/server-thread';
import type { PaperJob } from './render';

const thread = new ServerThread<PaperJob, Uint8Array>(
  () => new Worker(new URL('./brief-pdf.worker.ts', import.meta.url)),
);

/** Has the thread make the PDF. A stopped request leaves the thread to finish and forgets the result. */
export const makePdf = (paper: PaperJob, signal: AbortSignal): Promise<Uint8Array> => thread.ask(paper, signal);
