import { readTableJob } from '@/core/interchange/table-job';
import { answerJobs } from './answer-jobs';

// Reads one table after the other, off the thread that answers requests.
answerJobs(readTableJob);
