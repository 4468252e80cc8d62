import type { Edit } from './edit.ts';
import { setAt } from './set-at.ts';

/** The markets an offer or a notice is for; all of them is said by naming none. @param path of the table in the policy */
export const setMarkets =
  (path: readonly string[], markets: readonly string[]): Edit =>
  (policy) => {
    const all = Object.keys(policy.markets).every((id) => markets.includes(id));
    return setAt(
      path,
      all || markets.length === 0 ? undefined : Object.fromEntries(markets.map((id) => [id, true])),
    )(policy);
  };
