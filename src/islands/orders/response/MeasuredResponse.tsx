import { memo, useMemo, useRef, useState } from 'react';
import { setAssumption } from '../../../client/edits/edits.ts';
import type { OrdersClient } from '../../../client/orders/orders-client.ts';
import type { BunchingResult, NoBunching } from '../../../core/orders/bunching.ts';
import type { OrderValueGoal } from '../../../core/offers/order-value-goals.ts';
import { usualAssumption } from '../../../core/orders/response.ts';
import type { OrderFilter } from '../../../core/orders/tally.ts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import { toDecimal } from '../../../core/money/decimal.ts';
import { dateOfDay, dayNumber } from '../../../core/time/day.ts';
import { TypedField } from '../../../ui/TypedField.tsx';
import { DateField } from '../../fields/dates/DateField.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { parseGoal } from '../../fields/goal-field.ts';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { picturesOf, saveCsv } from '../../page/save-file.ts';
import { wordsFor } from '../words.ts';
import { part } from '../../page/parts.ts';
import { WhenSeen } from '../../../ui/chart/WhenSeen.tsx';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { Alert } from '../../../ui/Alert.tsx';

const CounterfactualChart = lazyPart(() => import('./CounterfactualChart.tsx'));

const refusals: Record<NoBunching, string> = {
  tooFewOrders: 'Not enough orders to tell: too few lie around this goal in that time.',
  roughOutside:
    'The data do not support an estimate: orders outside the stretch around the goal are too uneven to draw a smooth line through, perhaps because many are worth the same round amount.',
};

/** How far orders may land above a goal for the sake of it, as a share of the goal. */
const landing = 0.16;

type State =
  | { kind: 'idle' }
  | { kind: 'working'; share: number }
  | { kind: 'done'; result: BunchingResult }
  | { kind: 'failed'; reason: string };

