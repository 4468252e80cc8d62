import type { NoticeSilence } from '../../core/notices/speaking-notice.ts';
import type { Silence } from '../../core/evaluation/lead-message.ts';

/** Why an offer says nothing, to be read after “it”. */
export const silenceInWords: Record<Silence | NoticeSilence, string> = {
  notYet: 'has not begun',
  over: 'is over',
  needsCode: 'waits for its code',
  notForShopper: 'is not for this shopper',
  usedUp: 'is used up',
  noText: 'has no text that is true of it',
  nothingToGive: 'gives nothing here',
  noPromise: 'can make no honest promise',
  freeAlready: 'would give what is free already',
  changesNothing: 'changes nothing of what this shopper pays or gets',
  notFree: 'says free, but no option would be free',
  noCutOff: 'counts down to the cut-off of an option that is not offered or has none',
  notYetCounting: 'does not count down yet',
};
