import { useCallback, useState, type ReactNode } from 'react';
import type { Edit } from '../../client/edits/edit.ts';
import { useDraft } from './page-context.tsx';

/**
 * An edit that is refused where it was tried, with the reason, if it would leave the draft wrong.
 * @returns the way to make one, and the reason of the last refusal to be shown beside it
 */
export function useGuardedEdit(): { edit: (edit: Edit) => boolean; refusal: ReactNode; clear: () => void } {
  const make = useDraft((state) => state.edit);
  const [refused, setRefused] = useState<string | null>(null);
  const clear = useCallback(() => setRefused(null), []);
  const edit = useCallback(
    (wanted: Edit) => {
      const reason = make(wanted);
      setRefused(reason);
      return reason === null;
    },
    [make],
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
