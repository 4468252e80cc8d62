import { inOrder } from '../../core/ordered.ts';
import type { Policy } from '../../core/policy/types.ts';
import { trail } from './trail.ts';

export interface Command {
  group: string;
  name: string;
  hint?: string;
  run: () => void;
}

/** Everything the palette reaches: stops, markets, offers, options, test carts, actions. */
export function commandsOf(policy: Policy, actions: Command[]): Command[] {
  const go = (address: string) => () => window.location.assign(address);
  const marketOfOption = (zone: string) => policy.zones[zone]?.market ?? '';
  return [
    ...actions,
    ...trail.map((stop) => ({
      group: 'Stops',
      name: stop.name,
      ...(stop.built ? {} : { hint: 'not built yet' }),
      run: go(`/${stop.id}`),
    })),
    { group: 'Do', name: 'Import orders', run: go('/orders?import=orders') },
    { group: 'Do', name: 'Import products', run: go('/orders?import=products') },
    { group: 'Do', name: 'Texts for translators', run: go('/wording?view=languages') },
    { group: 'Do', name: 'Look of strip and bar', run: go('/wording?view=look') },
    ...inOrder(policy.markets).flatMap(([id, market]) => [
      { group: 'Markets', name: market.name, hint: market.currency, run: go(`/markets?market=${id}`) },
      { group: 'Markets', name: `Offers in ${market.name}`, hint: market.currency, run: go(`/offers?market=${id}`) },
      { group: 'Markets', name: `Orders in ${market.name}`, hint: market.currency, run: go(`/orders?market=${id}`) },
    ]),
    ...inOrder(policy.zones).map(([id, zone]) => ({
      group: 'Zones',
      name: zone.name,
      hint: policy.markets[zone.market]?.name ?? '',
      run: go(`/markets?market=${zone.market}&zone=${id}`),
    })),
    ...inOrder(policy.offers).map(([id, offer]) => ({
      group: 'Offers',
      name: offer.name,
      ...(offer.archived ? { hint: 'archived' } : {}),
      run: go(`/offers?offer=${id}`),
    })),
    ...inOrder(policy.offers)
      .filter(([, { archived }]) => !archived)
      .map(([id, offer]) => ({ group: 'Offers', name: `Wording of ${offer.name}`, run: go(`/wording?offer=${id}`) })),
    ...inOrder(policy.options).map(([id, option]) => {
      const market = marketOfOption(option.zone);
      return {
        group: 'Delivery options',
        name: option.name,
        hint: policy.markets[market]?.name ?? '',
        run: go(`/delivery?market=${market}&option=${id}`),
      };
    }),
    ...inOrder(policy.testCarts).map(([id, cart]) => ({
      group: 'Test carts',
      name: cart.name,
      run: go(`/rehearse?cart=${id}`),
    })),
  ];
}
