import { useMemo } from 'react';
import type { MessageState } from '../../core/evaluation/evaluation.ts';
import { policyWordingFaults } from '../../core/wording/policy-faults.ts';
import { usePolicy } from '../frame/page-context.tsx';

const stateNames: Record<MessageState, string> = { invite: 'nothing counted yet', progress: 'on the way', nearly: 'nearly there', reached: 'reached', onward: 'on to the next goal', missedOut: 'missed out' };

/** Texts whose mistakes make shoppers read nothing or something wrong, said before they are released. */
export function TextWarnings() {
  const policy = usePolicy();
  const wrong = useMemo(() => policyWordingFaults(policy).filter(({ severity }) => severity === 'wrong'), [policy]);
  if (wrong.length === 0) return null;
  return (
    <div className="mt-2 border-l-2 border-error py-1 pl-3" data-testid="text-warnings">
      <p className="font-semibold text-error">{wrong.length === 1 ? 'A text has a mistake' : `${wrong.length} mistakes in texts`} that shoppers would notice:</p>
      <ul>
        {wrong.map((fault) => (
          <li key={`${fault.offerId} ${fault.state} ${fault.place} ${fault.language} ${fault.message}`}>
            “{policy.offers[fault.offerId]?.name}”, {stateNames[fault.state]}, {fault.language}: {fault.message}
          </li>
        ))}
      </ul>
    </div>
  );
}
