import { priceIn } from '../../../catalogue/product-amount.ts';
import { selects } from '../../../catalogue/goods-selection.ts';
import { formatMoney } from '../../../money/format.ts';
import { exampleCart, somewhereIn } from '../../example-cart.ts';
import type { FindingKind } from '../../kind.ts';

/** A goal that any single piece of what counts reaches, so that it asks for nothing. A goal of 0 asks for nothing on purpose. */
export const goalUnderCheapest: FindingKind = {
  kind: 'goalUnderCheapest',
  called: 'goals under the cheapest product',
  stop: 'offers',
  find: ({ compiled, catalogue, locale }) =>
    [...compiled.markets.values()].flatMap((market) => {
      const { terms } = market;
      const [zone] = market.zones.filter(({ offers }) => offers.length > 0);
      const priced = [...catalogue.values()].flatMap((product) => {
        const price = priceIn(product, terms);
        return price !== undefined && product.countsTowardGoals ? [{ product, price }] : [];
      });
      return (zone?.offers ?? []).flatMap((offer) => {
        const [goal] = offer.goals;
        const { goods, kind, basis } = goal!.counts;
        const target = goal!.target;
        if (kind !== 'value' || basis.convertsTax || target === null || target === 0) return [];
        const counting = priced.filter(({ product, price }) => !goods || selects(goods, product, price));
        if (counting.length === 0) return [];
        const cheapest = counting.reduce((least, one) => (one.price < least.price ? one : least));
        if (cheapest.price < target) return [];
        const { currency, name } = market.market;
        const money = (minor: number) => formatMoney(minor, currency, locale);
        const there = somewhereIn(compiled, zone!);
        return [
          {
            severity: 'remark',
            at: `/offers/${offer.id}/goals/${goal!.id}/targets/${market.id}`,
            marketId: market.id,
            sentence: `In “${name}” the goal of “${offer.offer.name}” is ${money(target)}, and the cheapest that counts costs ${money(cheapest.price)}: every order reaches it.`,
            example:
              there &&
              exampleCart(market, there, {
                name: 'The cheapest',
                lines: [{ product: cheapest.product, quantity: 1 }],
              }),
            remedy: null,
          },
        ];
      });
    }),
};
