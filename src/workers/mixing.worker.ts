import { expose } from 'comlink';
import { searchMixtures } from '@/core/match/mix/mix-question';

expose({ searchMixtures });
