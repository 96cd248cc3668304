import { expose } from 'comlink';
import { compareOrders } from '@/core/markings/compare-orders';

expose({ compareOrders });
