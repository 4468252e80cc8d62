import { setTarget } from '../../../client/edits/edits.ts';
import type { GoalAdvice, NoAdvice } from '../../../core/goal-moves/best-goal.ts';
import { gapProducts } from '../../../core/goal-moves/gap-products.ts';
import type { AskedGoal, NothingToWeigh } from '../../../core/goal-moves/asked-goals.ts';
import { breakEvenInWords } from '../../../core/goal-moves/move-in-words.ts';
import type { MovableGoal } from '../../../core/goal-moves/movable-goals.ts';
import { planFound } from '../../../core/experiments/planning/plan-found.ts';
import { daysPerMonth } from '../../../core/orders/period-months.ts';
import type { BestFound } from '../../../client/orders/held-orders.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNotation, useNow } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { goalNotation } from '../../orders/moving/goal-notation.ts';
import type { BestOfMarket } from './use-best-goals.ts';

const nothingToWeigh: Record<NothingToWeigh, string> = {
  notMeasured: 'Its goal counts something that past orders do not say, so it cannot be weighed.',
  noOffer: 'No offer for everybody makes delivery free from a goal.',
};

const noAdvice: Record<NoAdvice, string> = {
  tooFewOrders: 'Too few past orders to say anything honest: at least 300 are needed.',
  noDeliveryPaid: 'No past order paid for delivery, so nothing is known of what a goal gives away.',
  freeOtherwise: 'Many past orders had delivery free for a reason that is not known here, so a goal cannot be weighed.',
};

/** A goal that can be taken over. */
interface Takeable {
  market: string;
  goal: MovableGoal;
  /** null: none */
  value: number | null;
  says: GoalAdvice['says'];
}

/** What a row offers to take over; null: nothing, or the draft has it already. */
export function takeable({ market, asked, found }: BestOfMarket): Takeable | null {
  if (typeof asked === 'string' || !found || 'problem' in found || !found.advice.ok) return null;
  const { best, says } = found.advice.advice;
  if (says === 'stay' || says === 'unstated' || best.candidate === asked.goal.value) return null;
  return { market, goal: asked.goal, value: best.candidate, says };
}

/** A market’s goal: where it is, where it would stand best, and what is to be said of that. @param lookedAt the offer whose name need not be said */
export function BestGoalRow({ row, lookedAt }: { row: BestOfMarket; lookedAt: string | undefined }) {
  const { markets } = usePolicy();
  const { name } = markets[row.market]!;
  return (
    <tbody data-testid={`best-${row.market}`}>
      <Figures row={row} name={name} lookedAt={lookedAt} />
    </tbody>
  );
}

function Said({ name, text, quiet }: { name: string; text: string; quiet?: boolean }) {
  return (
    <tr className="border-b border-hairline">
      <th scope="row" className="text-left font-normal">
        {name}
      </th>
      <td colSpan={5} className={quiet ? 'text-soft' : ''}>
        {text}
      </td>
    </tr>
  );
}

function Figures({ row, name, lookedAt }: { row: BestOfMarket; name: string; lookedAt: string | undefined }) {
  const { asked, found } = row;
  if (typeof asked === 'string') return <Said name={name} text={nothingToWeigh[asked]} />;
  if (!found) return <Said name={name} text="Looking through its orders …" quiet />;
  if ('problem' in found) return <Said name={name} text={`Its orders could not be read: ${found.problem}.`} />;
  if (!found.advice.ok) return <Said name={name} text={noAdvice[found.advice.because]} />;
  return <Advised row={row} asked={asked} found={found} advice={found.advice.advice} name={name} lookedAt={lookedAt} />;
}

