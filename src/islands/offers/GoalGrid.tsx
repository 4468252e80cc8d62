import {
  memo,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ClipboardEvent,
  type KeyboardEvent,
  type UIEvent,
} from 'react';
import type { Edit } from '../../client/edits/edit.ts';
import { setTarget } from '../../client/edits/edits.ts';
import { fillTarget } from '../../client/edits/offer-edits.ts';
import { inTurn } from '../../client/edits/set-at.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { inOrder } from '../../core/ordered.ts';
import { localMoneyOf, type LocalMoney } from '../../core/money/local-amount.ts';
import { countsOrderValue } from '../../core/offers/order-value-goals.ts';
import { decimalMarkOf, pastedTargets, unevenTargets } from '../../core/offers/authoring/target-table.ts';
import { resolveTarget } from '../../core/offers/target.ts';
import type { Goal, Market, Offer, Policy } from '../../core/policy/types.ts';
import type { Distribution } from '../../core/orders/distribution.ts';
import { TypedField } from '../../ui/TypedField.tsx';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { useWidth } from '../../ui/use-width.ts';
import { parseCount, parseGoal, shownGoal } from '../fields/goal-field.ts';
import { sharesAround } from '../spend-line/Regions.tsx';
import { useEdit } from '../page/use-edit.tsx';

/** Fixed widths, so that a figure that changes moves nothing else. px */
const nameWidth = 160;
const marketWidth = 216;
/** As its class says. px */
const rowHeight = 36;
/** Of rows, how many are in view at once, under the heading. */
const rowsInView = 6;
/** Columns and rows beyond those in view that are drawn too, so that scrolling a little draws nothing anew. */
const margin = 3;

interface Column {
  id: string;
  market: Market;
  money: LocalMoney;
}

/** Offers' goals × markets. An empty cell is a market without the offer, and stands out. */
export function GoalGrid({
  marketId,
  choose,
  offerId: looked,
  chooseOffer,
  distributions,
}: {
  marketId: string;
  choose: (market: string) => void;
  /** the offer looked at */
  offerId: string;
  chooseOffer: (offer: string) => void;
  distributions: ReadonlyMap<string, Distribution>;
}) {
  const edit = useEdit();
  const policy = usePolicy();
  const { locale } = useNotation();
  const { store, rates, markets } = policy;
  // What amounts come to depends on these parts of the policy alone.
  const terms = useMemo(() => ({ store, markets, ...(rates ? { rates } : {}) }), [store, rates, markets]);
  const columns = useMemo(
    () => inOrder(terms.markets).map(([id, market]): Column => ({ id, market, money: localMoneyOf(terms, id) })),
    [terms],
  );
  const box = useRef<HTMLDivElement>(null);
  const most = Math.ceil(useWidth(box, 800) / marketWidth) + 2 * margin;
  const [inView, setInView] = useState(() => columns.findIndex(({ id }) => id === marketId));
  const first = windowAt(inView, columns.length, most);
  const rows = useMemo(() => rowsOf(policy.offers), [policy.offers]);
  const mostRows = rowsInView + 2 * margin;
  const [rowInView, setRowInView] = useState(() => rows.findIndex(({ offerId }) => offerId === looked));
  const firstRow = windowAt(rowInView, rows.length, mostRows);
  const drawnRows = rows.slice(firstRow, firstRow + mostRows);
  const onScroll = ({ currentTarget }: UIEvent<HTMLElement>) => {
    currentTarget.toggleAttribute('data-along', currentTarget.scrollLeft > 0);
    currentTarget.toggleAttribute('data-down', currentTarget.scrollTop > 0);
    setInView(stepAt(Math.floor(currentTarget.scrollLeft / marketWidth)));
    setRowInView(stepAt(Math.floor(currentTarget.scrollTop / rowHeight)));
  };
  // What is looked at from the start is in view from the start.
  const [begin] = useState({
    left: Math.max(0, inView) * marketWidth,
    top: Math.max(0, rowInView - 1) * rowHeight,
  });
  useEffect(() => box.current?.scrollTo(begin), [begin]);
  const drawn = useMemo(() => columns.slice(first, first + most), [columns, first, most]);
  const after = columns.length - first - drawn.length;
  const [said, setSaid] = useState<string | null>(null);
  const onPaste = (event: ClipboardEvent<HTMLTableElement>) => {
    const text = event.clipboardData.getData('text/plain');
    const at = (event.target as HTMLElement).closest('td')?.dataset;
    if (!/[\t\n]/.test(text.trim()) || !at?.offer) return;
    event.preventDefault();
    const row = rows.findIndex(({ offerId, goalId }) => offerId === at.offer && goalId === at.goal);
    const column = columns.findIndex(({ id }) => id === at.market);
    const { cells, wrong } = pastedTargets(
      text,
      rows.slice(row).map(({ offerId, goalId }) => ({ offer: offerId, goal: goalId })),
      columns.slice(column).map(({ id }) => id),
      policy,
      decimalMarkOf(locale),
    );
    const [first] = wrong;
    if (first)
      setSaid(
        `Nothing was pasted. Row ${first.row}, column ${first.column}, “${first.text}”: ${first.reason}${wrong.length > 1 ? `; and ${wrong.length - 1} more like it` : ''}.`,
      );
    else if (edit(inTurn(...cells.map(({ offer, goal, market, value }) => setTarget(offer, goal, market, value)))))
      setSaid(`${cells.length} cells were pasted. Undo takes all of it back.`);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLTableElement>) => {
    if (event.altKey && event.key === 'ArrowRight') fillAcross(event, edit);
    else moveAmongCells(event);
  };
  return (
    <>
      <div ref={box} className="goal-grid mt-2 max-h-[252px] overflow-auto contain-content" onScroll={onScroll}>
        <table
          className="table-fixed text-left"
          width={nameWidth + columns.length * marketWidth}
          aria-label="Goal grid"
          onKeyDown={onKeyDown}
          onPaste={onPaste}
        >
          <colgroup>
            <col width={nameWidth} />
            <col span={columns.length} width={marketWidth} />
          </colgroup>
          <thead>
            <tr className="h-9 border-b border-hairline text-[13px] text-soft">
              <th scope="col" className="stays-left bg-base-100 py-1 pr-3 font-normal">
                Goals
              </th>
              <Gap columns={first} head />
              {drawn.map(({ id, market }) => (
                <th key={id} scope="col" className="truncate bg-base-100 px-3 py-1 font-normal">
                  <button
                    type="button"
                    className={`hover:underline ${id === marketId ? 'font-semibold text-base-content' : ''}`}
                    aria-pressed={id === marketId}
                    onClick={() => choose(id)}
                  >
                    {market.name}
                  </button>{' '}
                  {market.currency}
                </th>
              ))}
              <Gap columns={after} head />
            </tr>
          </thead>
          <tbody>
            <RowGap rows={firstRow} />
            {drawnRows.map((row) => (
              <GoalRow
                key={`${row.offerId} ${row.goalId}`}
                {...row}
                before={first}
                columns={drawn}
                after={after}
                distributions={distributions}
                locale={locale}
                policy={terms}
                looked={row.offerId === looked}
                choose={chooseOffer}
              />
            ))}
            <RowGap rows={rows.length - firstRow - drawnRows.length} />
          </tbody>
        </table>
      </div>
      {said && (
        <p role="status" className="text-[13px]" data-testid="grid-said">
          {said}{' '}
          <button type="button" className="quiet-button" onClick={() => setSaid(null)}>
            All right
          </button>
        </p>
      )}
    </>
  );
}

