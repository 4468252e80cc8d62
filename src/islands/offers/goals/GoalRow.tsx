import { Diamond, Link2 } from 'lucide-react';
import { memo, type ReactNode } from 'react';
import { setTarget } from '../../../client/edits/edits.ts';
import { toDecimal } from '../../../core/money/decimal.ts';
import type { LocalMoney } from '../../../core/money/local-amount.ts';
import { unevenTargets } from '../../../core/offers/authoring/target-table.ts';
import { countsOrderValue } from '../../../core/offers/order-value-goals.ts';
import { resolveTarget } from '../../../core/offers/target.ts';
import type { Distribution } from '../../../core/orders/distribution.ts';
import type { Goal, Market, Offer, Policy } from '../../../core/policy/types.ts';
import { TypedField } from '../../../ui/TypedField.tsx';
import { parseCount, parseGoal, shownGoal } from '../../fields/goal-field.ts';
import type { Severity } from '../../../core/check-up/finding.ts';
import { useFindingsAt } from '../../findings/check-up.ts';
import { FindingMark } from '../../findings/FindingMark.tsx';
import { useDraft } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { CommentMark } from '../../together/CommentMark.tsx';
import { OthersAt } from '../../together/OthersHere.tsx';
import { sharesAround } from '../../spend-line/Regions.tsx';

export interface Column {
  id: string;
  market: Market;
  money: LocalMoney;
}

export interface Row {
  offerId: string;
  offer: Offer;
  goalId: string;
  goal: Goal;
  /** from 1; null where the offer has one goal */
  number: number | null;
}

/** Columns that are not in view. */
export function Gap({ columns, head }: { columns: number; head?: boolean }) {
  if (columns <= 0) return null;
  return head ? <th colSpan={columns} aria-hidden /> : <td colSpan={columns} aria-hidden />;
}

/** A goal in all markets. Drawn anew only when its offer has changed: a dragged goal leaves the others alone. */
export const GoalRow = memo(function GoalRow({
  offerId,
  offer,
  goalId,
  goal,
  number,
  state,
  before,
  columns,
  after,
  distributions,
  locale,
  policy,
  looked,
  choose,
}: Row & {
  /** whether the offer is on, in words */
  state: string;
  before: number;
  columns: readonly Column[];
  after: number;
  distributions: ReadonlyMap<string, Distribution>;
  locale: string;
  policy: Pick<Policy, 'store' | 'rates' | 'markets'>;
  looked: boolean;
  choose: (offer: string) => void;
}) {
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  const isMoney = goal.measure.kind === 'countedValue';
  const uneven = unevenTargets(goal, policy);
  const later = number !== null && number > 1;
  return (
    <tr
      data-thing={`offer ${offerId}`}
      className={`isolate h-[33px] border-b border-hairline ${looked ? 'bg-base-200' : ''}`}
    >
      <th
        scope="row"
        className={`stays-left py-0 pr-2 text-left font-semibold whitespace-nowrap ${looked ? 'bg-base-200 shadow-[inset_3px_0_0_var(--color-primary)]' : 'bg-base-100'} pl-2`}
      >
        <span className="flex items-center">
          <button
            type="button"
            className={`min-w-0 truncate text-left hover:underline ${offer.on && !later ? '' : 'font-normal text-soft'}`}
            aria-pressed={looked}
            onClick={() => choose(offerId)}
            title={offer.name}
            data-testid={number === null || number === 1 ? `choose-${offerId}` : undefined}
          >
            {later ? <span className="sr-only">{offer.name}</span> : offer.name}
            {number !== null && (
              <span className="font-normal text-soft">
                {later && <span aria-hidden>{shortened(offer.name)}</span>} goal {number}
              </span>
            )}
          </button>
          {!later && (
            <>
              <FindingMark at={`/offers/${offerId}`} name={offer.name} />
              <span className="ml-1 shrink-0">
                <OthersAt thing={`offer ${offerId}`} />
              </span>
            </>
          )}
        </span>
      </th>
      <td
        className="truncate py-0 pr-1 text-fine text-soft"
        title={state}
        data-testid={later ? undefined : `state-${offerId}`}
      >
        {!later && (
          <span className="flex items-center gap-1">
            <span className="min-w-0 truncate">{state}</span>
            <CommentMark kind="offer" about={offerId} name={offer.name} />
          </span>
        )}
      </td>
      <Gap columns={before} />
      {columns.map(({ id, market, money }) => {
        const set = goal.targets[id];
        const target = set ? resolveTarget(set, money) : null;
        const distribution = distributions.get(id);
        const share =
          countsOrderValue(goal, market) && target !== null && distribution && distribution.orders > 0
            ? sharesAround(distribution, target).above
            : null;
        const remarks = [
          target === null ? whyMissing(offer, id) : countUnit(goal),
          set && 'following' in set ? `follows ${toDecimal(set.following.base, money.baseCurrency)}` : '',
          share === null ? '' : `${percent.format(share)} reach it`,
          uneven.has(id) ? oddInWords(uneven.get(id)!) : '',
        ];
        return (
          <GoalCell
            key={id}
            offerId={offerId}
            goalId={goalId}
            marketId={id}
            label={`${offer.name}${number === null ? '' : ` ${number}`}, goal in ${market.name}, ${isMoney ? market.currency : goal.measure.kind}; empty for not offered`}
            currency={isMoney ? market.currency : null}
            measure={goal.measure.kind}
            target={target}
            remark={remarks.filter(Boolean).join(' · ')}
            share={share}
            follows={set !== undefined && 'following' in set}
            odd={uneven.has(id)}
            missing={target === null && isGap(offer, id)}
          />
        );
      })}
      <Gap columns={after} />
    </tr>
  );
});

