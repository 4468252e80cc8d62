import { driftOf } from '../../../money/drift.ts';
import { formatMoney } from '../../../money/format.ts';
import { driftingAmounts, type DriftingAmount } from '../../../offers/drifting-amounts.ts';
import type { Found } from '../../finding.ts';
import type { FindingKind } from '../../kind.ts';

/** A difference below it is left alone: rates move every day. In percent of what was promised. */
const leastPercent = 2;

/** An amount in a currency of its own that is worth less than what it stands for at the latest rate, by 2 % or more. */
export const followingDrift: FindingKind = {
  kind: 'followingDrift',
  called: 'amounts that have drifted',
  stop: 'markets',
  find: ({ compiled, rates, locale }) =>
    [...compiled.markets.values()].flatMap(({ id: marketId, market, terms }) => {
      const latest = rates?.[market.currency]?.at(-1);
      if (!latest) return [];
      return driftingAmounts(compiled.policy, marketId).flatMap((amount): Found[] => {
        const drift = driftOf(amount.amount, amount.base, terms.money, [latest], 1);
        const by = drift?.worst?.by ?? 0;
        if (!drift || by * 100 < drift.promised * leastPercent) return [];
        const money = (minor: number, currency = market.currency) => formatMoney(minor, currency, locale);
        const what = amount.kind === 'goal' ? `the goal of “${amount.name}”` : `“${amount.name}”`;
        return [
          {
            severity: 'risky',
            at: placeOf(amount, marketId),
            key: String(amount.base),
            marketId,
            sentence: `In “${market.name}” ${what} is ${money(drift.promised)}, but ${money(amount.base, terms.money.baseCurrency)}, which it stands for, are ${money(drift.promised + by)} at the rate of ${latest.day}.`,
            example: null,
            remedy: null,
          },
        ];
      });
    }),
};

const placeOf = ({ offerId, goalId, optionId }: DriftingAmount, marketId: string): string =>
  offerId !== undefined ? `/offers/${offerId}/goals/${goalId}/targets/${marketId}` : `/options/${optionId}`;
