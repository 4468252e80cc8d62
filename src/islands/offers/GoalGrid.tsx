import { Fragment } from 'react';
import { setTarget } from '../../client/edits.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { inOrder } from '../../core/ordered.ts';
import { targetIn } from '../../core/offers/target.ts';
import type { Distribution } from '../../core/orders/distribution.ts';
import { TypedField } from '../../ui/TypedField.tsx';
import { useDraft, usePage, usePolicy } from '../frame/page-context.tsx';
import { parseGoal } from './goal-field.ts';
import { sharesAround } from './spend-line/Regions.tsx';

/** Offers' goals × markets. An empty cell is a market without the offer, and stands out. */
export function GoalGrid({ marketId, choose, distributions }: { marketId: string; choose: (market: string) => void; distributions: ReadonlyMap<string, Distribution> }) {
  const policy = usePolicy();
  const { locale } = usePage();
  const show = useDraft((state) => state.show);
  const edit = useDraft((state) => state.edit);
  const markets = inOrder(policy.markets);
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  return (
    <div className="mt-2 overflow-x-auto">
      <table className="w-auto min-w-[28rem] text-left" aria-label="Goal grid">
        <thead>
          <tr className="border-b border-hairline text-[13px] text-soft">
            <th scope="col" className="w-44 py-1 font-normal">
              Goals
            </th>
            {markets.map(([id, market]) => (
              <th key={id} scope="col" className="px-4 py-1 font-normal">
                <button type="button" className={`hover:underline ${id === marketId ? 'font-semibold text-base-content' : ''}`} aria-pressed={id === marketId} onClick={() => choose(id)}>
                  {market.name}
                </button>{' '}
                {market.currency}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {inOrder(policy.offers).map(([offerId, offer]) => (
            <Fragment key={offerId}>
              {inOrder(offer.goals).map(([goalId]) => (
                <tr key={goalId} className="border-b border-hairline">
                  <th scope="row" className="py-1.5 pr-3 font-semibold">
                    {offer.name}
                  </th>
                  {markets.map(([id, market]) => {
                    const target = targetIn(policy, offerId, goalId, id);
                    const distribution = distributions.get(id);
                    const share = target !== null && distribution && distribution.orders > 0 ? sharesAround(distribution, target).above : null;
                    return (
                      <td key={id} className="px-4 py-1.5">
                        <span className="flex items-baseline gap-2">
                          <TypedField
                            label={`${offer.name}, goal in ${market.name}, ${market.currency}; empty for not offered`}
                            shown={target === null ? '' : toDecimal(target, market.currency)}
                            parse={(text) => parseGoal(text, market.currency, true)}
                            show={(value) => show(value === undefined ? null : setTarget(offerId, goalId, id, value))}
                            commit={(value) => edit(setTarget(offerId, goalId, id, value))}
                            testId={`grid-${offerId}-${id}`}
                          />
                          <span className="w-28 text-[12px] text-soft">{target === null ? <span className="text-warning">not offered here</span> : share === null ? '' : `${percent.format(share)} reach it`}</span>
                        </span>
                      </td>
                    );
                  })}
                </tr>
              ))}
            </Fragment>
          ))}
        </tbody>
      </table>
    </div>
  );
}