/** One goal in one market over a line that is filled as far as orders reach it; drawn anew only when something in it has changed. */
const GoalCell = memo(function GoalCell({
  offerId,
  goalId,
  marketId,
  label,
  currency,
  measure,
  target,
  remark,
  share,
  follows,
  odd,
  missing,
}: {
  offerId: string;
  goalId: string;
  marketId: string;
  label: string;
  /** null for a goal in pieces or grams */
  currency: string | null;
  measure: string;
  target: number | null;
  /** all that is to be said of the cell beside its figure */
  remark: string;
  /** of the market's orders that reach it */
  share: number | null;
  follows: boolean;
  /** it stands out among the other markets */
  odd: boolean;
  /** an empty cell that nobody has meant */
  missing: boolean;
}) {
  const edit = useEdit();
  const show = useDraft((state) => state.show);
  const [found] = useFindingsAt(`/offers/${offerId}/goals/${goalId}/targets/${marketId}`);
  const said = found ? `${remark} · ${found.sentence}` : remark;
  return (
    <td
      className="relative px-2 py-0 text-right"
      data-offer={offerId}
      data-goal={goalId}
      data-market={marketId}
      data-remark={said}
      title={said}
    >
      <Marks found={found?.severity ?? null} odd={odd} follows={follows} />
      <TypedField
        label={label}
        shown={shownGoal(target, currency)}
        placeholder={missing ? 'none' : '–'}
        parse={(text) => (currency === null ? parseCount(text, measure) : parseGoal(text, currency, true))}
        show={(value) => show(value === undefined ? null : setTarget(offerId, goalId, marketId, value))}
        commit={(value) => edit(setTarget(offerId, goalId, marketId, value))}
        testId={`grid-${offerId}-${goalId === 'first' ? '' : `${goalId}-`}${marketId}`}
      />
      {target !== null && (
        <svg className="absolute right-2 bottom-[2px] left-2" width="76" height="2" aria-hidden>
          <rect width="100%" height="2" className="fill-base-300" />
          {share !== null && <rect width={`${share * 100}%`} height="2" className="fill-primary" />}
        </svg>
      )}
    </td>
  );
});

/** What a figure's cell has to say that its figure does not. */
function Marks({ found, odd, follows }: { found: Severity | null; odd: boolean; follows: boolean }): ReactNode {
  if (found)
    return (
      <Diamond
        size={9}
        aria-hidden
        className={`absolute top-3 left-2 ${found === 'remark' ? 'text-soft' : 'fill-warning text-warning'}`}
      />
    );
  if (odd) return <Diamond size={9} aria-hidden className="absolute top-3 left-2 fill-accent text-accent" />;
  return follows ? <Link2 size={11} aria-hidden className="absolute top-2.5 left-2 text-soft" /> : null;
}

/** A name short enough to leave room for the number of a goal. */
const shortened = (name: string): string => (name.length > 14 ? `${name.slice(0, 12).trimEnd()}…` : name);

/** An empty cell of a market that the offer is for, and whose goal is an amount. */
function isGap({ markets, unlock }: Offer, marketId: string): boolean {
  return unlock.by !== 'code' && (!markets || markets[marketId] === true);
}

function whyMissing(offer: Offer, marketId: string): string {
  if (isGap(offer, marketId)) return 'not offered here';
  return offer.markets && !offer.markets[marketId] ? 'not for this market' : 'by code alone';
}

function countUnit({ measure }: Goal): string {
  if (measure.kind === 'items') return 'items';
  if (measure.kind === 'weight') return 'g';
  return '';
}

/** @param odd as a multiple of the other markets' median */
function oddInWords(odd: number): string {
  const percent = Math.round(Math.abs(odd - 1) * 100);
  return `${percent}% ${odd > 1 ? 'more' : 'less'} than elsewhere`;
}
