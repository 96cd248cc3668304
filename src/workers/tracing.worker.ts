import { expose } from 'comlink';
import { traceArtwork } from '@/core/markings/traced';

expose({ traceArtwork });
