import type { Fault } from '../fault.ts';
import type { GoodsSelection, Policy } from '../types.ts';
import { checkAmounts } from './check-amounts.ts';

/** Markets in its price bounds exist. */
export function checkGoods(goods: GoodsSelection, policy: Policy, at: string, fault: Fault): void {
  if (goods.unitPriceFrom) checkAmounts(goods.unitPriceFrom, policy, [], `${at}/unitPriceFrom`, fault);
  if (goods.unitPriceBelow) checkAmounts(goods.unitPriceBelow, policy, [], `${at}/unitPriceBelow`, fault);
}
