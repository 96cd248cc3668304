import type { Helper } from './helpers';

interface Answer<T> {
  job: number;
  piece?: Uint8Array;
  value?: T;
  says?: string;
}

type Hear = (piece: Uint8Array) => void;
interface Waiting<T> {
  resolve: (value: T) => void;
  reject: (error: Error) => void;
  hear: Hear;
}

/** A thread that nobody asks for so long gives its memory back; starting it again takes a second. */
const IDLE_MS = 30_000;

/** A thread of a web process that does one job after the other: starting it costs more than most jobs do. */
export class ServerThread<Job, T> {
  private worker: Helper | null = null;
  private readonly waiting = new Map<number, Waiting<T>>();
  private next = 1;
  private idle: NodeJS.Timeout | undefined;
  /** Jobs that it has not answered, also those that nobody waits for any more. */
  busy = 0;

  constructor(private readonly make: () => Helper) {}

  /** Has the thread do a job; `hear` gets its pieces. A stopped request leaves it to finish and forgets the result. */
  ask(what: Job, signal?: AbortSignal, hear: Hear = () => undefined): Promise<T> {
    this.worker ??= this.started();
    clearTimeout(this.idle);
    this.busy += 1;
    const { worker } = this;
    const job = this.next;
    this.next += 1;
    return new Promise((resolve, reject) => {
      signal?.addEventListener('abort', () => {
        this.waiting.delete(job);
        reject(new Error('stopped'));
      });
      this.waiting.set(job, { resolve, reject, hear });
      worker.postMessage({ job, what });
    });
  }

  private started(): Helper {
    const worker = this.make();
    const failAll = (error: Error) => {
      // One that was let go already has been replaced, or has nothing to do.
      if (this.worker !== worker) return;
      this.busy = 0;
      for (const { reject } of this.waiting.values()) reject(error);
      this.waiting.clear();
      this.worker = null;
    };
    worker.on('message', ({ job, piece, value, says }: Answer<T>) => {
      const waiting = this.waiting.get(job);
      if (piece) return waiting?.hear(piece);
      this.busy -= 1;
      if (this.busy === 0) this.rest(worker);
      this.waiting.delete(job);
      if (says === undefined) waiting?.resolve(value as T);
      else waiting?.reject(new Error(says));
    });
    worker.on('error', failAll);
    worker.on('exit', () => failAll(new Error('the thread ended')));
    worker.unref();
    return worker;
  }

  private rest(worker: Helper) {
    this.idle = setTimeout(() => {
      this.worker = null;
      void worker.terminate();
    }, IDLE_MS).unref();
  }
}
