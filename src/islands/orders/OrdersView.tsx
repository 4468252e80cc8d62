import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { orderValueGoals } from '../../core/offers/order-value-goals.ts';
import { inOrder } from '../../core/ordered.ts';
import { candidateCurve, type Outcome } from '../../core/orders/candidates.ts';
import { bands, beyondBands } from '../../core/orders/distribution.ts';
import { responseOf, usualAssumption } from '../../core/orders/response.ts';
import type { Policy } from '../../core/policy/types.ts';
import { firstTrial, secondTrial } from '../../core/orders/suggest-goals.ts';
import { TypedField } from '../../ui/TypedField.tsx';
import { toDecimal } from '../../core/money/decimal.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { useWidth } from '../../ui/use-width.ts';
import { useQuery, type SetQuery } from '../page/use-query.ts';
import { parseGoal } from '../fields/goal-field.ts';
import { niceStep } from '../../core/orders/nice-step.ts';
import { AssumptionLine } from './AssumptionLine.tsx';
import { GroupPanel } from './GroupPanel.tsx';
import { ImportSection } from './import/ImportSection.tsx';
import { MeasuredResponse } from './MeasuredResponse.tsx';
import { amountsIn } from './order-choice.ts';
import { monthsOf } from '../../core/orders/period-months.ts';
import { expectNetChart, NetSection } from './net/NetSection.tsx';
import { OrdersPicture, type Stretch } from './OrdersPicture.tsx';
import { OrdersSentence } from './OrdersSentence.tsx';
import { Percentiles } from './Percentiles.tsx';
import { PeaksTable } from './PeaksTable.tsx';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { saveCsv, savePng, saveSvg } from '../page/save-file.ts';
import { TrialGoals } from './TrialGoals.tsx';
import { useMarketOrders, type MarketOrders } from './use-market-orders.ts';
import { Alert } from '../../ui/Alert.tsx';

/** px */
const designWidth = 884;

/** Orders in one market: what they are really like, and which goal would be worth setting. */
export function OrdersView({ query: initial }: { query: Record<string, string> }) {
  const policy = usePolicy();
  const [query, setQuery] = useQuery(initial);
  const markets = inOrder(policy.markets);
  const marketId = policy.markets[query.market ?? ''] ? query.market! : markets[0]![0];
  const { orders, reading, problem, worker, reload } = useMarketOrders(marketId, query);
  const [importing, setImporting] = useState<'orders' | 'products' | null>(
    query.import === 'products' || query.import === 'orders' ? query.import : null,
  );
  const here = orders?.market === marketId ? orders : null;
  const inside = useRef<HTMLDivElement>(null);
  const width = useWidth(inside, designWidth);
  useEffect(expectNetChart, []);
  const content = () => {
    if (problem)
      return (
        <Alert className="my-4">
          The orders could not be read: {problem}. Nothing is lost.{' '}
          <button type="button" className="btn btn-xs" onClick={reload}>
            Try again
          </button>
        </Alert>
      );
    if (!here) return <div className="mt-4 h-[412px] bg-base-200" aria-label="Reading orders" role="status" />;
    if (here.bounds.orders === 0) return <NoOrders openImport={() => setImporting('orders')} />;
    if (here.study.summary === null)
      return (
        <p className="py-8 text-soft" data-testid="none-match">
          None of the {here.bounds.orders} orders of this market is like that. Choose another time, shopper, option or
          delivery above.
        </p>
      );
    return (
      <Studied
        key={marketId}
        width={width}
        marketId={marketId}
        policy={policy}
        here={here}
        query={query}
        setQuery={setQuery}
        worker={worker}
      />
    );
  };
  return (
    <div className="px-5 py-3">
      <div ref={inside} />
      <OrdersSentence
        marketId={marketId}
        markets={markets}
        query={query}
        setQuery={setQuery}
        orders={here}
        reading={reading}
        openImport={setImporting}
      />
      <ImportSection open={importing} setOpen={setImporting} changed={reload} />
      {content()}
    </div>
  );
}

function NoOrders({ openImport }: { openImport: () => void }) {
  return (
    <div className="max-w-[42rem] py-8">
      <p>
        There are no past orders of this market yet. Everything here is computed from them: export them from your shop
        as CSV, with any columns.
      </p>
      <button type="button" className="btn btn-primary btn-sm mt-3" onClick={openImport}>
        Import orders
      </button>
    </div>
  );
}

