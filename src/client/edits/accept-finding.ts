import type { Edit } from './edit.ts';
import { setAt } from './set-at.ts';

/** A finding is put up with, for a reason, as long as it says the same. @param sentence as it is kept */
export const acceptFinding = (id: string, reason: string, sentence: string): Edit =>
  setAt(['accepted', id], { reason, sentence });

/** It is not put up with any more. */
export const takeBackAcceptance = (id: string): Edit => setAt(['accepted', id], undefined);
