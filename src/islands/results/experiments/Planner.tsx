import { useMemo } from 'react';
import { addExperiment } from '../../../client/edits/experiment-edits.ts';
import { freshId } from '../../../client/edits/set-at.ts';
import { goalsIn } from '../../../core/experiments/planning/goal-choices.ts';
import { planFound } from '../../../core/experiments/planning/plan-found.ts';
import { armFor, experimentOf, roundly, sharesOf } from '../../../core/experiments/planning/planned-experiment.ts';
import { parseAmount, toDecimal } from '../../../core/money/decimal.ts';
import { resolveTarget } from '../../../core/offers/target.ts';
import { localMoneyOf } from '../../../core/money/local-amount.ts';
import { inOrder } from '../../../core/ordered.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { localTime } from '../../../core/time/time-zone-clock.ts';
import { Alert } from '../../../ui/Alert.tsx';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { TypedField } from '../../../ui/TypedField.tsx';
import { DateField } from '../../fields/dates/DateField.tsx';
import { parsePercentTo, parseWhole } from '../../fields/typed-text.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation, useNow } from '../../page/page-context.tsx';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { PlannedArmPhrase } from './PlannedArmPhrase.tsx';
import { PlanInWords } from './PlanInWords.tsx';
import { usePace } from './use-experiment.ts';
import { usePlan } from './use-plan.ts';

const mostArms = 5;
const mostWeeks = 52;
/** Of an average order, the difference that a store mostly wants to know of. */
const usualEffect = 0.05;

const nothingShown = () => {};

/** An experiment as a sentence of choices, and what it takes to tell. @param begin offer and goal it begins from, and what is tried */
export function Planner({
  begin,
  market,
  target: tried,
  begun,
}: {
  begin: string;
  market: string;
  target: number | null;
  begun: (id: string) => void;
}) {
  const policy = usePolicy();
  const { figure } = useNotation();
  const today = localTime(policy.store.timeZone, useNow()).day;
  const { edit, refusal } = useGuardedEdit();
  const { plan, change, about } = usePlan(begin, market, tried);
  const { pace, known, problem } = usePace(plan.market);
  const goals = goalsIn(policy, plan.market);
  const choice = goals.find(({ key }) => key === plan.goal);
  const shares = useMemo(() => sharesOf(plan), [plan]);
  const all = shares.reduce((sum, share) => sum + share, 0);
  const effect = plan.effect ?? roundly((pace?.average[plan.measure] ?? 0) * usualEffect);
  const { measure, from, weeks } = plan;
  const found = useMemo(
    () => (pace && all <= 10_000 ? planFound(pace, { measure, effect, shares, from, weeks }) : null),
    [pace, all, measure, effect, shares, from, weeks],
  );
  if (!choice) return <p className="py-1">No goal is in force in any market: set one at Offers first.</p>;
  const { currency } = policy.markets[plan.market]!;
  const target = choice.goal.targets[plan.market];
  const now = target ? resolveTarget(target, localMoneyOf(policy, plan.market)) : null;
  const counted = choice.goal.measure.kind !== 'countedValue';
  const add = () => {
    // Where nothing is known of the store’s orders, intervals are tightest at a thousand.
    const experiment = experimentOf(policy, plan, { effect, plannedOrders: found?.orders ?? 1000 });
    if (!experiment) return;
    const id = freshId(experiment.name, policy.experiments ?? {});
    if (edit(addExperiment(id, experiment))) begun(id);
  };
  const asItIs = now === null ? 'the goal as it is' : `${counted ? now : figure(now, currency)} as it is`;
  return (
    <div className="my-2 border-l-2 border-primary pl-4" data-testid="planner">
      <p className="text-lead leading-8">
        In{' '}
        <PhraseSelect
          label="Market of the experiment"
          value={plan.market}
          options={inOrder(policy.markets).map(([id, { name }]) => [id, name])}
          choose={(id) => about({ market: id })}
          testId="plan-market"
        />
        , of{' '}
        <PhraseSelect
          label="Goal that is tried"
          value={plan.goal}
          options={goals.map(({ key, name }) => [key, name])}
          choose={(goal) => about({ goal })}
          testId="plan-goal"
        />
        ,{' '}
        <TypedField
          label="Percent of shoppers who see it as it is"
          shown={plan.firstShare}
          parse={parsePercentTo(99)}
          show={nothingShown}
          commit={(firstShare) => change({ firstShare })}
          testId="plan-share-1"
        />{' '}
        % of shoppers see {asItIs}
        {plan.arms.map((arm, place) => (
          <PlannedArmPhrase
            key={place}
            place={place}
            arm={arm}
            counted={counted}
            market={plan.market}
            change={(next) => change({ arms: plan.arms.map((one, index) => (index === place ? next : one)) })}
            remove={
              plan.arms.length > 1 ? () => change({ arms: plan.arms.filter((_, index) => index !== place) }) : null
            }
          />
        ))}
        {plan.arms.length < mostArms - 1 && (
          <>
            {' '}
            <button
              type="button"
              className="btn btn-xs"
              onClick={() => change({ arms: [...plan.arms, armFor(policy, plan.market, choice, '0')] })}
              data-testid="plan-add-arm"
            >
              and others something else
            </button>
          </>
        )}
        ; from{' '}
        <DateField
          label="First day"
          value={plan.from}
          least={dateOfDay(today)}
          change={(day) => change({ from: day })}
          testId="plan-from"
        />
        , until one can tell, at most{' '}
        <TypedField
          label="Weeks at most"
          shown={String(plan.weeks)}
          parse={parseWhole(1, mostWeeks)}
          show={nothingShown}
          commit={(value) => change({ weeks: value })}
          testId="plan-weeks"
        />{' '}
        weeks. It is judged by{' '}
        <PhraseSelect
          label="What it is judged by"
          value={plan.measure}
          options={[
            ['margin', 'margin net of delivery'],
            ['orderValue', 'order value'],
          ]}
          choose={(measure) => change({ measure: measure as typeof plan.measure, effect: null })}
          testId="plan-measure"
        />
        ; the smallest difference worth knowing is{' '}
        <TypedField
          label={`Smallest difference worth knowing, ${currency}`}
          shown={toDecimal(effect, currency)}
          parse={(text) => {
            const parsed = parseAmount(text, currency);
            if (!parsed.ok) return parsed;
            return parsed.minor > 0 ? { ok: true, value: parsed.minor } : { ok: false, reason: 'More than nothing.' };
          }}
          show={nothingShown}
          commit={(value) => change({ effect: value })}
          testId="plan-effect"
        />{' '}
        {currency} an order.{' '}
        <label className="inline-flex items-center gap-1.5 text-body">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={plan.guard}
            onChange={(event) => change({ guard: event.target.checked })}
          />
          end it by itself once an arm surely loses margin
        </label>
      </p>
      {problem && <Alert>{problem}</Alert>}
      <PlanInWords plan={plan} pace={pace} known={known} found={found} all={all} effect={effect} currency={currency} />
      <p className="flex flex-wrap items-center gap-2 pt-1">
        <button
          type="button"
          className="btn btn-sm btn-primary"
          disabled={all > 10_000 || shares.some((share) => share < 1)}
          onClick={add}
          data-testid="add-experiment"
        >
          Put it in the draft
        </button>
        <span className="text-small text-soft">
          It begins on its first day, once it is released. A shopper sees the same version every time, if the shop says
          who asks (<code>shopperKey</code>).
        </span>
      </p>
      {refusal}
    </div>
  );
}
