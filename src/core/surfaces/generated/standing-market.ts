import {
  compilePolicy,
  type CompiledMarket,
  type CompiledPolicy,
  type CompiledZone,
} from '../../evaluation/compile.ts';
import { somewhereIn } from '../../evaluation/somewhere-in.ts';
import type { DeliveryOption, Destination, Policy } from '../../policy/types.ts';
import { ZonePrices } from './price-rows.ts';
import { standingPolicy } from './standing-policy.ts';

/** A zone as it is for everybody at any time, beside the one that it is made of. */
export interface StandingZone {
  compiled: CompiledPolicy;
  zone: CompiledZone;
  /** somewhere in it; null where none of the places that its area names is */
  destination: Destination | null;
  prices: ZonePrices;
  /** as the policy has them, in the same order */
  options: readonly { id: string; option: DeliveryOption }[];
}

const known = new WeakMap<CompiledMarket, StandingZone[]>();

/**
 * The zones of a market as they are for everybody at any time, worked out once for each state of the market.
 *
 * @param instant ms since 1970-01-01T00:00Z; no price rests on it
 */
export function standingZones(policy: Policy, market: CompiledMarket, instant: number): StandingZone[] {
  let zones = known.get(market);
  if (!zones) known.set(market, (zones = standing(policy, market, instant)));
  return zones;
}

function standing(policy: Policy, { id, zones }: CompiledMarket, instant: number): StandingZone[] {
  const compiled = compilePolicy(standingPolicy(policy));
  const market = compiled.markets.get(id)!;
  const byId = new Map(market.zones.map((zone) => [zone.id, zone]));
  return zones.map(({ id: zoneId, options }) => {
    const zone = byId.get(zoneId)!;
    const destination = somewhereIn(compiled, zone);
    const anywhere = destination ?? { country: market.market.countries[0] ?? 'ZZ', postcode: '' };
    return { compiled, zone, destination, prices: new ZonePrices(zone, anywhere, instant), options };
  });
}

/** Whether an option is for everybody who orders, at any time, and brought rather than collected. */
export const isBroughtToAll = ({ when, schedule, channels, kind }: DeliveryOption): boolean =>
  !when && !schedule && !channels && kind !== 'pickUp';
