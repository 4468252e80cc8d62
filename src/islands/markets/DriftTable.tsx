import { useMemo } from 'react';
import { setGoalAmount } from '../../client/edits/edits.ts';
import type { DriftingAmount } from '../../core/offers/drifting-amounts.ts';
import { driftOf, type Drift } from '../../core/money/drift.ts';
import { localMoneyOf } from '../../core/money/local-amount.ts';
import type { DayRate } from '../../core/money/rate-history.ts';
import { same } from '../../core/same.ts';
import { minorPerMajor } from '../../core/money/currency.ts';
import { saveCsv } from '../page/save-file.ts';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';

/** Each amount that rests on a rate: on how many days shoppers were promised less than was enforced, and what avoids it. */
export function DriftTable({
  marketId,
  amounts,
  history,
}: {
  marketId: string;
  amounts: readonly DriftingAmount[];
  history: readonly DayRate[];
}) {
  const edit = useEdit();
  const policy = usePolicy();
  const { money: inMoney } = useNotation();
  const money = useDraft((draft) => localMoneyOf(draft.policy, marketId), same);
  const { currency, baseCurrency } = money;
  const rows = useMemo(
    () =>
      amounts.flatMap((one) => {
        const step =
          'following' in one.amount ? one.amount.following.step : roundStep(one.amount.exact, minorPerMajor(currency));
        const drift = driftOf(one.amount, one.base, money, history, step);
        return drift ? [{ one, drift }] : [];
      }),
    [amounts, history, money, currency],
  );
  if (rows.length === 0)
    return (
      <p className="text-soft">
        No goal or price here rests on a rate: nothing follows, and no goal set by hand is set in a market of{' '}
        {baseCurrency} as well.
      </p>
    );
  const raise = (one: DriftingAmount, drift: Drift) => {
    if (!one.offerId || !one.goalId) return;
    if (!('following' in one.amount))
      edit(setGoalAmount(one.offerId, one.goalId, marketId, { exact: drift.leastExact }));
    else if (drift.leastBuffer !== null)
      edit(
        setGoalAmount(one.offerId, one.goalId, marketId, {
          following: { ...one.amount.following, buffer: drift.leastBuffer },
        }),
      );
  };
  return (
    <div className="overflow-x-auto">
      <table className="table table-xs w-auto" aria-label={`Drift of amounts in ${currency}`} data-testid="drift-table">
        <thead>
          <tr className="border-b border-hairline text-left text-soft">
            {['amount', 'stands for', 'promised', 'misled on', 'by at most', 'would have avoided it', 'set it'].map(
              (head, index) => (
                <th key={head} scope="col" className="py-1 pr-5 font-normal">
                  {index === 6 ? <span className="sr-only">{head}</span> : head}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ one, drift }, index) => (
            <tr key={index} className="border-b border-hairline align-baseline">
              <th scope="row" className="py-1 pr-5 text-left font-semibold">
                {one.name}
                <span className="font-normal text-soft">{one.kind === 'price' ? ', price' : ''}</span>
              </th>
              <td className="pr-5">
                {inMoney(one.base, baseCurrency)}
                <span className="text-soft">
                  {one.from === 'following' ? ', followed' : `, the goal in ${policy.markets[one.from.market]!.name}`}
                </span>
              </td>
              <td className="pr-5 text-right">{inMoney(drift.promised, currency)}</td>
              <td className={`pr-5 ${drift.misled > 0 ? 'text-warning' : ''}`}>
                {drift.misled} of {drift.days.length} days
              </td>
              <td className="pr-5">
                {drift.worst ? `${inMoney(drift.worst.by, currency)} on ${drift.worst.day}` : 'never'}
              </td>
              <td className="pr-5">
                {drift.worst ? avoiding(one, drift, (minor) => inMoney(minor, currency)) : 'nothing to avoid'}
              </td>
              <td>
                {drift.worst && one.offerId && ('exact' in one.amount || drift.leastBuffer !== null) && (
                  <button
                    type="button"
                    className="btn btn-xs"
                    onClick={() => raise(one, drift)}
                    aria-label={`Set that for ${one.name}`}
                  >
                    set that
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <SaveAs
        what="the drift"
        forms={[
          {
            name: 'CSV',
            save: () =>
              saveCsv(
                `drift-${marketId}`,
                ['amount', 'day', 'promised', 'enforced', 'currency', 'unit'],
                rows.flatMap(({ one, drift }) =>
                  drift.days.map(({ day, enforced }) => [
                    one.name,
                    day,
                    drift.promised,
                    enforced,
                    currency,
                    'smallest unit',
                  ]),
                ),
              ),
          },
        ]}
      />
    </div>
  );
}

function avoiding(
  { amount }: DriftingAmount,
  { leastExact, leastBuffer }: Drift,
  write: (minor: number) => string,
): string {
  if ('exact' in amount) return write(leastExact);
  return leastBuffer === null
    ? `no buffer; ${write(leastExact)} exactly`
    : `a buffer of ${leastBuffer} % or ${write(leastExact)} exactly`;
}

/** How round an amount set by hand is: the largest of ten, five and one major units that it is a multiple of, else its smallest unit. */
function roundStep(exact: number, perMajor: number): number {
  return [10, 5, 1].map((major) => major * perMajor).find((step) => exact % step === 0) ?? 1;
}
