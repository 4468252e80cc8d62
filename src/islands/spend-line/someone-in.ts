import type { CompiledZone } from '../../core/evaluation/compile.ts';
import type { Shopper } from '../../core/policy/types.ts';
import type { Situation } from '../../core/evaluation/context.ts';

/** For whom the spend line is drawn: somebody somewhere in the zone, at the moment of the page; a guest when it is not said who. */
export function someoneIn({ market, include }: CompiledZone, now: number, shopper?: Shopper): Situation {
  const named = include.find(({ country }) => country !== null)?.country;
  return { destination: { country: named ?? market.market.countries[0] ?? '', postcode: '' }, instant: now, ...(shopper ? { shopper } : {}) };
}
