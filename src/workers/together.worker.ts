import { expose } from 'comlink';
import { searchTogether } from '@/stations/colours/together/search';

expose({ searchTogether });
