import { expose } from 'comlink';
import { rankCodes } from '@/stations/evidence/picture/rank-codes';

expose({ rankCodes });
