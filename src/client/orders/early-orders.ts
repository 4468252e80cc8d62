import { filterOf } from './order-query.ts';
import { ordersClient } from './orders-client.ts';

// Runs with the page, before its view is alive: the worker starts, reads the market that the page names and looks through it
// meanwhile. The view finds it on the window, since a page's own script shares no module with it.
const market = document.querySelector('[data-orders-market]')?.getAttribute('data-orders-market');
const client = ordersClient();
if (market)
  client.lookAhead(market, (bounds) =>
    filterOf(Object.fromEntries(new URLSearchParams(window.location.search)), bounds),
  );
