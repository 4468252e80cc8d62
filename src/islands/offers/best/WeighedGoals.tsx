import { setTarget } from '../../../client/edits/edits.ts';
import { inTurn } from '../../../client/edits/set-at.ts';
import { toDecimal } from '../../../core/money/decimal.ts';
import type { DatedStep } from '../../../core/results/changes-of-market.ts';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useRelease } from '../../page/page-context.tsx';
import { saveCsv } from '../../page/save-file.ts';
import { useEdit } from '../../page/use-edit.tsx';
import { BestGoalRow, takeable } from './BestGoalRow.tsx';
import { useBestGoals, type BestOfMarket } from './use-best-goals.ts';

/** Each market’s goal as it stands and as it would stand best. */
export default function WeighedGoals({ offerId, steps }: { offerId: string | undefined; steps: readonly DatedStep[] }) {
  const policy = usePolicy();
  const release = useRelease();
  const edit = useEdit();
  const rows = useBestGoals(policy, release?.policy ?? null, steps, offerId);
  const sure = rows.flatMap((row) => {
    const target = takeable(row);
    return target && target.says === 'move' ? [target] : [];
  });
  const working = rows.some(({ asked, found }) => typeof asked !== 'string' && found === null);
  return (
    <>
      <div className="overflow-x-auto">
        <table className="table table-xs mt-1" aria-busy={working}>
          <thead>
            <tr className="text-right">
              <th scope="col" className="text-left">
                market
              </th>
              <th scope="col">now</th>
              <th scope="col">best, and nearly as good</th>
              <th scope="col">net a month</th>
              <th scope="col">reach it</th>
              <th scope="col">
                <span className="sr-only">what to do</span>
              </th>
            </tr>
          </thead>
          {rows.map((row) => (
            <BestGoalRow key={row.market} row={row} lookedAt={offerId} />
          ))}
        </table>
      </div>
      <p className="mt-1 flex flex-wrap items-baseline gap-x-3 gap-y-1">
        {sure.length > 0 && (
          <button
            type="button"
            className="btn btn-xs btn-primary"
            onClick={() =>
              edit(
                inTurn(...sure.map(({ market, goal, value }) => setTarget(goal.offerId, goal.goalId, market, value))),
              )
            }
            data-testid="take-all-best"
          >
            {sure.length === 1 ? 'Take over the one that surely pays' : `Take over all ${sure.length} that surely pay`}
          </button>
        )}
        <SaveAs what="the best goals" forms={[{ name: 'CSV', save: () => saveRows(rows, policy.markets) }]} />
      </p>
    </>
  );
}

function saveRows(rows: readonly BestOfMarket[], markets: ReturnType<typeof usePolicy>['markets']): void {
  saveCsv(
    'best-goals',
    [
      'market',
      'currency',
      'now',
      'best',
      'nearly from',
      'nearly to',
      'net a month',
      'low',
      'high',
      'share of those losing it that may stay away',
      'share reaching it',
      'says',
    ],
    rows.map(({ market, asked, found }) => {
      const { name, currency } = markets[market]!;
      if (typeof asked === 'string' || !found || 'problem' in found || !found.advice.ok)
        return [name, currency, ...Array.from({ length: 9 }, () => ''), whyNot(asked, found)];
      const { best, nearly, says } = found.advice.advice;
      const pieces = asked.goal.measure === 'items';
      const write = (value: number | null | undefined) => {
        if (value === null || value === undefined) return 'none';
        return pieces ? String(value) : toDecimal(value, currency);
      };
      const money = (minor: number) => toDecimal(Math.round(minor), currency);
      return [
        name,
        currency,
        write(best.present),
        write(best.candidate),
        nearly ? write(nearly.from) : '',
        nearly ? write(nearly.to) : '',
        ...[best.net, best.low, best.high].map(money),
        best.breakEvenLost === null ? '' : String(Math.round(best.breakEvenLost * 10_000) / 10_000),
        String(Math.round(best.reaching * 10_000) / 10_000),
        says,
      ];
    }),
  );
}

function whyNot(asked: BestOfMarket['asked'], found: BestOfMarket['found']): string {
  if (typeof asked === 'string') return asked;
  if (!found) return 'not worked out yet';
  if ('problem' in found) return found.problem;
  return found.advice.ok ? '' : found.advice.because;
}
