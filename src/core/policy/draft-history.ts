import type { PolicyChange } from './changes.ts';

/** An edit of the draft, as far as it concerns what was asked about. */
export interface HistoricEdit {
  revision: number;
  kind: 'found' | 'edit' | 'undo' | 'redo';
  /** an edit that was undone, or whose undoing was left standing by a later edit */
  state: 'done' | 'undone' | 'dropped';
  label: string;
  madeBy: string;
  /** ISO 8601, UTC */
  madeAt: string;
  changes: PolicyChange[];
}

/** Whether a change is one of an offer or of its texts. */
export const isOfOffer = ({ path }: Pick<PolicyChange, 'path'>, offer: string): boolean =>
  [`/offers/${offer}`, `/wording/${offer}`].some((root) => path === root || path.startsWith(`${root}/`));
