import { inOrder } from '../../core/ordered.ts';
import { useDraft } from '../page/draft-context.tsx';

/** Offers that have been set aside, to be looked at and taken out again. */
export function Archive({ choose }: { choose: (offer: string) => void }) {
  const offers = useDraft((state) => state.settled.offers);
  const archived = inOrder(offers).filter(([, offer]) => offer.archived);
  if (archived.length === 0) return null;
  return (
    <p className="flex flex-wrap items-baseline gap-x-1 text-small" data-testid="archive">
      <span className="text-soft">Archived</span>
      {archived.map(([id, { name }]) => (
        <button key={id} type="button" className="btn btn-xs" onClick={() => choose(id)} data-testid={`archived-${id}`}>
          {name}
        </button>
      ))}
    </p>
  );
}
