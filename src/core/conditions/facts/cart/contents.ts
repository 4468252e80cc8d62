import { unitPriceOf } from '../../../cart/line-values.ts';
import { compileSelection, selects } from '../../../catalogue/goods-selection.ts';
import { checkGoods } from '../../../catalogue/check-goods.ts';
import type { Facts } from '../../asked.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { priceEdges, type LeafOf } from '../../leaf.ts';

type Node = LeafOf<'contents'>;

const form: FactForm<Node> = {
  kind: 'contents',
  definition: 'contentsFact',
  schema: () => ({
    required: ['operator', 'goods'],
    properties: { operator: { enum: ['contains', 'only', 'none'] }, goods: { $ref: '#/$defs/goodsSelection' } },
  }),
  asksFirst: 'goods',
  check: ({ goods }, policy, at, fault) => checkGoods(goods, policy, `${at}/goods`, fault),
};

const said = {
  contains: 'the cart contains',
  only: 'the cart contains nothing but',
  none: 'the cart contains none of',
};

export const contents: Fact<Node> = {
  id: 'contents',
  about: 'The cart',
  name: 'contains goods',
  also: 'product category tag has holds only without nothing but',
  form,
  told: 'never',
  compile: ({ operator, goods: selection }, terms) => {
    const goods = compileSelection(selection, terms);
    const looksAt = [priceEdges(goods)];
    const among = (facts: Facts, index: number) =>
      selects(goods, facts.cart.lines[index]!.product, unitPriceOf(facts.cart, index));
    const some = (facts: Facts) => facts.cart.lines.some((_, index) => among(facts, index));
    switch (operator) {
      case 'contains':
        return { holds: some, looksAt };
      case 'none':
        return { holds: (facts) => !some(facts), looksAt };
      case 'only':
        return {
          holds: (facts) => facts.cart.lines.length > 0 && facts.cart.lines.every((_, index) => among(facts, index)),
          looksAt,
        };
    }
  },
  readOut: ({ operator, goods }, reader) => `${said[operator]} ${reader.goods(goods)}`,
  begin: ({ goods }) => ({
    kind: 'contents',
    operator: 'contains',
    goods,
  }),
};
