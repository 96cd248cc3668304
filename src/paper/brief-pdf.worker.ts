import { answerJobs } from '@/workers/answer-jobs';
import { renderPaper, type PaperJob } from './render';

// Sets the pages of one paper after the other, off the thread that answers requests.
answerJobs(async (job: PaperJob, send) => {
  for await (const piece of await renderPaper(job)) send(piece);
  return null;
});
