import { useMemo } from 'react';
import type { Policy } from '../../core/policy/types.ts';
import type { TextState } from '../../core/offers/texts-written.ts';
import { isOutside } from '../../core/wording/outside/outside-states.ts';
import { policyWordingFaults, type TextFault } from '../../core/wording/policy-faults.ts';
import { missingLanguages } from '../../core/wording/languages/missing-languages.ts';
import { speakerName } from '../../core/wording/text-speaker.ts';
import { stateName, textAt } from '../../core/wording/text-address.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { textHref } from '../page/text-href.ts';

/** Texts with mistakes, of one offer or all: those that break leave shoppers with the last good one; others would be read as they are. */
export function TextWarnings({ offerId }: { offerId?: string }) {
  const policy = usePolicy();
  const wrong = useMemo(
    () =>
      grouped(
        policyWordingFaults(policy).filter(
          (fault) => fault.severity === 'wrong' && (offerId === undefined || fault.speakerId === offerId),
        ),
        policy,
      ),
    [policy, offerId],
  );
  if (wrong.length === 0) return null;
  return (
    <div className="mt-2 border-l-2 border-error py-1 pl-3 leading-5" data-testid="text-warnings">
      <p className="font-semibold text-error">
        {wrong.length === 1 ? 'A mistake in texts' : `${wrong.length} mistakes in texts`}:
      </p>
      <ul>
        {wrong.map(({ fault: { speakerId: speaker, state, language, place, message }, languages, then }) => (
          <li key={`${speaker} ${state} ${message} ${then}`}>
            “{speakerName(policy, speaker)}”, {stateName(state)}, {[...languages].join(', ')}: {message}
            {then}{' '}
            <a className="link link-primary" href={textHref({ speakerId: speaker, state, place, language })}>
              mend it
            </a>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** One mistake that texts of several languages or places share. */
interface Shared {
  /** the first */
  fault: TextFault;
  languages: Set<string>;
  /** what shoppers go on reading */
  then: string;
}

function grouped(faults: readonly TextFault[], policy: Policy): Shared[] {
  const found = new Map<string, Shared>();
  for (const fault of faults) {
    const kept = fault.breaks ? textAt(policy, fault) : undefined;
    const then = fault.breaks ? meanwhile(fault.state, kept) : '';
    const key = JSON.stringify([fault.speakerId, fault.state, fault.message, then]);
    const same = found.get(key);
    if (same) same.languages.add(fault.language);
    else found.set(key, { fault, languages: new Set([fault.language]), then });
  }
  return [...found.values()];
}

/** What is read while a text cannot be shown. @param kept the last good one */
function meanwhile(state: TextState, kept: string | undefined): string {
  if (isOutside(state)) return kept === undefined ? ' There is nothing to copy.' : ` To be copied stays “${kept}”.`;
  return kept === undefined ? ' Shoppers read nothing of it.' : ` Shoppers go on reading “${kept}”.`;
}

/** Offers that are on whose shoppers would read another language than theirs, or nothing. */
export function LanguageWarnings() {
  const policy = usePolicy();
  const missing = useMemo(() => missingLanguages(policy), [policy]);
  if (missing.length === 0) return null;
  const byOffer = new Map<string, typeof missing>();
  for (const one of missing) byOffer.set(one.speakerId, [...(byOffer.get(one.speakerId) ?? []), one]);
  return (
    <div className="mt-2 border-l-2 border-warning py-1 pl-3" data-testid="language-warnings">
      <p className="font-semibold">Languages without texts:</p>
      <ul>
        {[...byOffer].map(([offerId, list]) => (
          <li key={offerId}>
            “{speakerName(policy, offerId)}” has no text in{' '}
            {list.map(({ language, instead }) => `${language} (shoppers read ${instead ?? 'nothing'})`).join(', ')}{' '}
            <a className="link link-primary" href={`/wording?offer=${offerId}&view=languages`}>
              write it
            </a>
          </li>
        ))}
      </ul>
    </div>
  );
}
