import type { Offer } from '../../policy/types.ts';

/** Whether an offer, on or off, has something to reach in a market: a goal with a target there, or a code alone. */
export function holdsInMarket({ markets, unlock, goals }: Offer, marketId: string): boolean {
  return (
    (!markets || markets[marketId] === true) &&
    (unlock.by === 'code' || Object.values(goals).some(({ targets }) => targets[marketId] !== undefined))
  );
}
