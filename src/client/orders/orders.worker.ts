import { expose } from 'comlink';
import { HeldOrders } from './held-orders.ts';

expose(new HeldOrders());
