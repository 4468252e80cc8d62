import { compileBasis } from '../../../cart/basis.ts';
import { goodsValueOf } from '../../../cart/line-values.ts';
import { compileSelection } from '../../../catalogue/goods-selection.ts';
import { amountIn } from '../../../markets/terms.ts';
import { checkGoods } from '../../../policy/references/check-goods.ts';
import { isInRange, rangeOf } from '../../compare.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { checkMoney, comparedMoney } from '../../forms/money.ts';
import { edgesOf, plainLeaf, priceEdges, type LeafOf } from '../../leaf.ts';
import { basisInWords } from '../../reader.ts';

type Node = LeafOf<'goodsMoney'>;

const form: FactForm<Node> = {
  kind: 'goodsMoney',
  definition: 'goodsMoneyFact',
  schema: ([fact]) => ({
    required: ['fact', 'basis', 'goods', 'operator', 'amounts'],
    properties: { fact: { const: fact }, goods: { $ref: '#/$defs/goodsSelection' }, ...comparedMoney },
  }),
  field: 'goodsMoney',
  asksFirst: 'goods',
  check: (node, policy, at, fault) => {
    checkMoney(node, policy, at, fault);
    checkGoods(node.goods, policy, `${at}/goods`, fault);
  },
};

export const valueOf: Fact<Node> = {
  id: 'cart.valueOf',
  about: 'The cart',
  name: 'value of certain goods',
  also: 'amount of category product spend on',
  form,
  told: 'never',
  compile: (node, terms) => {
    const amount = amountIn(node.amounts, terms);
    const to = node.to === undefined ? undefined : amountIn(node.to, terms);
    if (amount === null || to === null) return plainLeaf(() => false);
    const basis = compileBasis(node.basis, terms);
    const range = rangeOf(node.operator, amount, to, 1);
    const goods = compileSelection(node.goods, terms);
    return {
      holds: ({ cart }) => isInRange(range, goodsValueOf(cart, basis, { goods })),
      looksAt: [{ measure: { kind: 'value', basis }, edges: edgesOf(range) }, priceEdges(goods)],
    };
  },
  readOut: ({ goods, basis, operator, amounts, to }, reader) =>
    `the value of ${reader.goods(goods)} ${basisInWords(basis)}, ${reader.money(operator, amounts, to)}`,
  begin: ({ first, amounts }) => ({
    kind: 'goodsMoney',
    fact: 'cart.valueOf',
    basis: 'afterDiscountsAsShown',
    goods: typeof first === 'object' && first !== null ? first : {},
    operator: 'atLeast',
    amounts,
  }),
};
