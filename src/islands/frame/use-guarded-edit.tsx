import { useCallback, useState, type ReactNode } from 'react';
import type { Edit } from '../../client/edit.ts';
import { faultInWords } from '../../core/policy/fault-in-words.ts';
import { withPatches } from '../../core/policy/patch.ts';
import { checkReferences } from '../../core/policy/references/check-references.ts';
import { useDraft } from './page-context.tsx';

/**
 * An edit that is looked at before it is made: what would leave the draft wrong is refused where it was tried, with the
 * reason, and changes nothing. @returns the way to make one, and the reason of the last refusal to be shown beside it
 */
export function useGuardedEdit(): { edit: (edit: Edit) => boolean; refusal: ReactNode; clear: () => void } {
  const policy = useDraft((state) => state.settled);
  const make = useDraft((state) => state.edit);
  const [refused, setRefused] = useState<string | null>(null);
  const clear = useCallback(() => setRefused(null), []);
  const edit = useCallback(
    (wanted: Edit) => {
      const next = withPatches(policy, [wanted(policy)]);
      const [fault] = checkReferences(next, policy);
      setRefused(fault ? `${faultInWords(fault, next)}. Nothing was changed.` : null);
      if (!fault) make(wanted);
      return !fault;
    },
    [policy, make],
  );
  return {
    edit,
    clear,
    refusal: refused && (
      <p role="alert" className="my-1 flex flex-wrap items-baseline gap-3 text-error">
        {refused}
        <button type="button" className="quiet-button text-base-content" onClick={clear}>
          All right
        </button>
      </p>
    ),
  };
}
