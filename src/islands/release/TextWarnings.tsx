import { useMemo } from 'react';
import { policyWordingFaults } from '../../core/wording/policy-faults.ts';
import { stateName, textAt } from '../../core/wording/text-address.ts';
import { usePolicy } from '../frame/page-context.tsx';

/** Texts with mistakes, of one offer or all: those that break leave shoppers with the last good one; others would be read as they are. */
export function TextWarnings({ offerId }: { offerId?: string }) {
  const policy = usePolicy();
  const wrong = useMemo(() => policyWordingFaults(policy).filter((fault) => fault.severity === 'wrong' && (offerId === undefined || fault.offerId === offerId)), [policy, offerId]);
  if (wrong.length === 0) return null;
  return (
    <div className="mt-2 border-l-2 border-error py-1 pl-3" data-testid="text-warnings">
      <p className="font-semibold text-error">{wrong.length === 1 ? 'A text has a mistake' : `${wrong.length} mistakes in texts`}:</p>
      <ul>
        {wrong.map((fault) => (
          <li key={`${fault.offerId} ${fault.state} ${fault.place} ${fault.language} ${fault.message}`}>
            “{policy.offers[fault.offerId]?.name}”, {stateName(fault.state)}, {fault.language}: {fault.message}
            {fault.breaks && (textAt(policy, fault) === undefined ? ' Shoppers read nothing of it.' : ` Shoppers go on reading “${textAt(policy, fault)}”.`)}{' '}
            <a className="underline decoration-dotted underline-offset-2" href={`/wording?offer=${fault.offerId}&language=${fault.language}${fault.place === 'everyPlace' ? '' : `&place=${fault.place}`}`}>
              mend it
            </a>
          </li>
        ))}
      </ul>
    </div>
  );
}
