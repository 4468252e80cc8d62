import { useState } from 'react';
import { addSurface } from '../../../client/edits/surface-edits.ts';
import { freshId } from '../../../client/edits/set-at.ts';
import { inOrder } from '../../../core/ordered.ts';
import { surfaceKinds } from '../../../core/surface-kinds/registry.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { part } from '../../page/parts.ts';
import { useQuery } from '../../page/use-query.ts';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { SurfaceRow } from './SurfaceRow.tsx';
import { stateOrder } from './surface-words.ts';
import type { Standings } from './use-surfaces.ts';

/** Other places that state delivery prices: which are behind, and each with its new text beside the old. */
export function Surfaces({ standings, asked }: { standings: Standings; asked: Record<string, string> }) {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const [query, setQuery] = useQuery(asked);
  const opened = query.surface ?? null;
  const surfaces = inOrder(policy.surfaces ?? {});
  const rankOf = (id: string) => {
    const state = standings.of?.get(id)?.state;
    return state === undefined ? stateOrder.length : stateOrder.indexOf(state);
  };
  // While one is open the list stays as it is, so that it does not move away under the hand.
  const [kept, setKept] = useState<readonly string[] | null>(null);
  const sorted = [...surfaces].sort(([a], [b]) => rankOf(a) - rankOf(b));
  const shown = kept ? [...surfaces].sort(([a], [b]) => placeIn(kept, a) - placeIn(kept, b)) : sorted;
  const toggle = (id: string) => {
    const next = opened === id ? null : id;
    setKept(next === null ? null : shown.map(([one]) => one));
    setQuery({ surface: next ?? '' });
  };
  return (
    <section
      ref={part('surfaces')}
      id="surfaces"
      className="mt-4 outline-none"
      aria-label="Surfaces"
      data-testid="surfaces"
    >
      <h2 className="text-title">Surfaces</h2>
      <p className="text-small text-soft">
        Other places that say what delivery costs. Each is compared with the release; those with an address are fetched
        after each release and once a day.
      </p>
      {refusal}
      {standings.failed !== null && <p className="text-error">They could not be compared: {standings.failed}.</p>}
      <ul>
        {shown.map(([id, surface]) => (
          <SurfaceRow
            key={id}
            id={id}
            surface={surface}
            standing={standings.of?.get(id) ?? null}
            take={standings.take}
            open={opened === id}
            toggle={() => toggle(id)}
          />
        ))}
      </ul>
      <div className="mt-1 flex flex-wrap items-baseline gap-1" data-testid="surface-starters">
        <span className="text-small text-soft">Add one:</span>
        {surfaceKinds.all.map(({ kind, called, means }) => (
          <button
            key={kind}
            type="button"
            className="btn btn-xs"
            title={means}
            onClick={() => {
              const id = freshId(called, policy.surfaces ?? {});
              if (edit(addSurface(id, kind, called))) toggle(id);
            }}
            data-testid={`add-surface-${kind}`}
          >
            {called}
          </button>
        ))}
      </div>
    </section>
  );
}

const placeIn = (ids: readonly string[], id: string): number => {
  const at = ids.indexOf(id);
  return at < 0 ? ids.length : at;
};
