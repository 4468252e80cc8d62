import { sameRules, type CompiledZone } from '../evaluation/compile.ts';
import type { Zone } from '../policy/types.ts';
import { sweepZone, type Sweep } from '../sweep/sweep.ts';
import { somewhereIn } from './example-cart.ts';
import type { Examined } from './kind.ts';

/** What a guest somewhere in a zone pays along goods value; the same object as long as the zone’s rules are the same. */
export interface GuestSweep {
  zone: CompiledZone;
  sweep: Sweep;
}

interface Known {
  zone: CompiledZone;
  /** all of the market, which decide where in it a guest is */
  beside: readonly Zone[];
  now: number;
  swept: GuestSweep | null;
}

const known = new WeakMap<Zone, Known>();

/** @returns null where nobody is in the zone */
export function guestSweep({ compiled, now }: Examined, zone: CompiledZone): GuestSweep | null {
  const beside = zone.market.zones.map((one) => one.zone);
  const last = known.get(zone.zone);
  if (last && last.now === now && sameRules(last.zone, zone) && sameList(last.beside, beside)) return last.swept;
  const destination = somewhereIn(compiled, zone);
  const swept = destination && { zone, sweep: sweepZone(zone, 'goodsValue', { destination, instant: now }) };
  known.set(zone.zone, { zone, beside, now, swept });
  return swept;
}

const sameList = (these: readonly unknown[], those: readonly unknown[]): boolean =>
  these.length === those.length && these.every((one, index) => one === those[index]);
