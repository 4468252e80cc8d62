import { memo, useMemo } from 'react';
import { setTarget } from '../../client/edits.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { inOrder } from '../../core/ordered.ts';
import { localMoneyOf, type LocalMoney } from '../../core/money/local-amount.ts';
import { resolveTarget } from '../../core/offers/target.ts';
import type { Goal, Market, Offer } from '../../core/policy/types.ts';
import type { Distribution } from '../../core/orders/distribution.ts';
import { TypedField } from '../../ui/TypedField.tsx';
import { useDraft, usePage, usePolicy } from '../frame/page-context.tsx';
import { parseCount, parseGoal } from './goal-field.ts';
import { sharesAround } from './spend-line/Regions.tsx';

/** Fixed widths, so that a figure that changes moves nothing else. px */
const nameWidth = 160;
const marketWidth = 216;

interface Column {
  id: string;
  market: Market;
  money: LocalMoney;
}

/** Offers' goals × markets. An empty cell is a market without the offer, and stands out. */
export function GoalGrid({ marketId, choose, distributions }: { marketId: string; choose: (market: string) => void; distributions: ReadonlyMap<string, Distribution> }) {
  const policy = usePolicy();
  const { locale } = usePage();
  const { store, rates, markets } = policy;
  // What amounts come to depends on these parts of the policy alone.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const columns = useMemo(() => inOrder(markets).map(([id, market]): Column => ({ id, market, money: localMoneyOf(policy, id) })), [store, rates, markets]);
  return (
    <div className="mt-2 overflow-x-auto contain-content">
      <table className="table-fixed text-left" width={nameWidth + columns.length * marketWidth} aria-label="Goal grid">
        <colgroup>
          <col width={nameWidth} />
          <col span={columns.length} width={marketWidth} />
        </colgroup>
        <thead>
          <tr className="border-b border-hairline text-[13px] text-soft">
            <th scope="col" className="sticky left-0 bg-base-100 py-1 pr-3 font-normal">
              Goals
            </th>
            {columns.map(({ id, market }) => (
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
            <OfferRows key={offerId} offerId={offerId} offer={offer} columns={columns} distributions={distributions} locale={locale} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A row for each goal of an offer. Drawn anew only when the offer has changed: a dragged goal leaves the others alone. */
const OfferRows = memo(function OfferRows({ offerId, offer, columns, distributions, locale }: { offerId: string; offer: Offer; columns: readonly Column[]; distributions: ReadonlyMap<string, Distribution>; locale: string }) {
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  return inOrder(offer.goals).map(([goalId, goal], position, goals) => {
    const isMoney = goal.measure.kind === 'countedValue';
    return (
      <tr key={goalId} className="border-b border-hairline">
        <th scope="row" className="sticky left-0 bg-base-100 py-1.5 pr-3 font-semibold">
          {offer.name}
          {goals.length > 1 && <span className="font-normal text-soft"> goal {position + 1}</span>}
        </th>
        {columns.map(({ id, market, money }) => {
          const set = goal.targets[id];
          const target = set ? resolveTarget(set, money) : null;
          const distribution = distributions.get(id);
          const share = countsOrderValue(goal, market) && target !== null && distribution && distribution.orders > 0 ? sharesAround(distribution, target).above : null;
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
    );
  });
});

/** One goal in one market, drawn anew only when something in it has changed. */
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

/** Whether a goal counts what past orders are known by: their value after discounts, as shown. */
function countsOrderValue({ measure, goods }: Goal, market: Market): boolean {
  if (measure.kind !== 'countedValue' || goods || !measure.basis.startsWith('after')) return false;
  return measure.basis.endsWith('AsShown') || measure.basis.endsWith(market.tax.prices === 'withTax' ? 'WithTax' : 'WithoutTax');
}

function countUnit({ measure }: Goal): string {
  return measure.kind === 'items' ? 'items' : measure.kind === 'weight' ? 'g' : '';
}
