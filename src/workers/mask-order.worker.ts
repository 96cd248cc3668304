import { expose } from 'comlink';
import { compareOrders } from '@/core/work/compare-orders';

expose({ compareOrders });
