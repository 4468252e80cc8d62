import { parseAmount, toDecimal } from '../../../core/money/decimal.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { TypedField } from '../../../ui/TypedField.tsx';
import { parsePercentTo, parseWhole } from '../../fields/typed-text.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { rewardsOfStore } from '../../../core/experiments/planning/goal-choices.ts';
import type { PlannedArm } from '../../../core/experiments/planning/planned-experiment.ts';

const nothingShown = () => {};

/** What the shoppers of one more arm see, as a clause. @param place 0 is the first beside the goal as it is */
export function PlannedArmPhrase({
  place,
  arm,
  counted,
  market,
  change,
  remove,
}: {
  place: number;
  arm: PlannedArm;
  /** pieces or grams are counted, no money */
  counted: boolean;
  market: string;
  change: (arm: PlannedArm) => void;
  remove: (() => void) | null;
}) {
  const policy = usePolicy();
  const { currency } = policy.markets[market]!;
  const number = place + 2;
  return (
    <>
      ,{' '}
      <TypedField
        label={`Percent of shoppers, arm ${number}`}
        shown={arm.share}
        parse={parsePercentTo(99)}
        show={nothingShown}
        commit={(share) => change({ ...arm, share })}
        testId={`plan-share-${number}`}
      />{' '}
      % see{' '}
      <PhraseSelect
        label={`What they see, arm ${number}`}
        value={arm.kind}
        options={[
          ['target', 'another amount:'],
          ['none', 'no such goal'],
          ['rewards', 'the rewards of'],
        ]}
        choose={(kind) => change({ ...arm, kind: kind as PlannedArm['kind'] })}
        testId={`plan-kind-${number}`}
      />
      {arm.kind === 'target' && (
        <>
          {' '}
          <TypedField
            label={`Goal, arm ${number}, ${counted ? 'counted' : currency}`}
            shown={counted ? String(arm.target) : toDecimal(arm.target, currency)}
            parse={(text) => {
              if (counted) return parseWhole(1, 1_000_000_000)(text);
              const parsed = parseAmount(text, currency);
              return parsed.ok ? { ok: true, value: parsed.minor } : parsed;
            }}
            show={nothingShown}
            commit={(target) => change({ ...arm, target })}
            testId={`plan-target-${number}`}
          />
          {!counted && ` ${currency}`}
        </>
      )}
      {arm.kind === 'rewards' && (
        <>
          {' '}
          <PhraseSelect
            label={`Rewards, arm ${number}`}
            value={arm.rewardsOf}
            options={rewardsOfStore(policy).map(({ key, name }) => [key, name])}
            choose={(rewardsOf) => change({ ...arm, rewardsOf })}
            testId={`plan-rewards-${number}`}
          />
        </>
      )}
      {remove && <Remove what={`arm ${number}`} remove={remove} />}
    </>
  );
}
