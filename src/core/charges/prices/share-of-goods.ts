import { compileBasis } from '../../cart/basis.ts';
import { goodsValueOf } from '../../cart/line-values.ts';
import { basesInWords, basisInWords } from '../../conditions/reader.ts';
import { percentAsFraction, percentOf } from '../../money/rounding.ts';
import type { PricePercent } from '../../policy/types.ts';
import { fraction, money, percent } from '../../trace/trace.ts';
import type { ChargeInput } from '../charge-input.ts';
import { bounded, boundsInWords, boundsParts, boundsSchema, checkBounds, compileBounds, sayBounds } from './bounds.ts';
import type { PriceKindRecord } from './price-kind.ts';

/** A share of the goods value that the charge looks at, rounded once, kept between a least and a most (2-domain §4). */
export const shareOfGoods: PriceKindRecord<PricePercent> = {
  kind: 'percent',
  member: 'percent',
  definition: 'pricePercent',
  schema: {
    description: 'a share of the goods value that the charge looks at',
    required: ['percent', 'basis'],
    properties: {
      percent: { $ref: '#/$defs/decimalPercent' },
      basis: { $ref: '#/$defs/basis' },
      ...boundsSchema,
    },
  },
  offered: 'add a percentage',
  begin: () => ({ percent: '10', basis: 'afterDiscountsAsShown' }),
  parts: (price, { free }) => [
    { field: 'percent', at: ['percent'], name: 'Percentage', value: price.percent },
    ' % of the goods, ',
    {
      field: 'choice',
      at: ['basis'],
      name: 'Basis',
      value: price.basis,
      choices: basesInWords.map(([id, words]) => [id, words, id] as const),
    },
    ...(free ? boundsParts(price) : []),
  ],
  inWords: (price, words) =>
    `${price.percent} % of the goods, ${basisInWords(price.basis)}${boundsInWords(price, words)}`,
  check: checkBounds,
  carrierOf: () => null,
  isCertain: () => true,
  startOf: () => null,
  compile(price, _range, terms, minor) {
    const share = percentAsFraction(price.percent);
    const basis = compileBasis(price.basis, terms);
    const bounds = compileBounds(price, minor);
    const goods = ({ facts }: ChargeInput) => goodsValueOf(facts.cart, basis, { chargeable: true });
    return {
      kind: 'percent',
      quoted: null,
      priceOf: (input, _weighing, path) => bounded(bounds, percentOf(goods(input), share), path),
      edges: () => ({ measure: 'goodsValue', edges: [], rises: true }),
      says(input, _weighing, inputs) {
        const within = sayBounds(bounds, inputs);
        Object.assign(inputs, { goods: money(goods(input)), percent: percent(price.percent), ...fraction(share) });
        return `{percent} of {goods}${within}, which is {outcome}`;
      },
    };
  },
};
