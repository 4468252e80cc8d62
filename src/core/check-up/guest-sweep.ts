import type { CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';
import { sweepZone, type Sweep } from '../sweep/sweep.ts';
import { somewhereIn } from '../evaluation/somewhere-in.ts';
import type { Examined } from './kind.ts';
import { placeMemo } from '../evaluation/zone-memo.ts';

/** What a guest somewhere in a zone pays along goods value; the same object as long as the zone’s rules are the same. */
export interface GuestSweep {
  zone: CompiledZone;
  sweep: Sweep;
}

const swept = placeMemo((compiled: CompiledPolicy, zone: CompiledZone, now: number): GuestSweep | null => {
  const destination = somewhereIn(compiled, zone);
  return destination && { zone, sweep: sweepZone(zone, 'goodsValue', { destination, instant: now }) };
});

/** @returns null where nobody is in the zone */
export const guestSweep = ({ compiled, now }: Examined, zone: CompiledZone): GuestSweep | null =>
  swept(compiled, zone, now);
