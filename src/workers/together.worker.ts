import { expose } from 'comlink';
import { searchTogether } from '@/core/workshop/together';

expose({ searchTogether });