function Advised({
  row,
  asked,
  found,
  advice,
  name,
  lookedAt,
}: {
  row: BestOfMarket;
  asked: AskedGoal;
  found: BestFound;
  advice: GoalAdvice;
  name: string;
  lookedAt: string | undefined;
}) {
  const { markets } = usePolicy();
  const notation = useNotation();
  const edit = useEdit();
  const { currency } = markets[row.market]!;
  const { best, nearly, says } = advice;
  const write = goalNotation(notation, asked.goal.measure, currency);
  const round = (minor: number) => notation.money(Math.round(minor), currency);
  const take = takeable(row);
  const moves = says !== 'stay';
  const goal = (value: number | null) => (value === null ? 'none' : write.goal(value));
  return (
    <>
      <tr className="border-b-0! text-right align-top whitespace-nowrap">
        <th scope="row" className="min-w-32 text-left font-semibold whitespace-normal">
          {name}
        </th>
        <td>{goal(best.present)}</td>
        <td>
          <span className={inks[says]} data-testid="best-amount">
            {moves ? goal(best.candidate) : 'as it is'}
          </span>
          {moves && nearly && nearly.from !== nearly.to && (
            <span className="block text-small text-soft">
              {write.goal(nearly.from)} – {write.goal(nearly.to)}
            </span>
          )}
        </td>
        <td className={says === 'unstated' ? 'text-soft' : ''}>
          {moves && (
            <>
              {round(best.net)}
              <span className="block text-small text-soft">
                {round(best.low)} to {round(best.high)}
              </span>
            </>
          )}
        </td>
        <td>{best.candidate !== null && write.share(best.reaching)}</td>
        <td>
          {take && (
            <button
              type="button"
              className="btn btn-xs"
              onClick={() => edit(setTarget(take.goal.offerId, take.goal.goalId, row.market, take.value))}
              aria-label={`Take over for ${name}`}
              data-testid="take-best"
            >
              take over
            </button>
          )}
        </td>
      </tr>
      <tr className="border-b border-hairline">
        <td colSpan={6} className="pt-0 pb-1.5 pl-6 text-small text-soft" data-testid="best-words">
          <Words row={row} asked={asked} found={found} advice={advice} currency={currency} lookedAt={lookedAt} />
        </td>
      </tr>
    </>
  );
}

/** How sure an amount is, as it looks. */
const inks: Record<GoalAdvice['says'], string> = {
  move: 'font-semibold',
  stay: '',
  unclear: 'text-soft',
  unstated: 'text-soft',
};

const verdicts: Record<GoalAdvice['says'], string> = {
  move: '',
  stay: 'No amount near it brings noticeably more.',
  unclear: 'Not enough to tell: what is assumed and chance allow for the opposite.',
  unstated: 'Nobody has stated how many orders stay away when they lose free delivery, so this is no answer yet.',
};

/** So many weeks an experiment goes on, where that is enough. */
const usualWeeks = 6;

function Words({
  row,
  asked,
  found,
  advice,
  currency,
  lookedAt,
}: {
  row: BestOfMarket;
  asked: AskedGoal;
  found: BestFound;
  advice: GoalAdvice;
  currency: string;
  lookedAt: string | undefined;
}) {
  const notation = useNotation();
  const catalogue = useCatalogue();
  const compiled = useCompiled();
  const now = useNow();
  const { best, says, lacking } = advice;
  const write = goalNotation(notation, asked.goal.measure, currency);
  const { terms } = compiled.markets.get(row.market) ?? {};
  const closing =
    terms && lacking !== null && asked.goal.measure === 'value' ? gapProducts(catalogue, terms, lacking, 3) : [];
  const weeks = weeksNeeded(found, best.net, now);
  const { goal } = asked;
  const named = goal.offerId !== lookedAt;
  return (
    <>
      {[named ? `“${goal.name}”.` : '', verdicts[says], says === 'stay' ? '' : breakEvenInWords(best, write)]
        .filter(Boolean)
        .join(' ')}
      {closing.length > 0 && lacking !== null && (
        <>
          {' '}
          Who is within reach lacks {notation.money(Math.round(lacking), currency)} on average;{' '}
          {closing.map(({ product, price }) => `${product.name} (${notation.money(price, currency)})`).join(', ')} would
          close that.
        </>
      )}
      {says !== 'stay' && best.present !== null && (
        <>
          {' '}
          {weeks === null
            ? 'An experiment could not tell within two years.'
            : `An experiment would need about ${weeks} ${weeks === 1 ? 'week' : 'weeks'}.`}{' '}
          <a
            className="link link-primary"
            href={`/results?market=${encodeURIComponent(row.market)}&begin=${encodeURIComponent(goal.offerId)}/${encodeURIComponent(goal.goalId)}${best.candidate === null ? '' : `&target=${best.candidate}`}#experiments`}
          >
            Try it on half of the shoppers
          </a>
        </>
      )}
      {says === 'unstated' && (
        <>
          {' '}
          <a
            className="link link-primary"
            href={`/orders?market=${encodeURIComponent(row.market)}&ask=${encodeURIComponent(`${goal.offerId}/${goal.goalId}`)}`}
          >
            State it at Orders
          </a>
        </>
      )}
    </>
  );
}

/** Weeks until an experiment of two halves tells the difference that is expected; null: longer than two years. */
function weeksNeeded({ pace }: BestFound, net: number, now: number): number | null {
  if (!pace || net === 0) return null;
  const week = pace.week.reduce((sum, orders) => sum + orders, 0);
  const effect = Math.abs(net) / ((week * daysPerMonth) / 7);
  const from = new Date(now).toISOString().slice(0, 10);
  const plan = planFound(pace, { measure: 'margin', effect, shares: [5000, 5000], from, weeks: usualWeeks });
  return plan?.days ? Math.ceil(plan.days / 7) : null;
}
