import { useMemo } from 'react';
import { sharedFaults } from '../../../core/wording/shared-faults.ts';
import { speakerName } from '../../../core/wording/text-speaker.ts';
import { stateName } from '../../../core/wording/text-address.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { textHref } from '../../page/text-href.ts';

/** Texts of an offer with mistakes: those that break leave shoppers with the last good one; others would be read as they are. */
export function TextWarnings({ offerId }: { offerId: string }) {
  const policy = usePolicy();
  const wrong = useMemo(
    () => sharedFaults(policy).filter(({ fault }) => fault.severity === 'wrong' && fault.speakerId === offerId),
    [policy, offerId],
  );
  if (wrong.length === 0) return null;
  return (
    <div className="mt-2 border-l-2 border-error py-1 pl-3 leading-5" data-testid="text-warnings">
      <p className="font-semibold text-error">
        {wrong.length === 1 ? 'A mistake in texts' : `${wrong.length} mistakes in texts`}:
      </p>
      <ul>
        {wrong.map(({ fault: { speakerId, state, language, place, message }, languages, then }) => (
          <li key={`${state} ${place} ${message} ${then}`}>
            “{speakerName(policy, speakerId)}”, {stateName(state)}, {[...languages].join(', ')}: {message}
            {then}{' '}
            <a className="link link-primary" href={textHref({ speakerId, state, place, language })}>
              mend it
            </a>
          </li>
        ))}
      </ul>
    </div>
  );
}
