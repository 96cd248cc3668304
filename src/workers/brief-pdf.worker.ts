import { renderPaper } from '@/paper/render';
import { answerJobs } from './answer-jobs';

// Sets the pages of one paper after the other, off the thread that answers requests.
answerJobs(renderPaper);
