import { answerJobs } from '@/workers/answer-jobs';
import { renderPaper } from './render';

// Sets the pages of one paper after the other, off the thread that answers requests.
answerJobs(renderPaper);
