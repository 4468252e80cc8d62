import { X } from 'lucide-react';
import { outcomeOf, type GoalOutcome } from '../../core/orders/candidates.ts';
import type { Response } from '../../core/orders/response.ts';
import type { Tally } from '../../core/orders/tally.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { TypedField } from '../../ui/TypedField.tsx';
import { useNotation } from '../page/page-context.tsx';
import { parseGoal } from '../fields/goal-field.ts';
import { MakeGoal } from './MakeGoal.tsx';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { saveCsv } from '../page/save-file.ts';
import { wordsFor } from './words.ts';
import { part } from '../page/parts.ts';

/** What the trial goals would do in a month, goal by goal and together. */
export function TrialGoals({
  marketId,
  currency,
  tally,
  months,
  response,
  goals,
  move,
  letGo,
  commit,
  add,
  remove,
}: {
  marketId: string;
  currency: string;
  tally: Tally;
  months: number;
  response: Response;
  goals: readonly number[];
  move: (index: number, value: number) => void;
  /** what was moved and not committed goes back */
  letGo: () => void;
  commit: () => void;
  add: () => void;
  remove: (index: number) => void;
}) {
  const { money, locale } = useNotation();
  const words = wordsFor(locale);
  const outcome = outcomeOf(tally, months, response, goals);
  const round = (minor: number) => money(Math.round(minor), currency);
  const rows: {
    name: string;
    of: (goal: GoalOutcome) => string;
    plain: (goal: GoalOutcome) => number;
    amount?: true;
  }[] = [
    { name: 'there already, a month', of: ({ above }) => words.about(above), plain: ({ above }) => above },
    {
      name: '… of them paying for delivery now',
      of: ({ abovePaying }) => words.about(abovePaying),
      plain: ({ abovePaying }) => abovePaying,
    },
    {
      name: 'within reach, with something to gain',
      of: ({ within }) => words.about(within),
      plain: ({ within }) => within,
    },
    {
      name: '… lacking on average',
      of: ({ lacking }) => round(lacking),
      plain: ({ lacking }) => Math.round(lacking),
      amount: true,
    },
    { name: '… expected to add it', of: ({ adding }) => words.about(adding), plain: ({ adding }) => adding },
    {
      name: 'cost: delivery or reward given away',
      of: ({ cost }) => round(-cost),
      plain: ({ cost }) => -Math.round(cost),
      amount: true,
    },
    {
      name: 'gain: margin on what is added',
      of: ({ gain }) => round(gain),
      plain: ({ gain }) => Math.round(gain),
      amount: true,
    },
  ];
  const write = (minor: number) => toDecimal(Math.round(minor), currency);
  const save = () =>
    saveCsv(
      `trial-goals-${marketId}`,
      ['figure', ...goals.map((_, i) => `goal ${i + 1}`)],
      [
        [`goal, ${currency}`, ...goals.map(write)],
        ...rows.map(({ name, plain, amount }) => [
          amount ? `${name}, ${currency}` : name,
          ...outcome.goals.map((one) => (amount ? write(plain(one)) : plain(one))),
        ]),
        [`net, ${currency}`, write(outcome.net)],
        [`net, low, ${currency}`, write(outcome.low)],
        [`net, high, ${currency}`, write(outcome.high)],
      ],
    );
  return (
    <section ref={part('trial goal')} aria-label="Trial goals" className="min-w-0" data-testid="trial-goals">
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-lead">
        {goals.length > 1 ? 'Two trial goals' : 'A trial goal'}
        {goals.length < 2 && (
          <button type="button" className="btn btn-xs font-sans" onClick={add} data-testid="second-goal">
            try a second one
          </button>
        )}
        <SaveAs what="the trial goals" forms={[{ name: 'CSV', save }]} />
      </h2>
      <div className="overflow-x-auto">
        <table className="table table-xs w-auto mt-1 text-right">
          <thead>
            <tr className="border-b border-hairline">
              <th scope="col" className="pr-2 text-left font-normal text-soft">
                a month
              </th>
              {goals.map((goal, index) => (
                <th key={index} scope="col" className="pl-4 font-normal whitespace-nowrap">
                  <span className="inline-flex items-baseline gap-1">
                    {currency}{' '}
                    <TypedField
                      label={`${index === 0 ? 'Trial goal' : 'Second trial goal'}, ${currency}`}
                      shown={toDecimal(goal, currency)}
                      parse={(text) => parseGoal(text, currency, false)}
                      show={(value) => (typeof value === 'number' ? move(index, value) : letGo())}
                      commit={(value) => {
                        if (value !== null) move(index, value);
                        commit();
                      }}
                      testId={`trial-${index}`}
                    />
                    {goals.length > 1 && (
                      <button
                        type="button"
                        className="btn btn-ghost btn-xs px-1"
                        onClick={() => remove(index)}
                        aria-label={`Take trial goal ${index + 1} away`}
                      >
                        <X size={13} aria-hidden />
                      </button>
                    )}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ name, of }) => (
              <tr key={name} className="border-b border-hairline">
                <th scope="row" className="py-0.5 pr-4 text-left font-normal">
                  {name}
                </th>
                {outcome.goals.map((goal) => (
                  <td key={goal.goal} className="pl-4">
                    {of(goal)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1.5" data-testid="trial-net">
        {goals.length > 1 ? 'Together' : 'Net'}{' '}
        <strong className={outcome.net < 0 ? 'text-error' : ''}>{round(outcome.net)}</strong> a month, likely between{' '}
        {round(outcome.low)} and {round(outcome.high)}
        {outcome.low < 0 && outcome.high > 0 && ' — not enough to tell whether it pays'}.{' '}
        {words.percent(outcome.qualifying)} of orders would reach {goals.length > 1 ? 'the first' : 'it'}.
        {outcome.goals[0]!.within > 0 &&
          outcome.goals[0]!.adding === 0 &&
          ' Delivery is free at this amount already, so it would be news to nobody.'}
        {tally.unknown > 0 &&
          ` ${words.count(tally.unknown)} orders do not say what delivery cost and are left out of cost and gain.`}
      </p>
      <div className="mt-1 flex flex-col gap-1">
        {goals.map((goal, index) => (
          <MakeGoal
            key={index}
            marketId={marketId}
            currency={currency}
            goal={goal}
            which={goals.length > 1 ? ['the first', 'the second'][index]! : 'it'}
          />
        ))}
      </div>
    </section>
  );
}
