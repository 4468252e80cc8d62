import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type ClipboardEvent, type KeyboardEvent, type UIEvent } from 'react';
import { setTarget } from '../../../client/edits/edits.ts';
import { inTurn } from '../../../client/edits/set-at.ts';
import { localMoneyOf } from '../../../core/money/local-amount.ts';
import { decimalMarkOf, pastedTargets } from '../../../core/offers/authoring/target-table.ts';
import { offerState } from '../../../core/offers/offer-state.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Distribution } from '../../../core/orders/distribution.ts';
import type { Offer, Policy } from '../../../core/policy/types.ts';
import { useWidth } from '../../../ui/use-width.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation, useNow } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import { useEdit } from '../../page/use-edit.tsx';
import { fillAcross, moveAmongCells } from './cell-keys.ts';
import { Gap, GoalRow, type Column, type Row } from './GoalRow.tsx';

/** Fixed widths, so that a figure that changes moves nothing else. px */
const nameWidth = 172;
const stateWidth = 74;
const leastMarketWidth = 92;
/** px */
const rowHeight = 33;
const headHeight = 40;
/** Of rows, how many are in view at once, under the heading, as the class of the box says. */
const rowsInView = 7;
/** Columns and rows beyond those in view that are drawn too, so that scrolling a little draws nothing anew. */
const overscan = 3;
/** The workspace at 1280 px, less its margins. */
const designWidth = 884;

/** Offers' goals × markets. What a cell has to say beside its figure is read below the grid. */
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
  const rows = useMemo(() => rowsOf(policy.offers), [policy.offers]);
  const states = useStates(policy.offers, store.timeZone);
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, designWidth);
  const marketWidth = Math.max(
    leastMarketWidth,
    Math.floor((width - nameWidth - stateWidth) / Math.max(1, columns.length)),
  );
  const { across, down } = useWindows(box, { columns, rows, marketWidth, marketId, looked });
  const drawn = useMemo(() => columns.slice(across.from, across.to), [columns, across.from, across.to]);
  const [said, setSaid] = useState<string | null>(null);
  const [remark, setRemark] = useState('');
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
  /** What is said of the cell that is pointed at or in use. */
  const look = ({ target }: { target: EventTarget }) => {
    const cell = (target as HTMLElement).closest('td')?.dataset;
    const offer = cell?.offer === undefined ? undefined : policy.offers[cell.offer];
    const market = cell?.market === undefined ? undefined : markets[cell.market];
    setRemark(offer && market ? `${offer.name} in ${market.name}: ${cell!.remark}` : '');
  };
  return (
    <div ref={part('goals')} className="outline-none">
      <div ref={box} className="goal-grid mt-1 max-h-[275px] overflow-auto contain-content" onScroll={markScrolled}>
        <table
          className="table-fixed border-separate border-spacing-0 text-left"
          width={nameWidth + stateWidth + columns.length * marketWidth}
          aria-label="Goal grid"
          onKeyDown={onKeyDown}
          onPaste={onPaste}
          onFocus={look}
          onMouseOver={look}
        >
          <colgroup>
            <col width={nameWidth} />
            <col width={stateWidth} />
            <col span={columns.length} width={marketWidth} />
          </colgroup>
          <thead>
            <tr className="h-10 text-small leading-4 text-soft">
              <th
                scope="col"
                className="stays-left border-b border-hairline bg-base-100 py-1 pl-2 align-bottom font-normal"
              >
                Offers and goals
              </th>
              <th scope="col" className="border-b border-hairline bg-base-100">
                <span className="sr-only">Whether it is on</span>
              </th>
              <Gap columns={across.from} head />
              {drawn.map(({ id, market }) => (
                <th
                  key={id}
                  scope="col"
                  className="border-b border-hairline bg-base-100 px-1.5 py-1 text-right align-bottom text-fine font-normal"
                >
                  <button
                    type="button"
                    className={`line-clamp-2 w-full text-right hover:underline ${id === marketId ? 'font-semibold text-base-content' : ''}`}
                    aria-pressed={id === marketId}
                    title={market.name}
                    onClick={() => choose(id)}
                  >
                    {market.name} <span className="font-normal text-soft">{market.currency}</span>
                  </button>
                </th>
              ))}
              <Gap columns={columns.length - across.to} head />
            </tr>
          </thead>
          <tbody>
            <RowGap rows={down.from} />
            {rows.slice(down.from, down.to).map((row) => (
              <GoalRow
                key={`${row.offerId} ${row.goalId}`}
                {...row}
                state={states.get(row.offerId) ?? ''}
                before={across.from}
                columns={drawn}
                after={columns.length - across.to}
                distributions={distributions}
                locale={locale}
                policy={terms}
                looked={row.offerId === looked}
                choose={chooseOffer}
              />
            ))}
            <RowGap rows={rows.length - down.to} />
          </tbody>
        </table>
      </div>
      <p className="min-h-5 truncate text-fine text-soft" data-testid="grid-remark">
        {remark || inSight({ width, marketWidth, columns: columns.length, rows: rows.length })}
      </p>
      {said && (
        <p role="status" className="text-small" data-testid="grid-said">
          {said}{' '}
          <button type="button" className="btn btn-xs" onClick={() => setSaid(null)}>
            All right
          </button>
        </p>
      )}
    </div>
  );
}

