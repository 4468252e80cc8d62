import { Fragment, memo } from 'react';
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

/** Fixed widths, so that a figure that changes moves nothing else. px */
const nameWidth = 160;
const marketWidth = 216;

/** Offers' goals × markets. An empty cell is a market without the offer, and stands out. */
export function GoalGrid({ marketId, choose, distributions }: { marketId: string; choose: (market: string) => void; distributions: ReadonlyMap<string, Distribution> }) {
  const policy = usePolicy();
  const { locale } = usePage();
  const markets = inOrder(policy.markets);
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  return (
    <div className="mt-2 overflow-x-auto contain-content">
      <table className="table-fixed text-left" style={{ width: `${nameWidth + markets.length * marketWidth}px` }} aria-label="Goal grid">
        <thead>
          <tr className="border-b border-hairline text-[13px] text-soft">
            <th scope="col" style={{ width: nameWidth }} className="sticky left-0 bg-base-100 py-1 pr-3 font-normal">
              Goals
            </th>
            {markets.map(([id, market]) => (
              <th key={id} scope="col" className="truncate px-3 py-1 font-normal">
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
                  <th scope="row" className="sticky left-0 bg-base-100 py-1.5 pr-3 font-semibold">
                    {offer.name}
                    {goals.length > 1 && <span className="font-normal text-soft"> goal {position + 1}</span>}
                  </th>
                  {markets.map(([id, market]) => {
                    const target = targetIn(policy, offerId, goalId, id);
                    const isMoney = goal.measure.kind === 'countedValue';
                    const distribution = distributions.get(id);
                    const share = isMoney && target !== null && distribution && distribution.orders > 0 ? sharesAround(distribution, target).above : null;
                    return (
                      <GoalCell
                        key={id}
                        offerId={offerId}
                        goalId={goalId}
                        marketId={id}
                        label={`${offer.name}${goals.length > 1 ? ` ${position + 1}` : ''}, goal in ${market.name}, ${isMoney ? market.currency : goal.measure.kind}; empty for not offered`}
                        currency={isMoney ? market.currency : null}
                        target={target}
                        remark={target === null ? whyMissing(offer, id) : share === null ? countUnit(goal) : `${percent.format(share)} reach it`}
                        stands={target === null && isGap(offer, id)}
                      />
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

/** One goal in one market. Drawn anew only when something in it has changed: a dragged goal leaves the other cells alone. */
const GoalCell = memo(function GoalCell({ offerId, goalId, marketId, label, currency, target, remark, stands }: {
  offerId: string;
  goalId: string;
  marketId: string;
  label: string;
  /** null for a goal in pieces or grams */
  currency: string | null;
  target: number | null;
  remark: string;
  /** an empty cell that nobody has meant */
  stands: boolean;
}) {
  const show = useDraft((state) => state.show);
  const edit = useDraft((state) => state.edit);
  return (
    <td className="px-3 py-1.5">
      <span className="flex items-baseline gap-2">
        <TypedField
          label={label}
          shown={target === null ? '' : currency === null ? String(target) : toDecimal(target, currency)}
          parse={(text) => (currency === null ? parseCount(text) : parseGoal(text, currency, true))}
          show={(value) => show(value === undefined ? null : setTarget(offerId, goalId, marketId, value))}
          commit={(value) => edit(setTarget(offerId, goalId, marketId, value))}
          testId={`grid-${offerId}-${goalId === 'first' ? '' : `${goalId}-`}${marketId}`}
        />
        <span className={`w-28 text-[12px] ${stands ? 'text-warning' : 'text-soft'}`}>{remark}</span>
      </span>
    </td>
  );
});

/** An empty cell of a market that the offer is for, and whose goal is an amount. */
function isGap({ markets, unlock }: Offer, marketId: string): boolean {
  return unlock.by !== 'code' && (!markets || markets[marketId] === true);
}

function whyMissing(offer: Offer, marketId: string): string {
  if (isGap(offer, marketId)) return 'not offered here';
  return offer.markets && !offer.markets[marketId] ? 'not for this market' : 'by code alone';
}

function countUnit({ measure }: Goal): string {
  return measure.kind === 'items' ? 'items' : measure.kind === 'weight' ? 'g' : '';
}
