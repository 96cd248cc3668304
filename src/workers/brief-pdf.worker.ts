import { parentPort } from 'node:worker_threads';
import { renderPaper, type PaperJob } from '@/paper/render';

// Sets the pages of one paper after the other, off the thread that answers requests.
parentPort?.on('message', ({ job, paper }: { job: number; paper: PaperJob }) => {
  renderPaper(paper).then(
    (bytes) => parentPort!.postMessage({ job, bytes }),
    (error: Error) => parentPort!.postMessage({ job, says: error.message }),
  );
});
