import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { oneMore, type AskedGoal } from '../../../core/goal-moves/asked-goals.ts';
import { goalNotation } from './goal-notation.ts';

/** Which question is asked of the orders: a goal is moved, or one more stands beside what there is. */
export function AskPhrase({
  goals,
  asked,
  currency,
  choose,
}: {
  goals: readonly AskedGoal[];
  /** null: one more goal */
  asked: AskedGoal | null;
  currency: string;
  choose: (ask: string) => void;
}) {
  const notation = useNotation();
  const named = ({ goal, present }: AskedGoal) => {
    const { goal: write } = goalNotation(notation, goal.measure, currency);
    return present === null
      ? `the goal of “${goal.name}” stood (it is not in force)`
      : `the goal of “${goal.name}”, ${write(present)}, moved`;
  };
  return (
    <h2 className="mt-1 text-lead" data-testid="ask">
      What if{' '}
      {goals.length === 0 ? (
        'a goal stood here'
      ) : (
        <PhraseSelect
          label="What is asked of the orders"
          value={asked ? asked.goal.key : oneMore}
          options={[
            ...goals.map((one) => [one.goal.key, named(one)] as const),
            [oneMore, 'one more goal stood beside what there is'],
          ]}
          choose={choose}
          testId="ask-phrase"
        />
      )}
      ?
    </h2>
  );
}
