import type { Shopper } from '../policy/types.ts';

/** Someone of whom nothing is known. */
export const guest: Shopper = { signedIn: false };
