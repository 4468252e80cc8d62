import { useState } from 'react';
import { setGoalAmount } from '../../client/edits/edits.ts';
import { minorPerMajor } from '../../core/money/currency.ts';
import { followingNear, localMoneyOf, resolveAmount } from '../../core/money/local-amount.ts';
import { inOrder } from '../../core/ordered.ts';
import type { LocalAmount } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';

/** Makes a trial goal the goal of an offer in this market, and goes to it. */
export function MakeGoal({
  marketId,
  currency,
  goal,
  which,
}: {
  marketId: string;
  currency: string;
  goal: number;
  which: string;
}) {
  const policy = usePolicy();
  const { money } = useNotation();
  const edit = useEdit();
  const flushed = useDraft((state) => state.flushed);
  const choices = inOrder(policy.offers).flatMap(([offerId, offer]) =>
    (offer.archived ? [] : inOrder(offer.goals)).flatMap(([goalId, { measure }], position, all) =>
      measure.kind === 'countedValue'
        ? [
            {
              key: `${offerId}/${goalId}`,
              offerId,
              goalId,
              name: all.length > 1 ? `${offer.name}, goal ${position + 1}` : offer.name,
            },
          ]
        : [],
    ),
  );
  const [chosen, setChosen] = useState('');
  const [how, setHow] = useState<'exact' | 'following'>('exact');
  const choice = choices.find(({ key }) => key === chosen) ?? choices[0];
  const local = localMoneyOf(policy, marketId);
  const following = followingNear(goal, local, roundnessOf(goal, currency));
  if (!choice) return null;
  const amount: LocalAmount = how === 'following' && following ? following : { exact: goal };
  const make = async () => {
    edit(setGoalAmount(choice.offerId, choice.goalId, marketId, amount));
    await flushed();
    window.location.assign(`/offers?market=${encodeURIComponent(marketId)}`);
  };
  return (
    <p className="leading-7">
      <button type="button" className="btn btn-primary btn-xs" onClick={() => void make()} data-testid="make-goal">
        Make {which} the goal
      </button>{' '}
      of{' '}
      <PhraseSelect
        label="Offer whose goal it becomes"
        value={choice.key}
        options={choices.map(({ key, name }) => [key, name])}
        choose={setChosen}
      />
      ,{' '}
      {following ? (
        <PhraseSelect
          label="Exact or following"
          value={how}
          options={[
            ['exact', `exactly ${money(goal, currency)}`],
            ['following', `following ${money(following.following.base, policy.store.baseCurrency)}`],
          ]}
          choose={(id) => setHow(id as 'exact' | 'following')}
        />
      ) : (
        `exactly ${money(goal, currency)}`
      )}
      {how === 'following' && following && (
        <span className="text-soft"> = {money(resolveAmount(following, local)!, currency)} at the adopted rate</span>
      )}
    </p>
  );
}

/** The largest step of common prices that an amount is a multiple of: a goal that follows is as round as the one it stands for. */
function roundnessOf(goal: number, currency: string): number {
  const steps = [1000, 500, 100, 50, 10, 5].map((part) => (part * minorPerMajor(currency)) / 100);
  return steps.find((step) => step >= 1 && goal % step === 0) ?? 1;
}
