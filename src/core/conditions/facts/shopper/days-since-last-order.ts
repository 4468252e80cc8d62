import { localTime } from '../../../time/time-zone-clock.ts';
import type { Facts } from '../../asked.ts';
import { numberFact } from '../../forms/number.ts';

/** Days between two dates on the store's clock, however long they are; undefined when there was no order. */
function daysSince({ shopper: { lastOrderAt }, cart, instant: now }: Facts): number | undefined {
  if (lastOrderAt === undefined) return undefined;
  const zone = cart.terms.clocks.store;
  return Math.max(0, localTime(zone, now).day - localTime(zone, Date.parse(lastOrderAt)).day);
}

export const daysSinceLastOrder = numberFact('shopper.daysSinceLastOrder', {
  about: 'The shopper',
  name: 'last ordered some days ago',
  also: 'win back returning lapsed absent recency',
  called: 'the time since the shopper’s last order',
  said: ' days',
  unit: 'days',
  of: daysSince,
  usual: 90,
});
