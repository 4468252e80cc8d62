import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { Choices } from '../../contract/shapes/choices.ts';
import { orderValueGoals } from '../../core/offers/order-value-goals.ts';
import { inOrder } from '../../core/ordered.ts';
import { candidateCurve } from '../../core/orders/candidates.ts';
import { beyondBands } from '../../core/orders/distribution.ts';
import { responseOf, usualAssumption } from '../../core/orders/response.ts';
import type { Policy } from '../../core/policy/types.ts';
import { firstTrial, secondTrial } from '../../core/orders/suggest-goals.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { useWidth } from '../../ui/use-width.ts';
import { useQuery, type SetQuery } from '../page/use-query.ts';
import { niceStep } from '../../core/orders/nice-step.ts';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { firstMove } from '../../core/goal-moves/first-move.ts';
import { useRelease } from '../page/page-context.tsx';
import { AskPhrase } from './moving/AskPhrase.tsx';
import { askedGoals, askedOf, type AskedGoal } from '../../core/goal-moves/asked-goals.ts';
import { MovedGoal } from './moving/MovedGoal.tsx';
import { expectMoveChart, MoveSection } from './moving/MoveSection.tsx';
import { useMoving, type Moving } from './moving/use-moving.ts';
import { BandControl, savesOf } from './PictureControls.tsx';
import { AssumptionLine } from './response/AssumptionLine.tsx';
import { GroupPanel } from './GroupPanel.tsx';
import { ImportSection } from './import/ImportSection.tsx';
import { MeasuredResponse } from './response/MeasuredResponse.tsx';
import { amountsIn } from './order-choice.ts';
import { monthsOf } from '../../core/orders/period-months.ts';
import { expectNetChart, NetSection } from './net/NetSection.tsx';
import { OrdersKept } from './OrdersKept.tsx';
import { OrdersPicture, type Stretch } from './OrdersPicture.tsx';
import { OrdersSentence } from './OrdersSentence.tsx';
import { FirstRelease } from './reading/FirstRelease.tsx';
import { OrdersAndRules } from './reading/OrdersAndRules.tsx';
import { RulesForMarket } from './reading/RulesRead.tsx';
import { Percentiles } from './Percentiles.tsx';
import { PeaksTable } from './PeaksTable.tsx';
import { TrialGoals } from './TrialGoals.tsx';
import { saidOfMove, saidOfOneMore } from './said-of-goal.ts';
import { useTrial } from './use-trial.ts';
import { useMarketOrders, type MarketOrders } from './use-market-orders.ts';
import { Alert } from '../../ui/Alert.tsx';

/** px */
const designWidth = 884;

/**
 * Orders in one market: what they are really like, and which goal would be worth setting.
 *
 * @param steps what releases changed, newest first
 * @param orderDays for how long orders are kept one by one
 */
export function OrdersView({
  query: initial,
  steps,
  orderDays,
}: {
  query: Record<string, string>;
  steps: readonly DatedStep[];
  orderDays: Choices['orderDays'];
}) {
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
  useEffect(() => {
    expectNetChart();
    expectMoveChart();
  }, []);
  // Comes with what stands above it: under what is still being read it would move.
  const end = <OrdersKept initial={orderDays} />;
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
    if (!here) return <Reading />;
    if (here.bounds.orders === 0)
      return (
        <>
          <NoOrders openImport={() => setImporting('orders')} />
          {end}
        </>
      );
    if (here.study.summary === null)
      return (
        <>
          <p className="py-8 text-soft" data-testid="none-match">
            None of the {here.bounds.orders} orders of this market is like that. Choose another time, shopper, option or
            delivery above.
          </p>
          {end}
        </>
      );
    return (
      <>
        {!hasOptions(policy, marketId) && (
          <RulesForMarket
            marketId={marketId}
            name={policy.markets[marketId]!.name}
            currency={policy.markets[marketId]!.currency}
          />
        )}
        <Studied
          key={marketId}
          width={width}
          marketId={marketId}
          policy={policy}
          here={here}
          query={query}
          setQuery={setQuery}
          worker={worker}
          steps={steps}
          end={end}
        />
      </>
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
      <FirstRelease />
      {content()}
    </div>
  );
}

const hasOptions = ({ zones, options }: Policy, marketId: string): boolean =>
  Object.values(options).some(({ zone }) => zones[zone]?.market === marketId);

/** The curve that answers what is asked. */
function Answer({
  asked,
  moving,
  problem,
  curve,
  currency,
  study,
  goals,
}: {
  asked: AskedGoal | null;
  moving: Moving | null;
  problem: string | null;
  curve: ReturnType<typeof candidateCurve>;
  currency: string;
  study: MarketOrders['study'];
  goals: readonly number[];
}) {
  if (!asked) return <NetSection curve={curve} currency={currency} end={study.end} goals={goals} />;
  if (problem)
    return <Alert>What moving this goal would do could not be worked out: {problem}. Nothing is lost.</Alert>;
  if (!moving) return <div className="h-[172px] bg-base-200" role="status" aria-label="Reading orders" />;
  if (moving.orders === 0)
    return (
      <p className="py-2 text-soft" data-testid="no-pieces">
        None of these orders says how many pieces it had, so a goal of pieces cannot be moved.
      </p>
    );
  const end = asked.goal.measure === 'items' ? moving.end : study.end;
  return <MoveSection moving={moving} currency={currency} end={end} goals={goals} />;
}

