import { memo, useMemo, useRef, useState, type UIEvent } from 'react';
import { setTarget } from '../../client/edits.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { inOrder } from '../../core/ordered.ts';
import { localMoneyOf, type LocalMoney } from '../../core/money/local-amount.ts';
import { countsOrderValue } from '../../core/offers/order-value-goals.ts';
import { resolveTarget } from '../../core/offers/target.ts';
import type { Goal, Market, Offer } from '../../core/policy/types.ts';
import type { Distribution } from '../../core/orders/distribution.ts';
import { TypedField } from '../../ui/TypedField.tsx';
import { useDraft, usePage, usePolicy } from '../frame/page-context.tsx';
import { useWidth } from '../frame/use-width.ts';
import { parseCount, parseGoal } from './goal-field.ts';
import { sharesAround } from '../spend-line/Regions.tsx';

/** Fixed widths, so that a figure that changes moves nothing else. px */
const nameWidth = 160;
const marketWidth = 216;
/** Columns beyond those in view that are drawn too, so that scrolling a little draws nothing anew. */
const margin = 3;

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
  const box = useRef<HTMLDivElement>(null);
  const most = Math.ceil(useWidth(box, 800) / marketWidth) + 2 * margin;
  const [inView, setInView] = useState(() => columns.findIndex(({ id }) => id === marketId));
  const first = windowAt(inView, columns.length, most);
  const onScroll = ({ currentTarget }: UIEvent) => setInView(stepAt(Math.floor(currentTarget.scrollLeft / marketWidth)));
  const drawn = useMemo(() => columns.slice(first, first + most), [columns, first, most]);
  const after = columns.length - first - drawn.length;
  return (
    <div ref={box} className="mt-2 overflow-x-auto contain-content" onScroll={onScroll}>
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
            <Gap columns={first} head />
            {drawn.map(({ id, market }) => (
              <th key={id} scope="col" className="truncate px-3 py-1 font-normal">
                <button type="button" className={`hover:underline ${id === marketId ? 'font-semibold text-base-content' : ''}`} aria-pressed={id === marketId} onClick={() => choose(id)}>
                  {market.name}
                </button>{' '}
                {market.currency}
              </th>
            ))}
            <Gap columns={after} head />
          </tr>
        </thead>
        <tbody>
          {inOrder(policy.offers).map(([offerId, offer]) => (
            <OfferRows key={offerId} offerId={offerId} offer={offer} before={first} columns={drawn} after={after} distributions={distributions} locale={locale} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Scrolling goes from step to step of some columns, so that not every column passed draws the grid anew. */
const stepAt = (column: number) => Math.floor(column / margin) * margin;

/** The first column drawn when one is to be in view: a few before it are drawn too, and none beyond the last. */
const windowAt = (inView: number, columns: number, most: number) => Math.max(0, Math.min(columns - most, stepAt(inView - margin + 1)));

/** Columns that are not in view. */
function Gap({ columns, head }: { columns: number; head?: boolean }) {
  if (columns <= 0) return null;
  return head ? <th colSpan={columns} aria-hidden /> : <td colSpan={columns} aria-hidden />;
}

/** A row for each goal of an offer. Drawn anew only when the offer has changed: a dragged goal leaves the others alone. */
const OfferRows = memo(function OfferRows({ offerId, offer, before, columns, after, distributions, locale }: { offerId: string; offer: Offer; before: number; columns: readonly Column[]; after: number; distributions: ReadonlyMap<string, Distribution>; locale: string }) {
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  return inOrder(offer.goals).map(([goalId, goal], position, goals) => {
    const isMoney = goal.measure.kind === 'countedValue';
    return (
      <tr key={goalId} className="border-b border-hairline">
        <th scope="row" className="sticky left-0 bg-base-100 py-1.5 pr-3 font-semibold">
          {offer.name}
          {goals.length > 1 && <span className="font-normal text-soft"> goal {position + 1}</span>}
        </th>
        <Gap columns={before} />
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
        <Gap columns={after} />
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

function countUnit({ measure }: Goal): string {
  return measure.kind === 'items' ? 'items' : measure.kind === 'weight' ? 'g' : '';
}
