import type { CompiledOffer } from '../offers/compile-offer.ts';
import type { CompiledMarket } from './compile.ts';

/** Offers that can meet on one option in a market, as names in order of priority. */
export interface Together {
  /** those that combine, applied in this order */
  combining: string[];
  /** those that stand alone: the lowest price wins, equal prices go to the first */
  alone: string[];
}

/** What an offer meets in a market: offers whose times overlap and which reward an option that it rewards too; itself included. */
export function togetherIn(market: CompiledMarket, offerId: string): Together {
  const met = new Map<string, CompiledOffer>();
  for (const zone of market.zones) {
    const own = zone.offers.find(({ id }) => id === offerId);
    if (!own) continue;
    const options = optionsOf(own);
    for (const other of zone.offers) {
      const overlaps = other.span.from < own.span.until && own.span.from < other.span.until;
      if (other === own || (overlaps && [...optionsOf(other)].some((option) => options.has(option))))
        met.set(other.id, other);
    }
  }
  const ranked = [...met.values()].sort((a, b) => b.offer.priority - a.offer.priority || a.offer.order - b.offer.order);
  const names = (combines: boolean) =>
    ranked.filter(({ offer }) => offer.combines === combines).map(({ offer }) => offer.name);
  return { combining: names(true), alone: names(false) };
}

const optionsOf = ({ goals }: CompiledOffer): ReadonlySet<string> =>
  new Set(goals.flatMap(({ options }) => [...options]));