type Move = 'down' | 'up' | 'right' | 'left';

/** @param whole the whole figure is chosen: arrows then lead out of it */
function moveOf({ key, shiftKey }: KeyboardEvent, whole: boolean): Move | null {
  if (key === 'ArrowDown' || (key === 'Enter' && !shiftKey)) return 'down';
  if (key === 'ArrowUp' || key === 'Enter') return 'up';
  if (!whole) return null;
  if (key === 'ArrowRight') return 'right';
  return key === 'ArrowLeft' ? 'left' : null;
}

function cellBeside(row: Element, cell: Element, move: Move): Element | null | undefined {
  if (move === 'right') return cell.nextElementSibling;
  if (move === 'left') return cell.previousElementSibling;
  const other = move === 'down' ? row.nextElementSibling : row.previousElementSibling;
  return other?.children[[...row.children].indexOf(cell)];
}

/** Up, down and Enter go from row to row; left and right from column to column where the whole figure is chosen, as it is when a cell is come to. */
function moveAmongCells(event: KeyboardEvent<HTMLTableElement>) {
  const field = event.target;
  if (!(field instanceof HTMLInputElement) || event.altKey || event.ctrlKey || event.metaKey) return;
  const whole = field.selectionStart === 0 && field.selectionEnd === field.value.length;
  const move = moveOf(event, whole);
  if (!move) return;
  const row = field.closest('tr');
  const cell = field.closest('td');
  if (!row || !cell) return;
  const target = cellBeside(row, cell, move)?.querySelector('input');
  if (!target) return;
  event.preventDefault();
  target.focus();
}

/** Alt and right put a cell's goal into the next market, as that one's currency has it, and go there. */
function fillAcross(event: KeyboardEvent<HTMLTableElement>, edit: (edit: Edit) => boolean) {
  const cell = (event.target as HTMLElement).closest('td');
  const next = cell?.nextElementSibling;
  if (!cell || !(next instanceof HTMLElement) || !next.dataset.market || !cell.dataset.market) return;
  event.preventDefault();
  const { offer, goal, market } = cell.dataset;
  // Leaving the field takes what has been typed in it first.
  next.querySelector('input')?.focus();
  edit(fillTarget(offer!, goal!, market, next.dataset.market));
}

/** Scrolling goes from step to step of some columns, so that not every column passed draws the grid anew. */
const stepAt = (column: number) => Math.floor(column / margin) * margin;

