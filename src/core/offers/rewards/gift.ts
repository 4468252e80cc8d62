import type { RewardKindRecord, RewardOf } from '../reward.ts';

export const gift: RewardKindRecord<RewardOf<'gift'>> = {
  kind: 'gift',
  offered: 'a gift:',
  changed: 'a gift',
  called: 'a gift',
  fields: ['gift'],
  schema: {
    required: ['product', 'quantity'],
    properties: { product: { $ref: '#/$defs/id' }, quantity: { type: 'integer', minimum: 1, maximum: 100 } },
  },
  check: () => {},
  compile: (id, { kind, product, quantity }) => ({ acts: 'asGift', id, kind, product, quantity }),
  begin: ({ product }) => ({ kind: 'gift', product, quantity: 1 }),
};
