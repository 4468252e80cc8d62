import type { StartedNotice } from '../../core/notices/starter-notices.ts';
import { orderAfterLast } from '../../core/ordered.ts';
import type { Notice } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';
import { inTurn, setAt } from './set-at.ts';

/** A notice put at the end of the list, with its texts. */
export const addNotice = (id: string, { notice, wording }: StartedNotice): Edit =>
  inTurn(
    (policy) =>
      setAt(['notices', id], { order: orderAfterLast(policy.notices ?? {}), ...notice } satisfies Notice)(policy),
    setAt(['wording', id], wording),
  );

/** Takes a notice out with its texts. */
export const removeNotice =
  (id: string): Edit =>
  (policy) => {
    const last = Object.keys(policy.notices ?? {}).every((other) => other === id);
    return inTurn(
      setAt(['wording', id], undefined),
      setAt(['textNotes', id], undefined),
      setAt(last ? ['notices'] : ['notices', id], undefined),
    )(policy);
  };

/** Sets a notice aside, off, or takes it out of the archive again, off as it was. */
export const archiveNotice = (id: string, archived: boolean): Edit =>
  inTurn(setAt(['notices', id, 'on'], false), setAt(['notices', id, 'archived'], archived ? true : undefined));
