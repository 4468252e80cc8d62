import policySchema from '../../core/schema/policy.schema.json' with { type: 'json' };
import type { Product, ProductDeliveryChange } from '../../core/catalogue/product.ts';
import { mostPreparationDays } from '../../core/time/preparation.ts';
import { named, written } from '../shape.ts';

export const ProductShape = named(
  'Product',
  written<Product>({
    type: 'object',
    required: [
      'id',
      'sku',
      'name',
      'prices',
      'taxClass',
      'needsDelivery',
      'countsTowardGoals',
      'shipsFree',
      'preparationDays',
      'notTo',
    ],
    properties: { id: { type: 'string' }, sku: { type: 'string' }, name: { type: 'string' } },
  }),
);

const { followingAmount, decimalPercent } = policySchema.$defs;
const { following } = followingAmount.properties;
/** The policy's, complete in itself. */
const follows = {
  ...followingAmount,
  properties: { following: { ...following, properties: { ...following.properties, buffer: decimalPercent } } },
};
const amount = { oneOf: [{ type: 'integer', minimum: 0, maximum: 1_000_000_000_000 }, { type: 'null' }, follows] };
const flag = { type: 'boolean' };
const days = { type: 'integer', minimum: 0, maximum: mostPreparationDays };

export const ProductDeliveryChangeShape = written<ProductDeliveryChange>({
  type: 'object',
  discriminator: { propertyName: 'field' },
  required: ['field'],
  oneOf: [
    {
      type: 'object',
      additionalProperties: false,
      required: ['field', 'was', 'now'],
      properties: { field: { enum: ['shipsFree', 'needsDelivery'] }, was: flag, now: flag },
    },
    {
      type: 'object',
      additionalProperties: false,
      required: ['field', 'was', 'now'],
      properties: { field: { const: 'preparationDays' }, was: days, now: days },
    },
    {
      type: 'object',
      additionalProperties: false,
      required: ['field', 'market', 'was', 'now'],
      properties: {
        field: { const: 'ownDelivery' },
        market: { type: 'string', pattern: '^[a-z0-9][a-z0-9-]{0,39}$' },
        was: amount,
        now: amount,
      },
    },
  ],
});
