import { expose } from 'comlink';
import { skinOf } from '@/core/skin/machine';

expose({ skinOf });
