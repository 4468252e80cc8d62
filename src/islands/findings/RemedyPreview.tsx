import { useEffect, useMemo } from 'react';
import { policyChanges } from '../../core/changes/changes.ts';
import type { Remedy } from '../../core/check-up/finding.ts';
import { withPatches } from '../../core/policy/patch.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';

/** What a remedy would change, which bench and pictures show meanwhile; it is done by a press. */
export default function RemedyPreview({ remedy, close }: { remedy: Remedy; close: () => void }) {
  const { locale } = useNotation();
  const settled = useDraft((state) => state.settled);
  const show = useDraft((state) => state.show);
  const edit = useEdit();
  const { patch, says } = remedy;
  const changes = useMemo(
    () => policyChanges(settled, withPatches(settled, [patch]), locale),
    [settled, patch, locale],
  );
  useEffect(() => {
    show(() => patch);
    return () => show(null);
  }, [show, patch]);
  return (
    <div className="flex w-96 max-w-full flex-col gap-2 p-2" data-testid="remedy">
      <ul>
        {changes.map(({ path, subject, before, after }) => (
          <li key={path}>
            {subject}: <span className="text-soft">{before ?? 'not there'}</span> → {after ?? 'taken away'}
          </li>
        ))}
      </ul>
      <p className="text-small text-soft">The bench shows it meanwhile. It is one edit and can be undone.</p>
      <button
        type="button"
        className="btn btn-primary btn-sm self-start"
        onClick={() => {
          if (edit(() => patch)) close();
        }}
      >
        {says}
      </button>
    </div>
  );
}
