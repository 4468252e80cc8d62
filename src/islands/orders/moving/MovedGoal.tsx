import { X } from 'lucide-react';
import { setTarget } from '../../../client/edits/edits.ts';
import { breakEvenInWords } from '../../../core/goal-moves/move-in-words.ts';
import type { MoveOutcome } from '../../../core/goal-moves/move.ts';
import { toDecimal } from '../../../core/money/decimal.ts';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { TypedField } from '../../../ui/TypedField.tsx';
import { parseGoal } from '../../fields/goal-field.ts';
import { parseWhole } from '../../fields/typed-text.ts';
import { useNotation } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import { saveCsv } from '../../page/save-file.ts';
import { useEdit } from '../../page/use-edit.tsx';
import { MakeGoal } from '../MakeGoal.tsx';
import { wordsFor } from '../words.ts';
import { goalNotation } from './goal-notation.ts';
import type { Moving } from './use-moving.ts';

interface Row {
  name: string;
  of: (outcome: MoveOutcome) => number;
  amount: boolean;
}

const rows: readonly Row[] = [
  { name: 'orders that lose free delivery', of: ({ losing }) => losing, amount: false },
  { name: 'orders that gain it', of: ({ gaining }) => gaining, amount: false },
  { name: 'delivery paid, more or less than now', of: ({ delivery }) => delivery, amount: true },
  { name: 'margin, more or less than now', of: ({ margin }) => margin, amount: true },
  { name: 'own cost of delivery saved', of: ({ saved }) => saved, amount: true },
];

/** What a month would bring with the goal elsewhere, part by part, and the way to put it there. */
export function MovedGoal({
  marketId,
  currency,
  moving,
  goals,
  move,
  letGo,
  commit,
  add,
  remove,
}: {
  marketId: string;
  currency: string;
  moving: Moving;
  /** where the goal is tried, and a second one above it */
  goals: readonly number[];
  move: (index: number, value: number) => void;
  /** what was moved and not committed goes back */
  letGo: () => void;
  commit: () => void;
  add: (() => void) | null;
  remove: (index: number) => void;
}) {
  const notation = useNotation();
  const words = wordsFor(notation.locale);
  const { goal, present } = { ...moving.asked, present: moving.present };
  const write = goalNotation(notation, goal.measure, currency);
  const outcome = moving.outcomeOf(goals[0]!, goals[1] ?? null);
  const round = (minor: number) => notation.money(Math.round(minor), currency);
  const still = present === goals[0] && goals.length === 1;
  const plainGoal = (value: number) => (goal.measure === 'value' ? toDecimal(value, currency) : String(value));
  const save = () =>
    saveCsv(
      `moved-goal-${marketId}`,
      ['figure', 'a month'],
      [
        ['goal in force', present === null ? '' : plainGoal(present)],
        ['goal tried', plainGoal(goals[0]!)],
        ...(goals[1] === undefined ? [] : [['second goal tried', plainGoal(goals[1])]]),
        ...rows.map(({ name, of, amount }) => [
          amount ? `${name}, ${currency}` : name,
          amount ? toDecimal(Math.round(of(outcome)), currency) : String(Math.round(of(outcome) * 10) / 10),
        ]),
        ...(['net', 'low', 'high'] as const).map((figure) => [
          `${figure === 'net' ? 'net' : `net, ${figure}`}, ${currency}`,
          toDecimal(Math.round(outcome[figure]), currency),
        ]),
      ],
    );
  const field = (index: number) => (
    <span className="inline-flex items-baseline gap-1">
      <TypedField
        label={index === 0 ? `Where “${goal.name}” is tried` : 'Second trial goal'}
        shown={plainGoal(goals[index]!)}
        parse={(text) => (goal.measure === 'items' ? parseWhole(1, 100_000)(text) : parseGoal(text, currency, false))}
        show={(value) => (typeof value === 'number' ? move(index, value) : letGo())}
        commit={(value) => {
          if (value !== null) move(index, value);
          commit();
        }}
        testId={`trial-${index}`}
      />{' '}
      {goal.measure === 'value' ? currency : 'pieces'}
      {index === 1 && (
        <button
          type="button"
          className="btn btn-ghost btn-xs px-1"
          onClick={() => remove(1)}
          aria-label="Take the second trial goal away"
        >
          <X size={13} aria-hidden />
        </button>
      )}
    </span>
  );
  return (
    <section ref={part('trial goal')} aria-label="The goal moved" className="min-w-0" data-testid="moved-goal">
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-lead">
        <span>
          “{goal.name}” at {field(0)}
          {goals.length > 1 && <>, and a second goal at {field(1)}</>}
        </span>
        {add && goals.length < 2 && (
          <button type="button" className="btn btn-xs font-sans" onClick={add} data-testid="second-goal">
            try a second one
          </button>
        )}
        <SaveAs what="the moved goal" forms={[{ name: 'CSV', save }]} />
      </h2>
      <table className="table table-xs mt-1 w-auto text-right">
        <tbody>
          {rows.map(({ name, of, amount }) => (
            <tr key={name} className="border-b border-hairline">
              <th scope="row" className="py-0.5 pr-4 text-left font-normal">
                {name}
              </th>
              <td className="pl-4">{amount ? round(of(outcome)) : words.about(of(outcome))}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1.5" data-testid="trial-net">
        {still ? (
          'That is where it is.'
        ) : (
          <>
            Net <strong className={outcome.net < 0 ? 'text-error' : ''}>{round(outcome.net)}</strong> a month
            {present === null ? '' : ` against ${write.goal(present)}`}, likely between {round(outcome.low)} and{' '}
            {round(outcome.high)}
            {outcome.low < 0 && outcome.high > 0 && ' — not enough to tell whether it pays'}.{' '}
            <span data-testid="break-even">{breakEvenInWords(outcome, write)}</span>
          </>
        )}{' '}
        {words.percent(outcome.reaching)} of orders would reach it.
      </p>
      <div className="mt-1 flex flex-col gap-1">
        <PutThere marketId={marketId} moving={moving} value={goals[0]!} write={write.goal} />
        {goals[1] !== undefined && (
          <MakeGoal marketId={marketId} currency={currency} goal={goals[1]} which="the second" />
        )}
      </div>
    </section>
  );
}

/** Puts the goal where it is tried, in the draft: one edit, undone like any. */
function PutThere({
  marketId,
  moving,
  value,
  write,
}: {
  marketId: string;
  moving: Moving;
  value: number;
  write: (value: number) => string;
}) {
  const edit = useEdit();
  const { goal } = moving.asked;
  if (goal.value === value) return <p className="text-soft">The draft has it there.</p>;
  return (
    <p>
      <button
        type="button"
        className="btn btn-primary btn-xs"
        onClick={() => edit(setTarget(goal.offerId, goal.goalId, marketId, value))}
        data-testid="put-there"
      >
        Make it {write(value)} in the draft
      </button>{' '}
      <span className="text-soft">instead of {write(goal.value)}</span>
    </p>
  );
}
