import { memo, useMemo, useState } from 'react';
import { freshId, setAt } from '../../client/edits/set-at.ts';
import { qualifierUses, type QualifierUse } from '../../core/conditions/qualifier-uses.ts';
import { readOut } from '../../core/conditions/read-out.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { Condition, Qualifier } from '../../core/policy/types.ts';
import { useDraft } from '../page/draft-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { lazyPart } from '../../ui/lazy-part.tsx';
import { part } from '../page/parts.ts';

const OpenQualifier = lazyPart(
  () => import('./OpenQualifier.tsx'),
  <p className="ml-4 leading-7 text-soft">Opening …</p>,
);

/** The qualifiers, what each says, where it is used, and whom of the test carts it holds for. */
export const QualifierLibrary = memo(function QualifierLibrary({
  marketId,
  open,
  setOpen,
}: {
  marketId: string;
  open: string;
  setOpen: (qualifier: string) => void;
}) {
  // Not what is just being dragged or typed: only the condition that is open follows that.
  const policy = useDraft((state) => state.settled);
  const { edit, refusal } = useGuardedEdit();
  const { qualifiers, offers, options } = policy;
  const uses = useMemo(() => qualifierUses({ qualifiers, offers, options }), [qualifiers, offers, options]);
  const add = () => {
    const id = freshId('condition', qualifiers);
    const condition: Condition = { of: 'all', conditions: {} };
    if (
      edit(
        setAt(['qualifiers', id], {
          order: orderAfterLast(qualifiers),
          name: `Condition ${Object.keys(qualifiers).length + 1}`,
          condition,
        } satisfies Qualifier),
      )
    )
      setOpen(id);
  };
  return (
    <GuardedEdits edit={edit}>
      <section
        ref={part('conditions')}
        className="seldom-seen mt-4 border-t border-hairline pt-2"
        aria-label="Qualifiers"
        data-testid="qualifiers"
      >
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="text-title">Qualifiers</h2>
          <p className="text-small text-soft">
            Conditions with a name, to be used wherever one can stand; a change holds everywhere.
          </p>
        </div>
        {refusal}
        <ul>
          {inOrder(qualifiers).map(([id, qualifier]) => (
            <li key={id} className="border-b border-hairline py-1" data-testid={`qualifier-${id}`}>
              <div className="flex flex-wrap items-baseline gap-x-3">
                <button
                  type="button"
                  className="btn btn-ghost btn-xs justify-start px-1 font-semibold"
                  aria-expanded={open === id}
                  onClick={() => setOpen(open === id ? '' : id)}
                  data-testid={`open-qualifier-${id}`}
                >
                  {qualifier.name}
                </button>
                <span className="min-w-0 flex-1 basis-72 text-small">
                  {readOut(policy, qualifier.condition, marketId)}
                </span>
                <UsesPhrase
                  uses={uses.get(id) ?? []}
                  remove={() => edit(setAt(['qualifiers', id], undefined)) && setOpen('')}
                />
              </div>
              {open === id && <OpenQualifier id={id} marketId={marketId} />}
            </li>
          ))}
        </ul>
        <button type="button" className="btn btn-xs mt-2" onClick={add} data-testid="add-qualifier">
          Add a qualifier
        </button>
      </section>
    </GuardedEdits>
  );
});

function UsesPhrase({ uses, remove }: { uses: readonly QualifierUse[]; remove: () => void }) {
  const [all, setAll] = useState(false);
  if (uses.length === 0) {
    return (
      <span className="text-small text-soft">
        nothing uses it{' '}
        <button type="button" className="btn btn-xs" onClick={remove}>
          delete it
        </button>
      </span>
    );
  }
  const shown = all ? uses : uses.slice(0, 3);
  const address = ({ kind, id }: QualifierUse) => {
    if (kind === 'offer') return `/offers?offer=${id}`;
    if (kind === 'option') return `/delivery?option=${id}`;
    return `/offers?condition=${id}`;
  };
  return (
    <span className="text-small text-soft">
      used by{' '}
      {shown.map((use, index) => (
        <span key={`${use.kind} ${use.id}`}>
          {index > 0 && ', '}
          <a href={address(use)} className="link link-primary">
            {use.name}
          </a>
        </span>
      ))}
      {uses.length > shown.length && (
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAll(true)}>
          and {uses.length - shown.length} more
        </button>
      )}
    </span>
  );
}
