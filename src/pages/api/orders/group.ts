import type { APIRoute } from 'astro';
import { studyBaskets } from '../../../core/orders/baskets.ts';
import { instantOfClock } from '../../../core/time/zone-clock.ts';
import { answering, json } from '../../../server/http/problem.ts';
import { readQuery } from '../../../server/http/read-request.ts';
import { basketsOf, mostBaskets, validateGroupAddress } from '../../../server/orders/group-store.ts';
import { marketAsked } from '../../../server/orders/market-query.ts';

/** What orders in a stretch of values hold: `?market=ID&fromValue=&toValue=&fromDay=&toDay=`, and shopper, option, delivery. */
export const GET: APIRoute = ({ url }) =>
  answering(async () => {
    const {
      fromValue,
      toValue,
      fromDay,
      toDay,
      shopper = 'all',
      option = null,
      delivery = 'all',
    } = readQuery(url, validateGroupAddress);
    const { id, currency, policy } = await marketAsked(url);
    const at = (day: string) => instantOfClock(policy.store.timeZone, Number(day), 0, 'earlier');
    const baskets = await basketsOf({
      marketId: id,
      currency,
      fromValue: Number(fromValue),
      toValue: Number(toValue),
      from: at(fromDay),
      until: at(toDay),
      shopper,
      option,
      delivery,
    });
    return json({ ...studyBaskets(baskets), mostBaskets });
  });
