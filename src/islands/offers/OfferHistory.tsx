import { useState } from 'react';
import { isOfOffer } from '../../core/changes/draft-history.ts';
import { useChanges, useRelease } from '../page/page-context.tsx';
import { lazyPart } from '../../ui/lazy-part.tsx';
import { ChangeInWords } from './ChangeInWords.tsx';

const OfferEdits = lazyPart(() => import('./OfferEdits.tsx'), <p className="text-soft">reading edits …</p>);

/** What is planned for an offer, that is in the draft and not released, and what has been done to it in the draft. */
export function OfferHistory({ offerId }: { offerId: string }) {
  const changes = useChanges();
  const release = useRelease();
  const [open, setOpen] = useState(false);
  const planned = changes.filter((change) => isOfOffer(change, offerId));
  return (
    <div className="mt-1 text-small" data-testid="offer-history">
      <button
        type="button"
        className="btn btn-xs"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        data-testid="open-history"
      >
        {open ? 'Hide its history' : 'Show its history'}
      </button>
      {release && (
        <span className="text-soft">
          {' '}
          {planned.length === 0
            ? `as in release ${release.number}`
            : `${planned.length} ${planned.length === 1 ? 'change' : 'changes'} since release ${release.number}`}
        </span>
      )}
      {open && (
        <div className="border-l-2 border-primary pl-3">
          {planned.length > 0 && (
            <>
              <h3 className="font-sans font-semibold">Planned: in the draft and not released</h3>
              <ul>
                {planned.map((change) => (
                  <li key={change.path}>
                    <ChangeInWords change={change} />
                  </li>
                ))}
              </ul>
            </>
          )}
          <OfferEdits offerId={offerId} />
        </div>
      )}
    </div>
  );
}
