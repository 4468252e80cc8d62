import type { Facts } from '../conditions/asked.ts';
import type { CompiledOption } from '../options/compile-option.ts';
import { nextCutOff } from '../time/cut-off.ts';
import { estimateAt, type Estimate } from '../time/estimate.ts';
import { localTime } from '../time/time-zone-clock.ts';
import type { CompiledNotice } from './compile-notice.ts';

/** Why a notice says nothing to this shopper. */
export type NoticeSilence = 'notYet' | 'over' | 'notForShopper' | 'noCutOff' | 'notYetCounting';

/** What a notice speaks of. */
export interface SpokenOf {
  /** the moment it counts down to, else the first minute after its schedule; null: neither */
  deadline: number | null;
  /** from when it counts down to the deadline: the moment of the evaluation; null: it does not count down */
  countedFrom: number | null;
  /** when the option is there, of whose cut-off it speaks */
  arrives: Estimate | null;
}

const msPerMinute = 60_000;

/**
 * What a notice says to a shopper, or why it is silent (2-domain §8).
 *
 * @param offered options that can be chosen, in shown order: the first of its options with a cut-off is spoken of
 */
export function spokenBy(
  { span, when, countdown }: CompiledNotice,
  facts: Facts,
  offered: readonly CompiledOption[],
): SpokenOf | { silent: NoticeSilence } {
  const { instant } = facts;
  if (instant < span.from) return { silent: 'notYet' };
  if (instant >= span.until) return { silent: 'over' };
  if (when !== null && !when.holds(facts)) return { silent: 'notForShopper' };
  if (countdown === null)
    return { deadline: Number.isFinite(span.until) ? span.until : null, countedFrom: null, arrives: null };
  if (countdown.to === 'moment') return counting(countdown.at, countdown.within, instant, null);
  for (const { id, estimate } of offered) {
    if (!countdown.options.has(id)) continue;
    const local = localTime(estimate.storeZone, instant);
    const moment = nextCutOff(estimate, local, instant);
    if (moment === null) continue;
    const { preparationDays } = facts.cart.measures;
    return counting(moment, countdown.within, instant, estimateAt(estimate, local, instant, preparationDays));
  }
  return { silent: 'noCutOff' };
}

/** In its last minute a moment is over: whoever reads it then is too late. */
function counting(
  moment: number,
  within: number,
  instant: number,
  arrives: Estimate | null,
): SpokenOf | { silent: NoticeSilence } {
  const left = moment - instant;
  if (left < msPerMinute) return { silent: 'over' };
  if (left > within) return { silent: 'notYetCounting' };
  return { deadline: moment, countedFrom: instant, arrives };
}