/** How much of the grid is seen at a time; nothing where it is all of it. */
function inSight(of: { width: number; marketWidth: number; columns: number; rows: number }): string {
  const markets = Math.floor((of.width - nameWidth - stateWidth) / of.marketWidth);
  const seen = [
    ...(markets < of.columns ? [`${Math.max(1, markets)} of ${of.columns} markets`] : []),
    ...(rowsInView < of.rows ? [`${rowsInView} of ${of.rows} goals`] : []),
  ];
  return seen.length > 0 ? `In sight ${seen.join(', ')}; the others by scrolling.` : '';
}

/** Headings are made to stay only while they are scrolled past. */
function markScrolled({ currentTarget }: UIEvent<HTMLElement>) {
  currentTarget.toggleAttribute('data-along', currentTarget.scrollLeft > 0);
  currentTarget.toggleAttribute('data-down', currentTarget.scrollTop > 0);
}

/** Half-open: which of the columns or rows are drawn. */
interface Drawn {
  from: number;
  to: number;
}

/** The columns and rows in view, with a few around them; what is looked at from the start is in view from the start. */
function useWindows(
  box: React.RefObject<HTMLDivElement | null>,
  {
    columns,
    rows,
    marketWidth,
    marketId,
    looked,
  }: { columns: readonly Column[]; rows: readonly Row[]; marketWidth: number; marketId: string; looked: string },
): { across: Drawn; down: Drawn } {
  const [begin] = useState(() => ({
    left: Math.max(
      0,
      columns.findIndex(({ id }) => id === marketId),
    ),
    top: Math.max(0, rows.findIndex(({ offerId }) => offerId === looked) - 1),
  }));
  const across = useVirtualizer({
    count: columns.length,
    horizontal: true,
    getScrollElement: () => box.current,
    estimateSize: () => marketWidth,
    initialRect: { width: designWidth, height: 0 },
    initialOffset: begin.left * marketWidth,
    overscan,
  });
  const down = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => rowHeight,
    initialRect: { width: 0, height: headHeight + rowsInView * rowHeight },
    initialOffset: begin.top * rowHeight,
    overscan,
  });
  // Sizes are kept from the first measure on, until they are said to have changed.
  useEffect(() => across.measure(), [across, marketWidth]);
  return { across: drawnOf(across.getVirtualItems()), down: drawnOf(down.getVirtualItems()) };
}

const drawnOf = (items: readonly { index: number }[]): Drawn => ({
  from: items[0]?.index ?? 0,
  to: (items.at(-1)?.index ?? -1) + 1,
});

/** Rows that are not in view. */
function RowGap({ rows }: { rows: number }) {
  if (rows <= 0) return null;
  return (
    <tr aria-hidden>
      <td height={rows * rowHeight} className="p-0" />
    </tr>
  );
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

/** Of every offer whether it is on, planned, ended or off, by the store's clock. */
function useStates(offers: Policy['offers'], timeZone: string): ReadonlyMap<string, string> {
  const { locale } = useNotation();
  const now = useNow();
  return useMemo(() => {
    const day = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', timeZone });
    const inWords = (offer: Offer): string => {
      const state = offerState(offer, now, { store: timeZone, market: timeZone });
      switch (state.kind) {
        case 'off':
          return 'off';
        case 'planned':
          return `from ${day.format(state.from)}`;
        case 'ended':
          return `ended ${day.format(state.until - 1)}`;
        case 'on':
          return state.until === null ? 'on' : `to ${day.format(state.until - 1)}`;
      }
    };
    return new Map(Object.entries(offers).map(([id, offer]) => [id, inWords(offer)]));
  }, [offers, now, locale, timeZone]);
}