function Studied({
  width,
  marketId,
  policy,
  here,
  query,
  setQuery,
  worker,
}: {
  width: number;
  marketId: string;
  policy: Policy;
  here: MarketOrders;
  query: Record<string, string>;
  setQuery: SetQuery;
  worker: ReturnType<typeof useMarketOrders>['worker'];
}) {
  const { study, bounds } = here;
  const currency = policy.markets[marketId]!.currency;
  const months = monthsOf(study.filter, bounds);
  const assumption = policy.assumptions?.[marketId];
  const response = useMemo(() => responseOf(assumption ?? usualAssumption), [assumption]);
  const curve = useMemo(
    () => candidateCurve(study.tally, months, response, niceStep(study.end / 200), study.end),
    [study, months, response],
  );
  const inForce = useMemo(() => orderValueGoals(policy, marketId), [policy, marketId]);
  const suggested = niceStep(Math.max(1, study.suggestedBand * 0.6));
  const picture = useRef<SVGSVGElement>(null);

  // The address says what is looked at; what is being dragged or typed stands in for it until it is let go.
  const [bandDragged, setBandDragged] = useState<number | null>(null);
  const band = bandDragged ?? (amountsIn(query.band)[0] || suggested);
  const setBand = (value: number | null) => {
    setBandDragged(null);
    setQuery({ band: value === null ? '' : String(value) });
  };

  const best = useMemo(() => firstTrial(curve, study.peaks), [curve, study]);
  const [goalsDragged, setGoalsDragged] = useState<number[] | null>(null);
  const trial = goalsDragged ?? goalsIn(query.goals) ?? [best];
  // A drag goes on between two drawings.
  const latest = useRef(trial);
  latest.current = trial;
  const move = (index: number, value: number) => {
    const next = [...latest.current];
    // The second stays above the first.
    next[index] = index === 0 ? Math.min(value, (next[1] ?? Infinity) - 1) : Math.max(value, next[0]! + 1);
    latest.current = next;
    setGoalsDragged(next);
  };
  const setGoals = (goals: readonly number[]) => {
    setGoalsDragged(null);
    setQuery({ goals: goals.join(',') });
  };
  const commit = () => setGoals(latest.current);

  const [groupDragged, setGroupDragged] = useState<Stretch | null>(null);
  const group = groupDragged ?? stretchIn(query.group);
  const setGroup = (next: Stretch | null, done: boolean) => {
    const real = next && next.to > next.from ? { from: Math.max(0, next.from), to: next.to } : null;
    setGroupDragged(done ? null : real);
    if (done) setQuery({ group: real ? `${real.from},${real.to}` : '' });
  };

  const chooseGroup = useCallback(({ from, to }: Stretch) => setQuery({ group: `${from},${to}` }), [setQuery]);

  return (
    <>
      <OrdersPicture
        width={width}
        currency={currency}
        study={study}
        months={months}
        response={response}
        bandWidth={band}
        goals={trial}
        inForce={inForce}
        group={group}
        setGroup={setGroup}
        moveGoal={move}
        commitGoals={commit}
        picture={picture}
      />
      <NetSection curve={curve} currency={currency} end={study.end} goals={trial} />
      <BandControl
        currency={currency}
        band={band}
        suggested={suggested}
        end={study.end}
        show={setBandDragged}
        set={setBand}
        save={savesOf(picture, { marketId, currency, study, band, curve })}
      />
      <OrdersBeyond study={study} currency={currency} band={band} />
      <AssumptionLine marketId={marketId} currency={currency} two={trial.length > 1} />
      <div className="mt-3 grid gap-x-8 gap-y-4 xl:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
        <TrialGoals
          marketId={marketId}
          currency={currency}
          tally={study.tally}
          months={months}
          response={response}
          goals={trial}
          move={move}
          letGo={() => setGoalsDragged(null)}
          commit={commit}
          add={() => setGoals([trial[0]!, secondTrial(trial[0]!, study.peaks)])}
          remove={(index) => setGoals(trial.filter((_, i) => i !== index))}
        />
        <div>
          <PeaksTable marketId={marketId} currency={currency} study={study} choose={chooseGroup} />
          <Percentiles marketId={marketId} currency={currency} study={study} />
        </div>
      </div>
      {group && (
        <GroupPanel
          marketId={marketId}
          currency={currency}
          tally={study.tally}
          filter={study.filter}
          group={group}
          setGroup={setGroup}
          settled={groupDragged === null}
          amounts={[
            ...trial.map((value, i) => ({ name: i === 0 ? 'trial goal' : 'second trial goal', value })),
            ...inForce,
          ]}
        />
      )}
      <MeasuredResponse
        marketId={marketId}
        currency={currency}
        filter={study.filter}
        inForce={inForce}
        worker={worker}
      />
    </>
  );
}

