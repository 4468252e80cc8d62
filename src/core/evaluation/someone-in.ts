import type { Shopper } from '../policy/types.ts';
import type { CompiledZone } from './compile.ts';
import type { Situation } from './context.ts';

/** Somebody somewhere in a zone, at a moment; a guest when it is not said who. */
export function someoneIn({ market, include }: CompiledZone, instant: number, shopper?: Shopper): Situation {
  const named = include.find(({ country }) => country !== null)?.country;
  return {
    destination: { country: named ?? market.market.countries[0] ?? '', postcode: '' },
    instant,
    ...(shopper ? { shopper } : {}),
  };
}