/** The first column drawn when one is to be in view: a few before it are drawn too, and none beyond the last. */
const windowAt = (inView: number, columns: number, most: number) =>
  Math.max(0, Math.min(columns - most, stepAt(inView - margin + 1)));

/** Columns that are not in view. */
function Gap({ columns, head }: { columns: number; head?: boolean }) {
  if (columns <= 0) return null;
  return head ? <th colSpan={columns} aria-hidden /> : <td colSpan={columns} aria-hidden />;
}

/** Rows that are not in view. */
function RowGap({ rows }: { rows: number }) {
  if (rows <= 0) return null;
  return (
    <tr aria-hidden>
      <td height={rows * rowHeight} className="p-0" />
    </tr>
  );
}

interface Row {
  offerId: string;
  offer: Offer;
  goalId: string;
  goal: Goal;
  /** from 1; null where the offer has one goal */
  number: number | null;
}

const rowsOf = (offers: Policy['offers']): Row[] =>
  inOrder(offers).flatMap(([offerId, offer]) =>
    (offer.archived ? [] : inOrder(offer.goals)).map(([goalId, goal], index, goals): Row => ({
      offerId,
      offer,
      goalId,
      goal,
      number: goals.length > 1 ? index + 1 : null,
    })),
  );

/** A goal in all markets. Drawn anew only when its offer has changed: a dragged goal leaves the others alone. */
const GoalRow = memo(function GoalRow({
  offerId,
  offer,
  goalId,
  goal,
  number,
  before,
  columns,
  after,
  distributions,
  locale,
  policy,
  looked,
  choose,
}: Row & {
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
  return (
    <tr className="isolate h-9 border-b border-hairline">
      <th scope="row" className="stays-left truncate bg-base-100 pr-3 font-semibold">
        <button
          type="button"
          className={`max-w-full truncate text-left hover:underline ${offer.on ? '' : 'font-normal text-soft'}`}
          aria-pressed={looked}
          onClick={() => choose(offerId)}
          data-testid={number === null || number === 1 ? `choose-${offerId}` : undefined}
        >
          {looked && <span aria-hidden>▸ </span>}
          {offer.name}
          {number !== null && <span className="font-normal text-soft"> goal {number}</span>}
        </button>
      </th>
      <Gap columns={before} />
      {columns.map(({ id, market, money }) => {
        const set = goal.targets[id];
        const target = set ? resolveTarget(set, money) : null;
        const distribution = distributions.get(id);
        const share =
          countsOrderValue(goal, market) && target !== null && distribution && distribution.orders > 0
            ? sharesAround(distribution, target).above
            : null;
        const reached = share === null ? countUnit(goal) : `${percent.format(share)} reach it`;
        const stated =
          set && 'following' in set ? `follows ${toDecimal(set.following.base, money.baseCurrency)}` : reached;
        const remark = target === null ? whyMissing(offer, id) : stated;
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
            remark={remark}
            odd={uneven.get(id) ?? null}
            stands={target === null && isGap(offer, id)}
          />
        );
      })}
      <Gap columns={after} />
    </tr>
  );
});

/** One goal in one market, drawn anew only when something in it has changed. */
const GoalCell = memo(function GoalCell({
  offerId,
  goalId,
  marketId,
  label,
  currency,
  measure,
  target,
  remark,
  stands,
  odd,
}: {
  offerId: string;
  goalId: string;
  marketId: string;
  label: string;
  /** null for a goal in pieces or grams */
  currency: string | null;
  measure: string;
  target: number | null;
  remark: string;
  /** an empty cell that nobody has meant */
  stands: boolean;
  /** what it comes to as a multiple of the other markets' median, where that stands out */
  odd: number | null;
}) {
  const edit = useEdit();
  const show = useDraft((state) => state.show);
  return (
    <td className="px-3" data-offer={offerId} data-goal={goalId} data-market={marketId}>
      <span className="flex items-baseline gap-2">
        <TypedField
          label={label}
          shown={shownGoal(target, currency)}
          parse={(text) => (currency === null ? parseCount(text, measure) : parseGoal(text, currency, true))}
          show={(value) => show(value === undefined ? null : setTarget(offerId, goalId, marketId, value))}
          commit={(value) => edit(setTarget(offerId, goalId, marketId, value))}
          testId={`grid-${offerId}-${goalId === 'first' ? '' : `${goalId}-`}${marketId}`}
        />
        <span
          className={`w-28 truncate text-[12px] ${stands || odd !== null ? 'text-warning' : 'text-soft'}`}
          title={remark}
        >
          {odd === null ? remark : oddInWords(odd)}
        </span>
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
  if (measure.kind === 'items') return 'items';
  if (measure.kind === 'weight') return 'g';
  return '';
}

/** @param odd as a multiple of the other markets' median */
function oddInWords(odd: number): string {
  const percent = Math.round(Math.abs(odd - 1) * 100);
  return `${percent}% ${odd > 1 ? 'more' : 'less'} than elsewhere`;
}
