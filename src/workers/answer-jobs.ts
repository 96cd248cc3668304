import { parentPort } from 'node:worker_threads';

/** The other end of a ServerThread: does what comes, one after the other, and says how it went. */
export function answerJobs<Job, T>(work: (what: Job) => T | Promise<T>): void {
  parentPort?.on('message', ({ job, what }: { job: number; what: Job }) => {
    Promise.resolve()
      .then(() => work(what))
      .then(
        (value) => parentPort!.postMessage({ job, value }),
        (error: Error) => parentPort!.postMessage({ job, says: error.message }),
      );
  });
}
