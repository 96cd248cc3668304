import { expose } from 'comlink';
import { searchMixtures } from '@/stations/colours/mixing/search';

expose({ searchMixtures });