/** Orders that the picture does not reach are said, so that nobody takes the bars for all of them. */
function OrdersBeyond({ study, currency, band }: { study: MarketOrders['study']; currency: string; band: number }) {
  const { money, locale } = useNotation();
  const { from, orders } = beyondBands(study.tally, band, study.end);
  if (orders === 0) return null;
  return (
    <p className="text-small text-soft" data-testid="orders-beyond">
      {new Intl.NumberFormat(locale).format(orders)} {orders === 1 ? 'order is' : 'orders are'} worth{' '}
      {money(from, currency)} or more and lie to the right of the picture.
    </p>
  );
}

function goalsIn(text: string | undefined): number[] | null {
  const goals = amountsIn(text)
    .filter((goal) => goal > 0)
    .slice(0, 2);
  return goals.length > 0 ? goals : null;
}

function stretchIn(text: string | undefined): Stretch | null {
  const [from, to] = amountsIn(text);
  return from !== undefined && to !== undefined && to > from ? { from, to } : null;
}

/** What the picture shows. */
interface Shown {
  marketId: string;
  currency: string;
  study: MarketOrders['study'];
  band: number;
  curve: readonly Outcome[];
}

function savesOf(
  picture: RefObject<SVGSVGElement | null>,
  { marketId, currency, study, band, curve }: Shown,
): { name: string; save: () => void }[] {
  const name = `orders-${marketId}`;
  const write = (minor: number) => toDecimal(Math.round(minor), currency);
  const beyond = beyondBands(study.tally, band, study.end);
  return [
    {
      name: 'bands CSV',
      save: () =>
        saveCsv(
          `${name}-bands`,
          [`from, ${currency}`, `to below, ${currency}`, 'orders'],
          [
            ...bands(study.tally, band, study.end).map(({ from, to, orders }) => [write(from), write(to), orders]),
            ...(beyond.orders > 0 ? [[write(beyond.from), '', beyond.orders]] : []),
          ],
        ),
    },
    {
      name: 'density CSV',
      save: () =>
        saveCsv(
          `${name}-density`,
          [`value, ${currency}`, `orders for each ${toDecimal(1, currency)} ${currency}`],
          [...(study.density?.heights ?? [])].map((height, i) => [write(i * study.density!.step), height]),
        ),
    },
    {
      name: 'candidates CSV',
      save: () =>
        saveCsv(
          `${name}-candidates`,
          ['goal', 'cost', 'gain', 'net', 'net low', 'net high']
            .map((figure) => `${figure}, ${currency}`)
            .concat('share reaching it'),
          curve.map(({ goals, cost, gain, net, low, high, qualifying }) => [
            write(goals[0]!.goal),
            ...[cost, gain, net, low, high].map(write),
            Math.round(qualifying * 10_000) / 10_000,
          ]),
        ),
    },
    { name: 'SVG', save: () => picture.current && saveSvg(name, picture.current) },
    { name: 'PNG', save: () => picture.current && void savePng(name, picture.current) },
  ];
}

function BandControl({
  currency,
  band,
  suggested,
  end,
  show,
  set,
  save,
}: {
  currency: string;
  band: number;
  suggested: number;
  end: number;
  show: (value: number | null) => void;
  set: (value: number | null) => void;
  save: { name: string; save: () => void }[];
}) {
  const narrowest = Math.max(1, niceStep(end / 400));
  const widest = Math.max(narrowest * 2, niceStep(end / 8));
  const label = `Width of the bands, ${currency}`;
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 pb-1">
      <label className="flex items-center gap-2">
        bands of
        <input
          type="range"
          className="w-32 accent-primary"
          min={narrowest}
          max={widest}
          step={narrowest}
          value={band}
          aria-label={label}
          aria-valuetext={toDecimal(band, currency)}
          onChange={(event) => show(Number(event.target.value))}
          onPointerUp={() => set(band)}
          onKeyUp={() => set(band)}
          data-testid="band-range"
        />
      </label>
      <span>
        <TypedField
          label={label}
          shown={toDecimal(band, currency)}
          parse={(text) => parseGoal(text, currency, false)}
          show={(value) => show(typeof value === 'number' ? Math.max(narrowest, value) : null)}
          commit={(value) => value !== null && set(Math.max(narrowest, value))}
          testId="band-width"
        />{' '}
        {currency}
      </span>
      {band !== suggested && (
        <button type="button" className="btn btn-xs" onClick={() => set(null)}>
          as the orders suggest
        </button>
      )}
      <span className="ml-auto">
        <SaveAs what="the picture’s" forms={save} />
      </span>
    </div>
  );
}
