import { inOrder } from '../../core/ordered.ts';
import type { Policy } from '../../core/policy/types.ts';
import { stateName, textAddresses, textAt } from '../../core/wording/text-address.ts';
import { textHref } from '../page/text-href.ts';
import type { Command } from './command.ts';
import { trail } from './trail.ts';

const go = (address: string) => () => window.location.assign(address);

/** What people come to do, in their words. */
const tasks: readonly (readonly [name: string, address: string, also: string])[] = [
  ['Free delivery from an amount', '/offers', 'shipping threshold minimum order goal spend'],
  ['An offer with a code', '/offers#this-offer', 'coupon voucher discount promo'],
  ['An offer for some days', '/offers#this-offer', 'weekend sale season date schedule holiday hours'],
  ['An offer for first orders, members or groups', '/offers#shoppers', 'new customer loyalty vip business'],
  ['Prices for islands and highlands', '/markets#zones', 'postcode zip remote area surcharge region zone'],
  ['Sell in another country', '/markets', 'abroad export new market currency tax vat'],
  ['Local delivery around a shop', '/markets#zones', 'radius distance km miles near'],
  ['Price by weight, value or number of items', '/delivery', 'heavy bulky kg grams steps tiers volume'],
  ['Pick-up at a shop', '/delivery#pick-up-places', 'collect collection store opening hours'],
  ['Holidays, cut-off and working days', '/delivery#calendars', 'closed estimate dispatch christmas'],
  ['Products that always ship free or cost more', '/delivery#products', 'bulky oversized digital own delivery price'],
  ['Import orders', '/orders?import=orders', 'csv upload export history'],
  ['Import products', '/orders?import=products', 'csv upload catalogue sku weights'],
  ['What raising or lowering a goal would bring', '/orders#trial-goal', 'profit margin average order value worth it'],
  ['Texts for translators', '/wording?view=languages', 'language xliff csv translation'],
  ['Look of strip and bar', '/wording?view=look', 'colour design banner progress'],
  ['Try a cart', '/rehearse', 'test order preview checkout simulate why'],
  ['Hand the draft to the shop', '/release', 'publish go live release'],
  ['What the check-up finds', '/release#check-up', 'findings problems faults conflicts gaps wrong risky mistakes'],
  ['Orders charged otherwise than the rules say', '/results', 'wrong price disagreement reported shop'],
  ['Connections: keys for the shop', '/connections', 'api token access secret publishable signature'],
  ['Audit: who did what', '/audit', 'log history record sign-ins exports compliance trail'],
  ['Health: imports, receivers, feeds, carriers', '/health', 'status jobs outbox monitoring'],
  ['Who is told of releases', '/connections#receivers', 'call back notify hook cache clear outgoing'],
  ['Go back to an earlier release', '/release#earlier-releases', 'roll back revert restore undo'],
];

/** Everything the palette reaches: actions, tasks, stops, markets, zones, offers, options, test carts, texts. */
export function commandsOf(policy: Policy, actions: readonly Command[]): Command[] {
  const marketOfOption = (zone: string) => policy.zones[zone]?.market ?? '';
  return [
    ...actions,
    ...trail.map(({ id, name, also }) => ({
      group: 'Stops',
      name,
      also,
      value: go(`/${id}`),
    })),
    ...tasks.map(([name, address, also]) => ({ group: 'To do', name, also, value: go(address) })),
    ...inOrder(policy.markets).flatMap(([id, { name, currency, countries }]) => [
      { group: 'Markets', name, hint: currency, also: countries.join(' '), value: go(`/markets?market=${id}`) },
      { group: 'Markets', name: `Offers in ${name}`, hint: currency, value: go(`/offers?market=${id}`) },
      { group: 'Markets', name: `Delivery in ${name}`, hint: currency, value: go(`/delivery?market=${id}`) },
      { group: 'Markets', name: `Orders in ${name}`, hint: currency, value: go(`/orders?market=${id}`) },
    ]),
    ...inOrder(policy.zones).map(([id, zone]) => ({
      group: 'Zones',
      name: zone.name,
      hint: policy.markets[zone.market]?.name ?? '',
      value: go(`/markets?market=${zone.market}&zone=${id}`),
    })),
    ...inOrder(policy.offers).flatMap(([id, { name, archived, unlock }]) => [
      {
        group: 'Offers',
        name,
        ...(archived ? { hint: 'archived' } : {}),
        also: unlock.by === 'amount' ? 'free delivery' : 'code coupon',
        value: go(`/offers?offer=${id}`),
      },
      ...(archived
        ? []
        : [{ group: 'Offers', name: `Wording of ${name}`, also: 'text message', value: go(`/wording?offer=${id}`) }]),
    ]),
    ...inOrder(policy.options).map(([id, option]) => {
      const market = marketOfOption(option.zone);
      return {
        group: 'Delivery options',
        name: option.name,
        hint: policy.zones[option.zone]?.name ?? '',
        also: policy.markets[market]?.name ?? '',
        value: go(`/delivery?market=${market}&zone=${option.zone}&option=${id}`),
      };
    }),
    ...inOrder(policy.testCarts).map(([id, { name }]) => ({
      group: 'Test carts',
      name,
      value: go(`/rehearse?cart=${id}`),
    })),
    ...inOrder(policy.offers).flatMap(([offerId, offer]) =>
      textAddresses(policy, offerId).flatMap((address) => {
        const text = textAt(policy, address);
        if (text === undefined) return [];
        return [
          {
            group: 'What shoppers read',
            name: text,
            hint: `${offer.name}, ${stateName(address.state)}, ${address.language}`,
            value: go(textHref(address)),
          },
        ];
      }),
    ),
  ];
}