/** What a goal that was in force did, measured from the orders of its time, to be taken as the assumption. */
export const MeasuredResponse = memo(function MeasuredResponse({
  marketId,
  currency,
  filter,
  inForce,
  worker,
}: {
  marketId: string;
  currency: string;
  filter: OrderFilter;
  inForce: readonly OrderValueGoal[];
  worker: OrdersClient | null;
}) {
  const policy = usePolicy();
  const { money, locale } = useNotation();
  const words = wordsFor(locale);
  const edit = useEdit();
  const [goal, setGoal] = useState(() => inForce[0]?.value ?? 50 * minorPerMajor(currency));
  const [days, setDays] = useState<{ from: number; to: number } | null>(null);
  const [reach, setReach] = useState(25);
  const from = days?.from ?? filter.fromDay;
  const to = days?.to ?? filter.toDay - 1;
  const asked = useMemo(
    () => ({ filter: { ...filter, fromDay: from, toDay: to + 1, delivery: 'all' as const }, goal, reach }),
    [filter, from, to, goal, reach],
  );
  const [reached, setReached] = useState<{ asked: typeof asked; state: State } | null>(null);
  // What was measured for another question is no answer to this one.
  const state: State = reached?.asked === asked ? reached.state : { kind: 'idle' };
  const measure = async () => {
    if (!worker) return;
    const tell = (next: State) => setReached({ asked, state: next });
    tell({ kind: 'working', share: 0 });
    const question = { goal, from: Math.round(goal * (1 - reach / 100)), to: Math.round(goal * (1 + landing)) };
    try {
      tell({
        kind: 'done',
        result: await worker.bunching(marketId, asked.filter, question, (share) => tell({ kind: 'working', share })),
      });
    } catch (error) {
      tell({ kind: 'failed', reason: error instanceof Error ? error.message : String(error) });
    }
  };
  const day = (label: string, value: number, other: number, set: (value: number) => void) => (
    <DateField
      label={label}
      value={dateOfDay(value)}
      other={{ value: dateOfDay(other) }}
      change={(date) => {
        const next = dayNumber(date);
        if (next !== null) set(next);
      }}
    />
  );
  const take = (result: Extract<BunchingResult, { ok: true }>['result']) => {
    const { low, likely, high } = result.share;
    const percent = (share: number) => String(Math.round(Math.max(0, Math.min(1, share)) * 100));
    const half = Math.max(high - likely, likely - low) / Math.max(likely, 0.01);
    edit(
      setAssumption(marketId, {
        ...(policy.assumptions?.[marketId] ?? usualAssumption),
        reach: String(reach),
        near: percent(likely),
        far: percent(likely),
        spread: percent(half),
      }),
    );
  };
  return (
    <section
      ref={part('measured response')}
      aria-label="Measured response"
      className="mt-4 border-t border-hairline pt-2"
      data-testid="measured"
    >
      <h2 className="text-lead">What a goal did</h2>
      <p className="leading-7">
        A goal of{' '}
        <TypedField
          label={`Goal that was in force, ${currency}`}
          shown={toDecimal(goal, currency)}
          parse={(text) => parseGoal(text, currency, false)}
          show={() => {}}
          commit={(value) => value !== null && setGoal(value)}
          testId="measured-goal"
        />{' '}
        {currency} was in force from {day('In force from', from, to, (value) => setDays({ from: value, to }))} to{' '}
        {day('In force to', to, from, (value) => setDays({ from, to: value }))}. Orders lacking at most{' '}
        <TypedField
          label="Reach that is looked at, percent of the goal"
          shown={String(reach)}
          parse={(text) =>
            /^([5-9]|[1-5]\d|60)$/.test(text.trim())
              ? { ok: true, value: Number(text) }
              : { ok: false, reason: 'A whole percentage from 5 to 60.' }
          }
          show={() => {}}
          commit={setReach}
          testId="measured-reach"
        />{' '}
        % may have been lifted over it.{' '}
        <button
          type="button"
          className="btn btn-xs"
          disabled={state.kind === 'working' || !worker}
          onClick={() => void measure()}
          data-testid="measure"
        >
          Measure it
        </button>
      </p>
      {state.kind === 'working' && (
        <p className="flex items-center gap-3 text-soft">
          <progress className="progress progress-accent max-w-60" max={1} value={state.share} aria-label="Measuring" />
          {words.percent(state.share)} of 400 resamplings
        </p>
      )}
      {state.kind === 'failed' && (
        <Alert>It could not be measured: {state.reason}. Nothing was changed; try again.</Alert>
      )}
      {state.kind === 'done' && !state.result.ok && <p role="status">{refusals[state.result.because]}</p>}
      {state.kind === 'done' && state.result.ok && (
        <div role="status" data-testid="measured-result">
          {state.result.clear ? (
            <p>
              Of the orders that would have lacked at most {reach} % of {money(goal, currency)},{' '}
              <strong>{words.percent(state.result.result.share.likely)}</strong> were lifted over it, with 90 %
              certainty between {words.percent(Math.max(0, state.result.result.share.low))} and{' '}
              {words.percent(state.result.result.share.high)}: about {words.count(state.result.result.moved.likely)}{' '}
              orders.{' '}
              <button
                type="button"
                className="btn btn-primary btn-xs"
                onClick={() => state.kind === 'done' && state.result.ok && take(state.result.result)}
                data-testid="take-measured"
              >
                Take this as the assumption
              </button>
            </p>
          ) : (
            <p>
              Not enough to tell: the orders above {money(goal, currency)} are{' '}
              {words.count(Math.round(state.result.result.moved.likely))} more than a smooth line would have, but
              anything from {words.count(Math.round(state.result.result.moved.low))} to{' '}
              {words.count(Math.round(state.result.result.moved.high))} is as likely. It is not offered as an
              assumption.
            </p>
          )}
          <Counterfactual result={state.result.result} goal={goal} currency={currency} marketId={marketId} />
        </div>
      )}
    </section>
  );
});

/** Orders by band against the smooth line, around the goal. */
function Counterfactual({
  result,
  goal,
  currency,
  marketId,
}: {
  result: Extract<BunchingResult, { ok: true }>['result'];
  goal: number;
  currency: string;
  marketId: string;
}) {
  const picture = useRef<HTMLDivElement>(null);
  return (
    <figure className="mt-1">
      <WhenSeen height={148} label="orders with and without the goal">
        {() => <CounterfactualChart bands={result.bands} goal={goal} currency={currency} picture={picture} />}
      </WhenSeen>
      <figcaption className="text-fine text-soft">
        bars: orders · line: as they would have been without the goal
      </figcaption>
      <SaveAs
        what="the measured bands"
        forms={[
          {
            name: 'CSV',
            save: () =>
              saveCsv(
                `measured-${marketId}`,
                ['from', 'to', 'orders', 'expected without the goal'],
                result.bands.map(({ from, to, orders, expected }) => [
                  from,
                  to,
                  orders,
                  Math.round(expected * 100) / 100,
                ]),
              ),
          },
          ...picturesOf(picture, `measured-${marketId}`),
        ]}
      />
    </figure>
  );
}
