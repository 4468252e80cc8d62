import { createContext, useCallback, useContext, useState, type ReactNode } from 'react';
import type { Edit } from '../../client/edits/edit.ts';
import { useDraft } from './draft-context.tsx';
import { Alert } from '../../ui/Alert.tsx';

/** Makes an edit. @returns whether it was made: one that would leave the draft wrong is refused, with its reason on screen */
export type MakeEdit = (edit: Edit) => boolean;

const EditsHere = createContext<MakeEdit | null>(null);

/** Edits made below are refused at the top of the page, unless a nearer place shows reasons. */
export function PageEdits({ children }: { children: ReactNode }) {
  const edit = useDraft((state) => state.edit);
  const refuse = useDraft((state) => state.refuse);
  const onPage = useCallback(
    (wanted: Edit) => {
      const reason = edit(wanted);
      if (reason !== null) refuse(reason);
      return reason === null;
    },
    [edit, refuse],
  );
  return <GuardedEdits edit={onPage}>{children}</GuardedEdits>;
}

/** Edits made below are refused where `edit` of `useGuardedEdit` shows its reasons. */
export function GuardedEdits({ edit, children }: { edit: MakeEdit; children: ReactNode }) {
  return <EditsHere.Provider value={edit}>{children}</EditsHere.Provider>;
}

/** The way to edit: refused in the nearest place that shows reasons, else at the top of the page. */
export function useEdit(): MakeEdit {
  const edit = useContext(EditsHere);
  if (!edit) throw new Error('useEdit outside of its page');
  return edit;
}

/**
 * An edit that is refused where it was tried, with the reason, if it would leave the draft wrong.
 * @returns the way to make one, and the reason of the last refusal to be shown beside it
 */
export function useGuardedEdit(): { edit: MakeEdit; refusal: ReactNode; clear: () => void } {
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
      <Alert className="my-1">
        {refused}{' '}
        <button type="button" className="btn btn-xs" onClick={clear}>
          All right
        </button>
      </Alert>
    ),
  };
}
