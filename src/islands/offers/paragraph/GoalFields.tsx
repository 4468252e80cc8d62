import { setTarget } from '../../../client/edits/edits.ts';
import { addReward, removeGoal, rewardOfKind, setMeasure } from '../../../client/edits/offer-edits.ts';
import { setAt } from '../../../client/edits/set-at.ts';
import { basesInWords } from '../../../core/conditions/reader.ts';
import { targetIn } from '../../../core/offers/target.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Goal } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { TypedField } from '../../../ui/TypedField.tsx';
import { SortableRow } from '../../../ui/SortableRows.tsx';
import { GoodsPhrase } from '../../conditions/GoodsPhrase.tsx';
import { useDraft, usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue } from '../../page/page-context.tsx';
import { parseCount, parseGoal, shownGoal } from '../../fields/goal-field.ts';
import { GoodsOnly } from './GoodsOnly.tsx';
import { RewardPhrase } from './RewardPhrase.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** One goal of an offer: from what amount of what, and what shoppers get there. */
export function GoalFields({
  offerId,
  goalId,
  goal,
  number,
  of,
  marketId,
  byCode,
}: {
  offerId: string;
  goalId: string;
  goal: Goal;
  number: number;
  of: number;
  marketId: string;
  /** a code alone unlocks it, whatever the cart */
  byCode: boolean;
}) {
  const edit = useEdit();
  const policy = usePolicy();
  const catalogue = useCatalogue();
  const show = useDraft((state) => state.show);
  const at = (...steps: string[]) => ['offers', offerId, 'goals', goalId, ...steps];
  const { currency, name } = policy.markets[marketId]!;
  const target = targetIn(policy, offerId, goalId, marketId);
  const { measure } = goal;
  const money = measure.kind === 'countedValue';
  const unit = { items: 'items', weight: 'g', countedValue: currency }[measure.kind];
  const rewards = inOrder(goal.rewards);
  const [product] = catalogue.keys();
  return (
    <SortableRow id={goalId} still={of < 2} data-testid={`goal-${goalId}`}>
      {({ handle, arrows, onKey }) => (
        <div
          className="flex flex-wrap items-baseline gap-x-2 border-b border-hairline py-0.5"
          onKeyDown={of > 1 ? onKey : undefined}
        >
          {of > 1 && (
            <span className="flex items-center self-center" title="What this goal gives is moved; the amounts stay">
              {handle}
              {arrows}
            </span>
          )}
          <div className="min-w-0 flex-1 basis-60">
            {byCode ? (
              <>With the code, </>
            ) : (
              <>
                From{' '}
                <TypedField
                  label={`Goal ${number} in ${name}, ${unit}`}
                  shown={shownGoal(target, money ? currency : null)}
                  parse={(text) => (money ? parseGoal(text, currency, true) : parseCount(text, goal.measure.kind))}
                  show={(value) => show(value === undefined ? null : setTarget(offerId, goalId, marketId, value))}
                  commit={(value) => edit(setTarget(offerId, goalId, marketId, value))}
                  placeholder="not here"
                  testId={number === 1 ? 'goal-field' : `goal-field-${number}`}
                />{' '}
                {unit} of{' '}
                <PhraseSelect
                  label={`What goal ${number} counts`}
                  value={measure.kind}
                  options={[
                    ['countedValue', 'goods value'],
                    ['items', 'pieces'],
                    ['weight', 'weight'],
                  ]}
                  choose={(kind) =>
                    edit(
                      setMeasure(
                        offerId,
                        goalId,
                        kind === 'countedValue'
                          ? { kind, basis: 'afterDiscountsAsShown' }
                          : { kind: kind as 'items' | 'weight' },
                      ),
                    )
                  }
                  testId={`measure-${number}`}
                />
                {measure.kind === 'countedValue' && (
                  <>
                    {' '}
                    <PhraseSelect
                      label={`Basis of goal ${number}`}
                      value={measure.basis}
                      options={basesInWords}
                      choose={(basis) => edit(setAt(at('measure', 'basis'), basis))}
                    />
                  </>
                )}
                {goal.goods ? (
                  <>
                    {' '}
                    of{' '}
                    <GoodsPhrase
                      goods={goal.goods}
                      markets={[marketId]}
                      change={(goods) => setAt(at('goods'), goods)}
                    />
                    <Remove what={`goods of goal ${number}`} remove={() => edit(setAt(at('goods'), undefined))} />
                  </>
                ) : (
                  <GoodsOnly number={number} choose={(goods) => edit(setAt(at('goods'), goods))} />
                )}
                {': '}
              </>
            )}
            {rewards.map(([id, reward], index) => (
              <span key={id}>
                {index > 0 && ' and '}
                <RewardPhrase
                  offerId={offerId}
                  goalId={goalId}
                  rewardId={id}
                  reward={reward}
                  label={`goal ${number}`}
                  marketId={marketId}
                  removable={rewards.length > 1}
                />
              </span>
            ))}
            {rewards.length < 10 && (
              <button
                type="button"
                className="btn btn-xs"
                onClick={() =>
                  edit(addReward(offerId, goalId, rewardOfKind('deliveryFree', null, policy, product ?? '')))
                }
              >
                add a reward
              </button>
            )}
            {number > 1 && (
              <>
                {', '}
                <PhraseSelect
                  label={`What becomes of lower rewards at goal ${number}`}
                  value={goal.then}
                  options={[
                    ['replace', 'instead of what lower goals give'],
                    ['add', 'in addition to what lower goals give'],
                  ]}
                  choose={(then) => edit(setAt(at('then'), then))}
                  testId={`then-${number}`}
                />
              </>
            )}
            {goal.targets[marketId] && (
              <>
                {' '}
                <a
                  className="link text-small text-soft"
                  href={`/results?market=${marketId}&begin=${offerId}/${goalId}#experiments`}
                >
                  try another version on some shoppers
                </a>
              </>
            )}
          </div>
          {of > 1 && <Remove what={`goal ${number}`} remove={() => edit(removeGoal(offerId, goalId))} />}
        </div>
      )}
    </SortableRow>
  );
}
