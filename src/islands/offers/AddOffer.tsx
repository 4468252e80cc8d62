import { memo, useState } from 'react';
import { addOffer } from '../../client/edits/offer-edits.ts';
import { freshId } from '../../client/edits/set-at.ts';
import { codeBatch } from '../../core/offers/authoring/code-batch.ts';
import { starterOffers, type StarterOffer } from '../../core/offers/authoring/starters.ts';
import { insist } from '../../ui/lazy-part.tsx';
import { same } from '../../core/same.ts';
import type { Offer } from '../../core/policy/types.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { randomBytes } from './paragraph/UnlockPhrase.tsx';
import { useEdit } from '../page/use-edit.tsx';

/** Whether an offer is what its starter made: what it says it did is true only so long. */
function isAsBegun(offer: Offer | undefined, began: Omit<Offer, 'order'>): boolean {
  if (!offer) return false;
  const { order: _, ...rest } = offer;
  return same(rest, began);
}

/** Offers to begin with, and what the last one chosen has filled in. */
export const AddOffer = memo(function AddOffer({ choose }: { choose: (offer: string) => void }) {
  const edit = useEdit();
  const policy = useDraft((state) => state.settled);
  const { locale } = useNotation();
  const [did, setDid] = useState<{ id: string; began: Omit<Offer, 'order'>; sentences: string[] } | null>(null);
  const start = async (starter: StarterOffer) => {
    const { startOffer } = await insist(() => import('../../core/offers/authoring/starter-offers.ts'));
    const started = startOffer(starter, policy, codeBatch(1, 8, '', randomBytes)[0]!, locale);
    const id = freshId(started.offer.name, policy.offers);
    if (!edit(addOffer(id, started))) return;
    setDid({ id, began: started.offer, sentences: started.did });
    choose(id);
  };
  return (
    <div className="py-0.5 text-small">
      <p className="flex flex-wrap items-center gap-1">
        <span className="mr-1 pl-2 font-semibold">Add an offer</span>
        {starterOffers.map((starter) => (
          <button
            key={starter.id}
            type="button"
            className="btn btn-xs"
            title={starter.says}
            onClick={() => void start(starter)}
            data-testid={`starter-${starter.id}`}
          >
            {starter.name}
          </button>
        ))}
      </p>
      {did && isAsBegun(policy.offers[did.id], did.began) && (
        <p role="status" className="border-l-2 border-primary pl-3" data-testid="starter-did">
          {did.sentences.join(' ')}{' '}
          <button type="button" className="btn btn-xs" onClick={() => setDid(null)}>
            All right
          </button>
        </p>
      )}
    </div>
  );
});
