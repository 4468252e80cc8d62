import { goodsValueOf } from '../../../cart/line-values.ts';
import { compileSelection } from '../../../catalogue/goods-selection.ts';
import { checkGoods } from '../../../catalogue/check-goods.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { asksForMoney, checkMoney, comparedMoney, moneyLeaf } from '../../forms/money.ts';
import { selectionKey } from '../../asks.ts';
import { priceEdges, type LeafOf } from '../../leaf.ts';
import { basisInWords } from '../../reader.ts';

type Node = LeafOf<'goodsMoney'>;

const form: FactForm<Node> = {
  kind: 'goodsMoney',
  definition: 'goodsMoneyFact',
  schema: ([fact]) => ({
    required: ['fact', 'basis', 'goods', 'operator', 'amounts'],
    properties: { fact: { const: fact }, goods: { $ref: '#/$defs/goodsSelection' }, ...comparedMoney },
  }),
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
    const goods = compileSelection(node.goods, terms);
    const leaf = moneyLeaf(node, terms, ({ cart }, basis, fits) => fits(goodsValueOf(cart, basis, { goods })));
    return leaf.looksAt.length > 0 ? { ...leaf, looksAt: [...leaf.looksAt, priceEdges(goods)] } : leaf;
  },
  asks: (node, terms) => asksForMoney(node, selectionKey(node.goods), terms),
  readOut: ({ goods, basis, operator, amounts, to }, reader) =>
    `the value of ${reader.goods(goods)} ${basisInWords(basis)}, ${reader.money(operator, amounts, to)}`,
  begin: ({ goods, amounts }) => ({
    kind: 'goodsMoney',
    fact: 'cart.valueOf',
    basis: 'afterDiscountsAsShown',
    goods,
    operator: 'atLeast',
    amounts,
  }),
};
