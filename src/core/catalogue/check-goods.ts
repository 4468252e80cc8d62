import type { Fault } from '../policy/fault.ts';
import type { GoodsSelection, Policy } from '../policy/types.ts';
import { checkAmounts } from '../money/check-amounts.ts';

/** Markets in its price bounds exist. */
export function checkGoods(goods: GoodsSelection, policy: Policy, at: string, fault: Fault): void {
  if (goods.unitPriceFrom) checkAmounts(goods.unitPriceFrom, policy, [], `${at}/unitPriceFrom`, fault);
  if (goods.unitPriceBelow) checkAmounts(goods.unitPriceBelow, policy, [], `${at}/unitPriceBelow`, fault);
}
