import { expose } from 'comlink';
import { searchTogether } from '@/core/brief/together';

expose({ searchTogether });