const none: readonly number[] = [];

const Reading = () => <div className="mt-4 h-[412px] bg-base-200" aria-label="Reading orders" role="status" />;

/** Whether what is asked of moving a goal has its answer, or is not asked. */
const isAnswered = (asked: AskedGoal | null, moving: Moving | null, problem: string | null): boolean =>
  asked === null || moving !== null || problem !== null;

/** Whether something has been so at least once: what is drawn first is drawn whole, so that nothing moves when its parts come. */
function useOnce(now: boolean): boolean {
  const [once, setOnce] = useState(now);
  if (now && !once) setOnce(true);
  return once || now;
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
  steps,
  end,
}: {
  width: number;
  marketId: string;
  policy: Policy;
  here: MarketOrders;
  query: Record<string, string>;
  setQuery: SetQuery;
  worker: ReturnType<typeof useMarketOrders>['worker'];
  steps: readonly DatedStep[];
  /** stands below all of it */
  end: ReactNode;
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
  const release = useRelease();
  const goals = useMemo(
    () => askedGoals(policy, release?.policy ?? null, steps, marketId),
    [policy, release, steps, marketId],
  );
  const asked = askedOf(goals, query.ask);
  const { moving, problem } = useMoving(marketId, asked, study.filter, months, assumption);
  const pieces = asked?.goal.measure === 'items';
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

  const best = useMemo(() => {
    if (!asked) return firstTrial(curve, study.peaks);
    return (moving && firstMove(moving.curve, moving.asked.goal.measure)) ?? asked.present ?? asked.goal.value;
  }, [asked, moving, curve, study]);
  const { trial, move, letGo, setGoals, commit } = useTrial(pieces ? 'pieces' : 'goals', best, query, setQuery);

  const notation = useNotation();
  const said = useMemo(() => {
    if (asked?.goal.measure !== 'value')
      return saidOfOneMore({ tally: study.tally, months, response }, notation, currency);
    return moving ? saidOfMove(moving, notation, currency) : () => '';
  }, [asked, moving, study, months, response, notation, currency]);

  const [groupDragged, setGroupDragged] = useState<Stretch | null>(null);
  const group = groupDragged ?? stretchIn(query.group);
  const setGroup = (next: Stretch | null, done: boolean) => {
    const real = next && next.to > next.from ? { from: Math.max(0, next.from), to: next.to } : null;
    setGroupDragged(done ? null : real);
    if (done) setQuery({ group: real ? `${real.from},${real.to}` : '' });
  };

  const chooseGroup = useCallback(({ from, to }: Stretch) => setQuery({ group: `${from},${to}` }), [setQuery]);
  if (!useOnce(isAnswered(asked, moving, problem))) return <Reading />;

  return (
    <>
      <OrdersPicture
        width={width}
        currency={currency}
        study={study}
        reach={response.reach}
        said={said}
        bandWidth={band}
        goals={pieces ? none : trial}
        inForce={inForce}
        group={group}
        setGroup={setGroup}
        moveGoal={move}
        commitGoals={commit}
        picture={picture}
      />
      <AskPhrase
        goals={goals}
        asked={asked}
        currency={currency}
        choose={(ask) => {
          letGo();
          setQuery({ ask, goals: '', pieces: '' });
        }}
      />
      {/* As high as what comes into it, so that nothing below moves when it does. */}
      <div className="min-h-[186px]">
        <Answer
          asked={asked}
          moving={moving}
          problem={problem}
          curve={curve}
          currency={currency}
          study={study}
          goals={trial}
        />
      </div>
      <BandControl
        currency={currency}
        band={band}
        suggested={suggested}
        end={study.end}
        show={setBandDragged}
        set={setBand}
        save={savesOf(picture, { marketId, currency, study, band, curve: asked ? null : curve, moving })}
      />
      <OrdersBeyond study={study} currency={currency} band={band} />
      <AssumptionLine
        marketId={marketId}
        currency={currency}
        two={trial.length > 1}
        delivered={moving?.options ?? null}
      />
      <div className="mt-3 grid gap-x-8 gap-y-4 xl:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
        {asked ? (
          moving &&
          moving.orders > 0 && (
            <MovedGoal
              marketId={marketId}
              currency={currency}
              moving={moving}
              goals={trial}
              move={move}
              letGo={letGo}
              commit={commit}
              add={pieces ? null : () => setGoals([trial[0]!, secondTrial(trial[0]!, study.peaks)])}
              remove={(index) => setGoals(trial.filter((_, i) => i !== index))}
            />
          )
        ) : (
          <TrialGoals
            marketId={marketId}
            currency={currency}
            tally={study.tally}
            months={months}
            response={response}
            goals={trial}
            move={move}
            letGo={letGo}
            commit={commit}
            add={() => setGoals([trial[0]!, secondTrial(trial[0]!, study.peaks)])}
            remove={(index) => setGoals(trial.filter((_, i) => i !== index))}
          />
        )}
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
            ...(pieces ? none : trial).map((value, i) => ({
              name: i === 0 ? 'trial goal' : 'second trial goal',
              value,
            })),
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
      {hasOptions(policy, marketId) && <OrdersAndRules marketId={marketId} steps={steps} lastDay={bounds.lastDay} />}
      {end}
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

function stretchIn(text: string | undefined): Stretch | null {
  const [from, to] = amountsIn(text);
  return from !== undefined && to !== undefined && to > from ? { from, to } : null;
}
