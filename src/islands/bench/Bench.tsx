import { PanelRightClose, PanelRightOpen } from 'lucide-react';
import { inOrder } from '../../core/ordered.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { BenchCard } from './BenchCard.tsx';

/** The pinned carts, live beside every view. */
export function Bench({ folded, fold }: { folded: boolean; fold: () => void }) {
  const policy = usePolicy();
  const pinned = inOrder(policy.testCarts).filter(([, cart]) => cart.pinned);
  if (folded) {
    return (
      <aside className="bench bg-base-200 p-2" aria-label="Bench">
        <button
          type="button"
          className="quiet-button"
          onClick={fold}
          aria-label="Unfold the bench"
          aria-expanded={false}
        >
          <PanelRightOpen size={16} aria-hidden />
        </button>
      </aside>
    );
  }
  return (
    <aside className="bench bg-base-200" aria-label="Bench" data-testid="bench">
      <div className="flex items-center justify-between px-4 pt-2.5 pb-1">
        <h2 className="text-[15px]">Bench</h2>
        <span className="text-[12px] text-soft">
          {pinned.length || 'no'} pinned {pinned.length > 1 ? 'carts' : 'cart'}
        </span>
        <button type="button" className="quiet-button" onClick={fold} aria-label="Fold the bench" aria-expanded>
          <PanelRightClose size={16} aria-hidden />
        </button>
      </div>
      {pinned.length === 0 ? (
        <p className="px-4 py-3 text-soft">Carts pinned at Rehearse stand here and are computed anew at each change.</p>
      ) : (
        <ul>
          {pinned.map(([id, cart]) => (
            <BenchCard key={id} id={id} cart={cart} />
          ))}
        </ul>
      )}
    </aside>
  );
}
