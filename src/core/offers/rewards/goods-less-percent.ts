import { compileSelection } from '../../catalogue/goods-selection.ts';
import { percentAsFraction, percentOf } from '../../money/rounding.ts';
import { checkGoods } from '../../catalogue/check-goods.ts';
import type { RewardKindRecord, RewardOf } from '../reward.ts';

export const goodsLessPercent: RewardKindRecord<RewardOf<'goodsLessPercent'>> = {
  kind: 'goodsLessPercent',
  offered: 'goods are cheaper by',
  changed: 'a share off the goods',
  called: 'a share off the goods',
  fields: ['percent', 'goods'],
  schema: {
    required: ['percent'],
    properties: { percent: { $ref: '#/$defs/decimalPercent' }, goods: { $ref: '#/$defs/goodsSelection' } },
  },
  check: ({ percent, goods }, { policy, at, fault }) => {
    if (Number(percent) > 100) fault(`${at}/percent`, 'must be at most 100');
    if (goods) checkGoods(goods, policy, `${at}/goods`, fault);
  },
  compile: (id, { kind, percent, goods }, terms) => {
    const share = percentAsFraction(percent);
    return {
      acts: 'onGoods',
      id,
      kind,
      off: (value) => percentOf(value, share),
      goods: goods ? compileSelection(goods, terms) : null,
    };
  },
  begin: () => ({ kind: 'goodsLessPercent', percent: '10' }),
};
