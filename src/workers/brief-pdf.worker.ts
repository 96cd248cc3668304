import { parentPort } from 'node:worker_threads';
import { renderBriefPdf } from '@/stations/brief/pdf/render';
import type { PdfFacts } from '@/stations/brief/pdf/pdf-facts';

// Sets the pages of one brief after the other, off the thread that answers requests.
parentPort?.on('message', ({ job, facts }: { job: number; facts: PdfFacts }) => {
  renderBriefPdf(facts).then(
    (bytes) => parentPort!.postMessage({ job, bytes }),
    (error: Error) => parentPort!.postMessage({ job, says: error.message }),
  );
});
