import type { Worker } from 'node:worker_threads';

interface Answer<T> {
  job: number;
  value?: T;
  says?: string;
}

/** One thread for the life of a web process: starting it costs more than most jobs do. It does one job after the other. */
export class ServerThread<Job, T> {
  private worker: Worker | null = null;
  private readonly waiting = new Map<number, { resolve: (value: T) => void; reject: (error: Error) => void }>();
  private next = 1;

  constructor(private readonly make: () => Worker) {}

  /** Has the thread do a job. A stopped request leaves it to finish and forgets the result. */
  ask(what: Job, signal?: AbortSignal): Promise<T> {
    this.worker ??= this.started();
    const { worker } = this;
    const job = this.next;
    this.next += 1;
    return new Promise((resolve, reject) => {
      signal?.addEventListener('abort', () => {
        this.waiting.delete(job);
        reject(new Error('stopped'));
      });
      this.waiting.set(job, { resolve, reject });
      worker.postMessage({ job, what });
    });
  }

  private started(): Worker {
    const worker = this.make();
    const failAll = (error: Error) => {
      for (const { reject } of this.waiting.values()) reject(error);
      this.waiting.clear();
      this.worker = null;
    };
    worker.on('message', ({ job, value, says }: Answer<T>) => {
      const waiting = this.waiting.get(job);
      this.waiting.delete(job);
      if (says === undefined) waiting?.resolve(value as T);
      else waiting?.reject(new Error(says));
    });
    worker.on('error', failAll);
    worker.on('exit', () => failAll(new Error('the thread ended')));
    worker.unref();
    return worker;
  }
}
