import { useState } from 'react';
import { setTargets } from '../../client/edits/offer-edits.ts';
import { parseAmount, toDecimal } from '../../core/money/decimal.ts';
import { localMoneyOf } from '../../core/money/local-amount.ts';
import { resolveTarget, targetIn } from '../../core/offers/target.ts';
import { followingTargets, roundedTargets, spreadTarget } from '../../core/offers/authoring/target-table.ts';
import type { Goal } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { Becomes } from '../../ui/Becomes.tsx';

const steps: [string, string][] = [
  ['1', '1'],
  ['5', '5'],
  ['10', '10'],
];

/** What is done to all markets of a goal at once: follow one amount, be rounded, take one market's amount over. */
export function RowTools({
  offerId,
  goals,
  marketId,
}: {
  offerId: string;
  goals: readonly (readonly [string, Goal])[];
  marketId: string;
}) {
  const edit = useEdit();
  const policy = usePolicy();
  const [chosen, setChosen] = useState('');
  const [goalId, goal] = goals.find(([id]) => id === chosen) ?? goals[0]!;
  const [units, setUnits] = useState('5');
  const [copying, setCopying] = useState(false);
  const { baseCurrency } = policy.store;
  const first = Object.keys(goal.targets).find((id) => policy.markets[id]?.currency === baseCurrency);
  const suggested = first === undefined ? 6000 : (targetIn(policy, offerId, goalId, first) ?? 6000);
  const [typed, setTyped] = useState<string | null>(null);
  const base = parseAmount(typed ?? toDecimal(suggested, baseCurrency), baseCurrency);
  const step = Number(units);
  const offeredIn = policy.offers[offerId]?.markets;
  const others = Object.keys(policy.markets).filter((id) => id !== marketId && (!offeredIn || offeredIn[id]));
  if (goal.measure.kind !== 'countedValue') return null;
  const quiet = 'btn btn-xs';
  return (
    <div className="mt-1 border-t border-hairline pt-1 text-small" data-testid="row-tools">
      {goals.length > 1 && (
        <>
          <PhraseSelect
            label="Goal that is meant"
            value={goalId}
            options={goals.map(([id], index) => [id, `Goal ${index + 1}`] as const)}
            choose={setChosen}
          />{' '}
        </>
      )}
      {goals.length > 1 ? 'in all markets' : 'In all markets'}:{' '}
      <button
        type="button"
        className={quiet}
        disabled={!base.ok || base.minor < 1}
        onClick={() => base.ok && edit(setTargets(offerId, goalId, followingTargets(goal, base.minor, step, policy)))}
        data-testid="follow-base"
      >
        follow
      </button>{' '}
      <input
        className="field text-right"
        aria-label={`Amount to follow, ${baseCurrency}`}
        aria-invalid={!base.ok}
        value={typed ?? toDecimal(suggested, baseCurrency)}
        onChange={(event) => setTyped(event.target.value)}
      />{' '}
      {baseCurrency},{' '}
      <button
        type="button"
        className={quiet}
        onClick={() => edit(setTargets(offerId, goalId, roundedTargets(goal, step, policy)))}
        data-testid="round-all"
      >
        round
      </button>
      ,{' '}
      <button
        type="button"
        className={quiet}
        disabled={!goal.targets[marketId]}
        onClick={() => edit(setTargets(offerId, goalId, spreadTarget(marketId, goal, others, step, policy)))}
        data-testid="spread"
      >
        take over that of {policy.markets[marketId]?.name}
      </button>{' '}
      or{' '}
      <button
        type="button"
        className={quiet}
        disabled={!goal.targets[marketId]}
        aria-expanded={copying}
        onClick={() => setCopying(!copying)}
        data-testid="copy-target"
      >
        copy it to …
      </button>
      ; to the nearest <PhraseSelect label="Round to the nearest" value={units} options={steps} choose={setUnits} />{' '}
      units
      {copying && goal.targets[marketId] && (
        <CopyTarget
          goal={goal}
          from={marketId}
          others={others}
          step={step}
          copy={(markets) => {
            if (edit(setTargets(offerId, goalId, spreadTarget(marketId, goal, markets, step, policy))))
              setCopying(false);
          }}
        />
      )}
    </div>
  );
}

/** Markets picked by hand, each with what the goal would become there. */
function CopyTarget({
  goal,
  from,
  others,
  step,
  copy,
}: {
  goal: Goal;
  from: string;
  others: readonly string[];
  step: number;
  copy: (markets: string[]) => void;
}) {
  const policy = usePolicy();
  const { money } = useNotation();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const would = spreadTarget(from, goal, others, step, policy);
  const amountIn = (market: string, target: Goal['targets'][string] | undefined) => {
    const there = localMoneyOf(policy, market);
    const minor = target ? resolveTarget(target, there) : null;
    return minor === null ? 'nothing' : money(minor, there.currency);
  };
  const toggle = (market: string) =>
    setChosen(
      (before) => new Set(before.has(market) ? [...before].filter((other) => other !== market) : [...before, market]),
    );
  return (
    <span
      className="my-1 flex flex-wrap items-baseline gap-x-1 border-l-2 border-primary pl-3"
      role="group"
      aria-label="Markets to copy the goal to"
      data-testid="copy-target-to"
    >
      {others.map((market) => {
        const [was, becomes] = [amountIn(market, goal.targets[market]), amountIn(market, would[market])];
        return (
          <button
            key={market}
            type="button"
            className="btn btn-ghost btn-xs"
            aria-pressed={chosen.has(market)}
            disabled={was === becomes}
            onClick={() => toggle(market)}
            data-testid={`copy-target-${market}`}
          >
            {policy.markets[market]?.name}{' '}
            {was === becomes ? (
              'has it'
            ) : (
              <>
                {was}
                <Becomes />
                {becomes}
              </>
            )}
          </button>
        );
      })}
      <button
        type="button"
        className="btn btn-xs btn-primary"
        disabled={chosen.size === 0}
        onClick={() => copy([...chosen])}
        data-testid="copy-target-now"
      >
        {chosen.size < 2 ? 'Copy it' : `Copy it to ${chosen.size} markets`}
      </button>
    </span>
  );
}
