import { Worker } from 'node:worker_threads';
import type { PaperJob } from './render';

interface Answer {
  job: number;
  bytes?: Uint8Array;
  says?: string;
}

interface PdfThread {
  worker: Worker;
  waiting: Map<number, { resolve: (bytes: Uint8Array) => void; reject: (error: Error) => void }>;
  next: number;
}

const held = globalThis as unknown as { buildBriefPdf?: PdfThread };

/** One thread for the life of the process: starting it costs more than a page does. */
function thread(): PdfThread {
  if (held.buildBriefPdf) return held.buildBriefPdf;
  const worker = new Worker(new URL('../workers/brief-pdf.worker.ts', import.meta.url));
  const made: PdfThread = { worker, waiting: new Map(), next: 1 };
  const failAll = (error: Error) => {
    for (const { reject } of made.waiting.values()) reject(error);
    held.buildBriefPdf = undefined;
  };
  worker.on('message', ({ job, bytes, says }: Answer) => {
    const waiting = made.waiting.get(job);
    made.waiting.delete(job);
    if (bytes) waiting?.resolve(bytes);
    else waiting?.reject(new Error(says ?? 'the PDF could not be made'));
  });
  worker.on('error', failAll);
  worker.on('exit', () => failAll(new Error('the PDF thread ended')));
  worker.unref();
  held.buildBriefPdf = made;
  return made;
}

/** Has the thread make the PDF. A stopped request leaves the thread to finish and forgets the result. */
export function makePdf(paper: PaperJob, signal: AbortSignal): Promise<Uint8Array> {
  const own = thread();
  const { worker, waiting } = own;
  const job = own.next;
  own.next += 1;
  return new Promise((resolve, reject) => {
    signal.addEventListener('abort', () => {
      waiting.delete(job);
      reject(new Error('stopped'));
    });
    waiting.set(job, { resolve, reject });
    worker.postMessage({ job, paper });
  });
}
