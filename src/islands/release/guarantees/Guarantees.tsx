import { useState } from 'react';
import { addGuarantee } from '../../../client/edits/guarantee-edits.ts';
import { freshId } from '../../../client/edits/set-at.ts';
import { starterGuarantees } from '../../../core/guarantees/starters.ts';
import { inOrder } from '../../../core/ordered.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { part } from '../../page/parts.ts';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { GuaranteeRow } from './GuaranteeRow.tsx';

/** What the store wants to hold whatever anyone edits: each says whether it does, and opens to be changed. */
export function Guarantees() {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const [opened, setOpened] = useState<string | null>(null);
  const guarantees = inOrder(policy.guarantees ?? {});
  const unused = starterGuarantees.filter(
    ({ name, begin }) => guarantees.every(([, guarantee]) => guarantee.name !== name) && begin(policy) !== null,
  );
  return (
    <section ref={part('guarantees')} className="mt-4 outline-none" aria-label="Guarantees" data-testid="guarantees">
      <h2 className="text-title">Guarantees</h2>
      <p className="text-small text-soft">
        What holds whatever anyone edits. Each is looked at after every edit; one that is broken stops a release.
      </p>
      {refusal}
      <ul>
        {guarantees.map(([id, guarantee]) => (
          <GuaranteeRow
            key={id}
            id={id}
            guarantee={guarantee}
            open={opened === id}
            toggle={() => setOpened(opened === id ? null : id)}
          />
        ))}
      </ul>
      {unused.length > 0 && (
        <div className="mt-1 flex flex-wrap items-baseline gap-1" data-testid="guarantee-starters">
          <span className="text-small text-soft">Add one:</span>
          {unused.map((starter) => (
            <button
              key={starter.id}
              type="button"
              className="btn h-auto min-h-6 max-w-full shrink btn-xs py-0.5 text-left whitespace-normal"
              onClick={() => {
                const id = freshId(starter.id, policy.guarantees ?? {});
                if (edit(addGuarantee(id, starter))) setOpened(null);
              }}
              data-testid={`guarantee-${starter.id}`}
            >
              {starter.name}
            </button>
          ))}
        </div>
      )}
    </section>
  );
}
