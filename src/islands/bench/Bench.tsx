import { ChevronDown, ChevronUp, PanelRightClose, PanelRightOpen } from 'lucide-react';
import { useState } from 'react';
import { inOrder } from '../../core/ordered.ts';
import { useCheckUp } from '../findings/check-up.ts';
import { exampleHref } from '../findings/example-href.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { BenchCard } from './BenchCard.tsx';

/** Of carts that break guarantees so many are shown. */
const mostBreaking = 3;

/** Carts that break a guarantee, before those that somebody has pinned. */
function BreakingCarts() {
  const breaking = (useCheckUp().findings ?? []).filter(({ firm, example }) => firm && example !== null);
  return breaking
    .slice(0, mostBreaking)
    .map((finding) => (
      <BenchCard
        key={finding.id}
        id={finding.id}
        cart={finding.example!}
        href={exampleHref(finding)!}
        because={finding.sentence}
      />
    ));
}

/** The pinned carts, live beside every view; on a phone a bar at the bottom, which is raised when it is wanted. */
export function Bench({ folded, fold }: { folded: boolean; fold: () => void }) {
  const policy = usePolicy();
  const [raised, setRaised] = useState(false);
  const pinned = inOrder(policy.testCarts).filter(([, cart]) => cart.pinned);
  return (
    <aside className="bench bg-base-200" aria-label="Bench" data-testid="bench" data-raised={raised}>
      {folded && (
        <button
          type="button"
          className="btn btn-ghost btn-xs m-2 hidden lg:inline-flex"
          onClick={fold}
          aria-label="Unfold the bench"
          aria-expanded={false}
        >
          <PanelRightOpen size={16} aria-hidden />
        </button>
      )}
      <div className={folded ? 'lg:hidden' : ''}>
        <div className="flex items-center justify-between px-4 pt-2.5 pb-1">
          <h2 className="text-lead">Bench</h2>
          <span className="text-fine text-soft">
            {pinned.length || 'no'} pinned {pinned.length > 1 ? 'carts' : 'cart'}
          </span>
          <button
            type="button"
            className="btn btn-ghost btn-xs hidden lg:inline-flex"
            onClick={fold}
            aria-label="Fold the bench"
            aria-expanded
          >
            <PanelRightClose size={16} aria-hidden />
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm lg:hidden"
            onClick={() => setRaised(!raised)}
            aria-label={raised ? 'Lower the bench' : 'Raise the bench'}
            aria-expanded={raised}
            data-testid="raise-bench"
          >
            {raised ? <ChevronDown size={18} aria-hidden /> : <ChevronUp size={18} aria-hidden />}
          </button>
        </div>
        <div className={raised ? '' : 'hidden lg:block'}>
          {pinned.length === 0 && (
            <p className="px-4 py-3 text-soft">
              Carts pinned at Rehearse stand here and are computed anew at each change.
            </p>
          )}
          {(!folded || raised) && (
            <ul>
              <BreakingCarts />
              {pinned.map(([id, cart]) => (
                <BenchCard key={id} id={id} cart={cart} />
              ))}
            </ul>
          )}
        </div>
      </div>
    </aside>
  );
}
