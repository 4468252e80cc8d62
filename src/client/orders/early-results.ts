import { ordersClient } from './orders-client.ts';

// Runs with the page, before its view is alive: the worker starts, and reads of which days orders are known.
const named = document.querySelector<HTMLElement>('[data-orders-market]')?.dataset;
if (named?.ordersMarket)
  ordersClient().expectResults(named.ordersMarket, (named.ordersBeside ?? '').split(' ').filter(Boolean));
