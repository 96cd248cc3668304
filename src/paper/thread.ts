import { Worker } from 'node:worker_threads';
import { helperFor } from '@/workers/helpers';
import { ServerThread } from '@/workers/server-thread';
import type { PaperJob } from './render';

/** Two, so that a short paper does not wait for a long one; each ends where nobody wants paper for a while. */
const threads = [1, 2].map(
  () =>
    new ServerThread<PaperJob, null>(
      () => helperFor('paper') ?? new Worker(new URL('./brief-pdf.worker.ts', import.meta.url)),
    ),
);

/**
 * Has a thread make the PDF, and answers with its bytes as they come once all pages are laid out. A stopped request leaves the thread to finish and
 * forgets the result. Throws where the pages cannot be laid out.
 */
export function makePdf(paper: PaperJob, signal: AbortSignal): Promise<ReadableStream<Uint8Array>> {
  const thread = threads.reduce((a, b) => (b.busy < a.busy ? b : a));
  return new Promise((resolve, reject) => {
    let isRead = true;
    const bytes = new ReadableStream<Uint8Array>({
      start: (controller) => {
        const done = thread.ask(paper, signal, (piece) => {
          resolve(bytes);
          if (isRead) controller.enqueue(piece);
        });
        done.then(
          () => isRead && controller.close(),
          (error: Error) => {
            reject(error);
            if (isRead) controller.error(error);
          },
        );
      },
      cancel: () => {
        isRead = false;
      },
    });
  });
}
