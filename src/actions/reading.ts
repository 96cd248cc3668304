import { Worker } from 'node:worker_threads';
import { readTableJob, type TableJob, type TableOf } from '@/core/interchange/table-job';
import { ServerThread } from '@/workers/server-thread';

const thread = new ServerThread<TableJob, TableOf<TableJob>>(
  () => new Worker(new URL('../workers/reading.worker.ts', import.meta.url)),
);

/** What is longer takes longer to read than to send to the thread. */
const AT_ONCE = 200_000;

/** Reads a table without keeping anybody else waiting. */
export async function read<J extends TableJob>(job: J): Promise<TableOf<J>> {
  return (job.text.length <= AT_ONCE ? readTableJob(job) : await thread.ask(job)) as TableOf<J>;
}
