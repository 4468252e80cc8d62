import { useMemo, useState, type ReactNode } from 'react';
import { setCharge } from '../../../client/edits/option-edits.ts';
import { inTurn } from '../../../client/edits/set-at.ts';
import { readRateSheet } from '../../../core/options/rate-sheet.ts';
import type { Charge, Policy } from '../../../core/policy/types.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { wordsByMarket } from './words-by-market.ts';

/** What a change of many prices would do: the charges as they would be, what cannot be done, and what stays as it is. */
export interface PricePlan {
  charges: ReadonlyMap<string, Charge>;
  rejected: readonly string[];
  remarks: readonly string[];
}

/** What a rate sheet would change. @param zone whose options it may name; null: those of all zones */
export function planOfSheet(text: string, policy: Policy, zone: string | null): PricePlan {
  const { charges, same, rejected } = readRateSheet(text, policy, zone);
  return {
    charges,
    rejected: rejected.map(({ line, column, reason }) => `line ${line}, ${column}: ${reason}`),
    remarks: [
      ...(rejected.length > 0 ? ['Options with a row that cannot be read stay as they are.'] : []),
      ...(same.length > 0 ? [`${same.length} unchanged.`] : []),
    ],
  };
}

/** A plan that is looked at before it is carried out as one edit. `shown` stands where it is drawn. */
export function usePricePlan(testId: string): { look: (plan: PricePlan | null) => void; shown: ReactNode } {
  const { edit, refusal } = useGuardedEdit();
  const [plan, setPlan] = useState<PricePlan | null>(null);
  const [said, setSaid] = useState('');
  const look = (next: PricePlan | null) => {
    setSaid('');
    setPlan(next);
  };
  const take = () => {
    if (!plan || !edit(inTurn(...[...plan.charges].map(([id, charge]) => setCharge(id, charge))))) return;
    setSaid(`${countOf(plan.charges.size)} changed. Undo takes all of it back.`);
    setPlan(null);
  };
  return {
    look,
    shown: (
      <>
        {refusal}
        {plan && <Plan plan={plan} take={take} leave={() => setPlan(null)} testId={testId} />}
        {said && <p role="status">{said}</p>}
      </>
    ),
  };
}

export const countOf = (options: number): string => (options === 1 ? '1 option' : `${options} options`);
/** Of changes and remarks, how many are read. */
const listed = 40;

function Plan({
  plan: { charges, rejected, remarks },
  take,
  leave,
  testId,
}: {
  plan: PricePlan;
  take: () => void;
  leave: () => void;
  testId: string;
}) {
  const policy = usePolicy();
  const { money } = useNotation();
  const words = useMemo(() => wordsByMarket(policy, money), [policy, money]);
  return (
    <div className="border-l-2 border-primary pl-3" data-testid={testId}>
      <ul>
        {[...charges].slice(0, listed).map(([id, charge]) => {
          const option = policy.options[id];
          const zone = option && policy.zones[option.zone];
          if (!zone) return null;
          return (
            <li key={id}>
              <strong>
                {option.name}, {zone.name}
              </strong>
              : {words(zone.market).charge(option.charge)} becomes {words(zone.market).charge(charge)}
            </li>
          );
        })}
        {charges.size > listed && <li>and {charges.size - listed} more</li>}
        {rejected.slice(0, listed).map((reason) => (
          <li key={reason} className="text-error">
            {reason}
          </li>
        ))}
        {remarks.slice(0, listed).map((remark) => (
          <li key={remark} className="text-soft">
            {remark}
          </li>
        ))}
      </ul>
      {charges.size === 0 && <p>It would change nothing.</p>}
      <p className="flex gap-2 py-1">
        <button
          type="button"
          className="btn btn-xs btn-primary"
          disabled={charges.size === 0}
          onClick={take}
          data-testid="take-plan"
        >
          Change {countOf(charges.size)}
        </button>
        <button type="button" className="btn btn-xs" onClick={leave}>
          Leave it
        </button>
      </p>
    </div>
  );
}
