import { checkSelection } from '../../options/check-selection.ts';
import type { RewardOf } from '../reward.ts';
import { onDelivery } from './on-delivery.ts';

export const upgrade = onDelivery<RewardOf<'upgrade'>>({
  kind: 'upgrade',
  offered: 'an upgrade:',
  changed: 'an option at another one’s price',
  called: 'faster delivery at a slower option’s price',
  fields: ['options', 'priceOf'],
  own: { priceOf: { description: 'the lowest price of these options is the price', $ref: '#/$defs/optionSelection' } },
  check: ({ priceOf }, { policy, at, fault }) => checkSelection(priceOf, policy, `${at}/priceOf`, fault),
  prices: (reward, _terms, chosen) => ({
    priceOf: chosen(reward.priceOf),
    becomes: (price, source) => source ?? price,
  }),
  says: () => 'it costs what the slower option costs',
  begin: ({ on, coversOwnDelivery }) => ({
    kind: 'upgrade',
    on,
    coversOwnDelivery,
    priceOf: { by: 'kind', kinds: ['parcel'] },
  }),
});
