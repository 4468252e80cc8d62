import type { PolicyChange } from './changes.ts';

/** Whether a change is one of an offer or of its texts. */
export const isOfOffer = ({ path }: Pick<PolicyChange, 'path'>, offer: string): boolean =>
  [`/offers/${offer}`, `/wording/${offer}`].some((root) => path === root || path.startsWith(`${root}/`));
