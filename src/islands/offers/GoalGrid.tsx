import { Fragment } from 'react';
import { setTarget } from '../../client/edits.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { inOrder } from '../../core/ordered.ts';
import { targetIn } from '../../core/offers/target.ts';
import type { Goal, Offer } from '../../core/policy/types.ts';
import type { Distribution } from '../../core/orders/distribution.ts';
import { TypedField } from '../../ui/TypedField.tsx';
import { useDraft, usePage, usePolicy } from '../frame/page-context.tsx';
import { parseCount, parseGoal } from './goal-field.ts';
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
              {inOrder(offer.goals).map(([goalId, goal], position, goals) => (
                <tr key={goalId} className="border-b border-hairline">
                  <th scope="row" className="py-1.5 pr-3 font-semibold">
                    {offer.name}
                    {goals.length > 1 && <span className="font-normal text-soft"> goal {position + 1}</span>}
                  </th>
                  {markets.map(([id, market]) => {
                    const target = targetIn(policy, offerId, goalId, id);
                    const distribution = distributions.get(id);
                    const isMoney = goal.measure.kind === 'countedValue';
                    const share = isMoney && target !== null && distribution && distribution.orders > 0 ? sharesAround(distribution, target).above : null;
                    return (
                      <td key={id} className="px-4 py-1.5">
                        <span className="flex items-baseline gap-2">
                          <TypedField
                            label={`${offer.name}, goal in ${market.name}, ${market.currency}; empty for not offered`}
                            shown={target === null ? '' : isMoney ? toDecimal(target, market.currency) : String(target)}
                            parse={(text) => (isMoney ? parseGoal(text, market.currency, true) : parseCount(text))}
                            show={(value) => show(value === undefined ? null : setTarget(offerId, goalId, id, value))}
                            commit={(value) => edit(setTarget(offerId, goalId, id, value))}
                            testId={`grid-${offerId}-${id}`}
                          />
                          <span className="w-28 text-[12px] text-soft">{target === null ? <Missing offer={offer} marketId={id} /> : share === null ? countUnit(goal) : `${percent.format(share)} reach it`}</span>
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

/** Why a cell is empty: by intent, or because nobody has set it. */
function Missing({ offer, marketId }: { offer: Offer; marketId: string }) {
  if (offer.markets && !offer.markets[marketId]) return 'not for this market';
  if (offer.unlock.by === 'code') return 'by code alone';
  return <span className="text-warning">not offered here</span>;
}

function countUnit({ measure }: Goal): string {
  return measure.kind === 'items' ? 'items' : measure.kind === 'weight' ? 'g' : '';
}
