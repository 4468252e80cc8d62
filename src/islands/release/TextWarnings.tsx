import { useMemo } from 'react';
import { policyWordingFaults } from '../../core/wording/policy-faults.ts';
import { missingLanguages } from '../../core/wording/missing-languages.ts';
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

/** Offers that are on whose shoppers would read another language than theirs, or nothing. */
export function LanguageWarnings() {
  const policy = usePolicy();
  const missing = useMemo(() => missingLanguages(policy), [policy]);
  if (missing.length === 0) return null;
  const byOffer = new Map<string, typeof missing>();
  for (const one of missing) byOffer.set(one.offerId, [...(byOffer.get(one.offerId) ?? []), one]);
  return (
    <div className="mt-2 border-l-2 border-warning py-1 pl-3" data-testid="language-warnings">
      <p className="font-semibold">Languages without texts:</p>
      <ul>
        {[...byOffer].map(([offerId, list]) => (
          <li key={offerId}>
            “{policy.offers[offerId]?.name}” has no text in {list.map(({ language, instead }) => `${language} (shoppers read ${instead ?? 'nothing'})`).join(', ')}{' '}
            <a className="underline decoration-dotted underline-offset-2" href={`/wording?offer=${offerId}&view=languages`}>
              write it
            </a>
          </li>
        ))}
      </ul>
    </div>
  );
}
