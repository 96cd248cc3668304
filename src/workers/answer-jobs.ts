import { parentPort } from 'node:worker_threads';

interface Port {
  post: (message: object) => void;
  hear: (listener: (message: unknown) => void) => void;
}

/** Whoever asks: the thread that started this one, or the process. */
function port(): Port | null {
  if (parentPort) {
    const thread = parentPort;
    return { post: (message) => thread.postMessage(message), hear: (listener) => thread.on('message', listener) };
  }
  if (!process.send) return null;
  // Nobody is left to answer.
  process.on('disconnect', () => process.exit(0));
  return { post: (message) => void process.send!(message), hear: (listener) => process.on('message', listener) };
}

/**
 * The other end of a ServerThread: does what comes, one after the other, and says how it went. What comes in pieces is sent piece by piece, before
 * the answer.
 */
export function answerJobs<Job, T>(work: (what: Job, send: (piece: Uint8Array) => void) => T | Promise<T>): void {
  const asker = port();
  let before: Promise<unknown> = Promise.resolve();
  asker?.hear((message) => {
    const { job, what } = message as { job: number; what: Job };
    const send = (piece: Uint8Array) => asker.post({ job, piece });
    before = before
      .then(() => work(what, send))
      .then(
        (value) => asker.post({ job, value }),
        (error: Error) => asker.post({ job, says: error.message }),
      );
  });
}
