import { compilePolicy } from '../../../core/evaluation/compile.ts';
import type { Policy } from '../../../core/policy/types.ts';
import type { SweepAxis } from '../../../core/sweep/axis.ts';
import { sweepZone, type Sweep } from '../../../core/sweep/sweep.ts';
import { someoneIn } from '../../../core/evaluation/someone-in.ts';

/** What the charges of a zone's options come to along an axis, whoever may choose them and whatever offers take off. */
export function chargeSweep(policy: Policy, zoneId: string, axis: SweepAxis, now: number): Sweep | null {
  const zone = policy.zones[zoneId];
  if (!zone) return null;
  const options = Object.fromEntries(
    Object.entries(policy.options).flatMap(([id, option]) => {
      if (option.zone !== zoneId) return [];
      const { when: _, schedule: __, channels: ___, ...always } = option;
      return [[id, always]];
    }),
  );
  const bare = compilePolicy({
    ...policy,
    zones: { [zoneId]: { ...zone, on: true } },
    options,
    offers: {},
    wording: {},
  });
  const compiled = bare.markets.get(zone.market)?.zones[0];
  return compiled ? sweepZone(compiled, axis, someoneIn(compiled, now)) : null;
}
