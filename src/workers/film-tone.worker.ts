import { expose } from 'comlink';
import { rankCodes } from '@/core/evidence/picture/rank-codes';

expose({ rankCodes });
