import { useMemo } from 'react';
import { outsideStates } from '../../../core/wording/outside/outside-states.ts';
import { isNotice } from '../../../core/wording/text-speaker.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useRelease } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import type { SetQuery } from '../../page/use-query.ts';
import { TextEditor } from '../TextEditor.tsx';
import { OutsideTable } from './OutsideTable.tsx';

/** What is written of an offer for people who are not in the shop yet: its texts, and filled ones to be copied. */
export function ForOutside({
  speakerId,
  language,
  setQuery,
}: {
  speakerId: string;
  language: string;
  setQuery: SetQuery;
}) {
  const policy = usePolicy();
  const standing = useStanding(speakerId);
  if (isNotice(policy, speakerId))
    return (
      <p className="py-4 text-soft" data-testid="outside-notice">
        A notice promises nothing to reach, so there is nothing to write of it for outside. Choose an offer above.
      </p>
    );
  return (
    <div data-testid="outside">
      <p className="mt-2 text-soft">
        Filled with the amounts that the offer holds to, in every market it is for. Copied by you; nothing is sent.
      </p>
      {standing && (
        <p className="mt-1 text-warning" data-testid="outside-standing">
          {standing}
        </p>
      )}
      {outsideStates.map(({ id: state, name, means }) => (
        <section key={state} ref={part(name)} className="mt-3 border-t border-hairline pt-2" aria-label={name}>
          <h2 className="text-lead first-letter:uppercase" title={means}>
            {name}
          </h2>
          <TextEditor
            key={`${speakerId} ${language}`}
            address={{ speakerId, state, place: 'everyPlace', language }}
            label={`${name}, ${language}`}
            inherited={null}
          />
          <OutsideTable speakerId={speakerId} state={state} choose={(to) => setQuery({ language: to })} />
        </section>
      ))}
    </div>
  );
}

/** Why nobody gets the offer yet that is written of; null: shoppers do. */
function useStanding(speakerId: string): string | null {
  const offer = usePolicy().offers[speakerId];
  const release = useRelease();
  return useMemo(() => {
    if (!offer) return null;
    if (!offer.on) return 'It is off in this draft, so what is copied now promises what nobody gets.';
    if (!release?.policy.offers[speakerId]?.on)
      return 'The shop does not hold to it yet: release the draft before what is copied is read.';
    return null;
  }, [offer, release, speakerId]);
}
