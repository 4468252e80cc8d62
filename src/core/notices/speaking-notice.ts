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

/** An option with what became of it: one that can be chosen has a price. */
type Priced = { option: CompiledOption } & ({ after: unknown } | { unavailable: unknown });

const msPerMinute = 60_000;

/** Made once: most notices are silent for most shoppers. */
const silences: Readonly<Record<NoticeSilence, { silent: NoticeSilence }>> = {
  notYet: { silent: 'notYet' },
  over: { silent: 'over' },
  notForShopper: { silent: 'notForShopper' },
  noCutOff: { silent: 'noCutOff' },
  notYetCounting: { silent: 'notYetCounting' },
};

/**
 * What a notice says to a shopper, or why it is silent (2-domain §8).
 *
 * @param priced options in shown order: of those that can be chosen the first of the notice's with a cut-off is spoken of
 */
export function spokenBy(
  { span, when, countdown }: CompiledNotice,
  facts: Facts,
  priced: readonly Priced[],
): SpokenOf | { silent: NoticeSilence } {
  const { instant } = facts;
  if (instant < span.from) return silences.notYet;
  if (instant >= span.until) return silences.over;
  if (when !== null && !when.holds(facts)) return silences.notForShopper;
  if (countdown === null)
    return { deadline: Number.isFinite(span.until) ? span.until : null, countedFrom: null, arrives: null };
  if (countdown.to === 'moment') {
    const silent = silentAt(countdown.at, countdown.within, instant);
    return silent ?? { deadline: countdown.at, countedFrom: instant, arrives: null };
  }
  for (const entry of priced) {
    const { id, estimate } = entry.option;
    if (!('after' in entry) || !countdown.options.has(id)) continue;
    const local = localTime(estimate.storeZone, instant);
    const moment = nextCutOff(estimate, local, instant);
    if (moment === null) continue;
    const silent = silentAt(moment, countdown.within, instant);
    if (silent) return silent;
    const arrives = estimateAt(estimate, local, instant, facts.cart.measures.preparationDays);
    return { deadline: moment, countedFrom: instant, arrives };
  }
  return silences.noCutOff;
}

/** In its last minute a moment is over: whoever reads it then is too late. */
function silentAt(moment: number, within: number, instant: number): { silent: NoticeSilence } | null {
  const left = moment - instant;
  if (left < msPerMinute) return silences.over;
  return left > within ? silences.notYetCounting : null;
}
