import { quantityOf as piecesOf } from '../../../cart/line-values.ts';
import { compileSelection } from '../../../catalogue/goods-selection.ts';
import { checkGoods } from '../../../catalogue/check-goods.ts';
import { isInRange, rangeOf } from '../../compare.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { checkNumbers, comparedNumber } from '../../forms/comparison.ts';
import { among, quantityFact, within } from '../../asks.ts';
import { edgesOf, priceEdges, type LeafOf } from '../../leaf.ts';
import { compared } from '../../reader.ts';

type Node = LeafOf<'goodsNumber'>;

const form: FactForm<Node> = {
  kind: 'goodsNumber',
  definition: 'goodsNumberFact',
  schema: ([fact]) => ({
    required: ['fact', 'goods', 'operator', 'value'],
    properties: {
      fact: { const: fact },
      goods: { $ref: '#/$defs/goodsSelection' },
      ...comparedNumber(1_000_000_000_000),
    },
  }),
  asksFirst: 'goods',
  check: (node, policy, at, fault) => {
    checkNumbers(node, at, fault);
    checkGoods(node.goods, policy, `${at}/goods`, fault);
  },
};

export const quantityOf: Fact<Node> = {
  id: 'cart.quantityOf',
  about: 'The cart',
  name: 'number of certain goods',
  also: 'pieces of category product quantity',
  form,
  told: 'never',
  unit: 'items',
  compile: (node, terms) => {
    const goods = compileSelection(node.goods, terms);
    const range = rangeOf(node.operator, node.value, node.to, 1);
    return {
      holds: ({ cart }) => isInRange(range, piecesOf(cart, { goods })),
      looksAt: [{ measure: { kind: 'items' }, edges: edgesOf(range) }, priceEdges(goods)],
    };
  },
  asks: ({ goods, operator, value, to }) => ({
    fact: quantityFact(goods),
    values: within(rangeOf(operator, value, to, 1)),
    among: among(false),
  }),
  readOut: ({ goods, operator, value, to }, reader) =>
    `the number of items of ${reader.goods(goods)} ${compared(operator, value, to, String)}`,
  begin: ({ goods }) => ({
    kind: 'goodsNumber',
    fact: 'cart.quantityOf',
    goods,
    operator: 'atLeast',
    value: 2,
  }),
};
