import { answerJobs } from './answer-jobs';
import { encodePicture } from './picture-encoding';

// Makes pictures what the house keeps of them, one after the other, beside the web process.
answerJobs(encodePicture);
