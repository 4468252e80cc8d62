import type { CompiledZone } from '../../core/evaluation/compile.ts';
import type { Situation } from '../../core/evaluation/context.ts';

/** For whom the spend line is drawn: a guest somewhere in the zone, at the moment of the page. */
export function someoneIn({ market, include }: CompiledZone, now: number): Situation {
  const named = include.find(({ country }) => country !== null)?.country;
  return { destination: { country: named ?? market.market.countries[0] ?? '', postcode: '' }, instant: now };
}
