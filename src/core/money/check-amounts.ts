import { localMoneyOf, resolveAmount } from './local-amount.ts';
import type { Fault } from '../policy/fault.ts';
import type { Amounts, LocalAmount, Policy } from '../policy/types.ts';

/** An amount in a market, minor units; notes a following one whose currency has no adopted rate. */
export function checkAmount(
  amount: LocalAmount,
  policy: Policy,
  marketId: string,
  pointer: string,
  fault: Fault,
): number | null {
  const money = localMoneyOf(policy, marketId);
  const minor = resolveAmount(amount, money);
  if (minor === null) fault(pointer, `follows the base currency, but no rate of ${money.currency} has been adopted`);
  return minor;
}

/** A table of amounts: its markets exist, and each of `needed` has one. */
export function checkAmounts(
  amounts: Amounts,
  policy: Policy,
  needed: readonly string[],
  pointer: string,
  fault: Fault,
): void {
  for (const [marketId, amount] of Object.entries(amounts)) {
    if (policy.markets[marketId]) checkAmount(amount, policy, marketId, `${pointer}/${marketId}`, fault);
    else fault(`${pointer}/${marketId}`, `there is no market "${marketId}"`);
  }
  for (const marketId of needed)
    if (!amounts[marketId]) fault(`${pointer}/${marketId}`, 'is missing: the offer has a goal in this market');
}
