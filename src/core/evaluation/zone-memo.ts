import { sameRules, type CompiledPolicy, type CompiledZone } from './compile.ts';
import type { Zone } from '../policy/types.ts';

interface Known<Made, From> {
  zone: CompiledZone;
  /** all zones of the market, which decide where in it somebody is */
  beside: readonly Zone[];
  from: From;
  made: Made;
}

/** Remembers what was made of each zone for as long as its rules and what else it was made of are the same. */
export function zoneMemo<Made, From extends readonly unknown[]>(
  make: (zone: CompiledZone, ...from: From) => Made,
): (zone: CompiledZone, ...from: From) => Made {
  const known = new WeakMap<Zone, Omit<Known<Made, From>, 'beside'>>();
  return (zone, ...from) => {
    const last = known.get(zone.zone);
    if (last && sameRules(last.zone, zone) && sameList(last.from, from)) return last.made;
    const made = make(zone, ...from);
    known.set(zone.zone, { zone, from, made });
    return made;
  };
}

/** The same of what rests on where in a market somebody is, too. @param make looks at a policy only to find the zone of a place */
export function placeMemo<Made, From extends readonly unknown[]>(
  make: (compiled: CompiledPolicy, zone: CompiledZone, ...from: From) => Made,
): (compiled: CompiledPolicy, zone: CompiledZone, ...from: From) => Made {
  const known = new WeakMap<Zone, Known<Made, From>>();
  return (compiled, zone, ...from) => {
    const beside = zone.market.zones.map((one) => one.zone);
    const last = known.get(zone.zone);
    if (last && sameRules(last.zone, zone) && sameList(last.beside, beside) && sameList(last.from, from))
      return last.made;
    const made = make(compiled, zone, ...from);
    known.set(zone.zone, { zone, beside, from, made });
    return made;
  };
}

const sameList = (these: readonly unknown[], those: readonly unknown[]): boolean =>
  these.length === those.length && these.every((one, index) => one === those[index]);
