import { parentPort } from 'node:worker_threads';

/**
 * The other end of a ServerThread: does what comes, one after the other, and says how it went. What comes in pieces is sent piece by piece, before
 * the answer.
 */
export function answerJobs<Job, T>(work: (what: Job, send: (piece: Uint8Array) => void) => T | Promise<T>): void {
  let before: Promise<unknown> = Promise.resolve();
  parentPort?.on('message', ({ job, what }: { job: number; what: Job }) => {
    const send = (piece: Uint8Array) => parentPort!.postMessage({ job, piece });
    before = before
      .then(() => work(what, send))
      .then(
        (value) => parentPort!.postMessage({ job, value }),
        (error: Error) => parentPort!.postMessage({ job, says: error.message }),
      );
  });
}
