import { compileCondition, type CompiledCondition } from '../conditions/compile-condition.ts';
import type { Qualifiers } from '../conditions/leaves.ts';
import type { MarketTerms } from '../markets/terms.ts';
import { selectsOption, type CompiledOption } from '../options/compile-option.ts';
import type { Notice } from '../policy/types.ts';
import { compileSchedule, zoneOf, type TimeSpan } from '../time/schedule.ts';
import { instantOfLocal } from '../time/time-zone-clock.ts';

/** A notice as it holds in a zone. */
export interface CompiledNotice {
  id: string;
  notice: Notice;
  span: TimeSpan;
  when: CompiledCondition | null;
  countdown: CompiledCountdown | null;
}

/** What a notice counts down to, and how long before it is said; ms. */
export type CompiledCountdown =
  { to: 'cutOff'; options: ReadonlySet<string>; within: number } | { to: 'moment'; at: number; within: number };

/** What a notice is compiled from beside itself. */
export interface NoticeSources {
  id: string;
  terms: MarketTerms;
  /** of the zone, switched-off ones left out */
  options: readonly CompiledOption[];
  /** that its condition rests on */
  qualifiers: Qualifiers;
}

const msPerHour = 3_600_000;

/** A notice as it holds in a zone; none when it is off or not for the market. */
export function compileNotice(notice: Notice, { id, terms, options, qualifiers }: NoticeSources): CompiledNotice[] {
  if (!notice.on || (notice.markets && !notice.markets[terms.id])) return [];
  return [
    {
      id,
      notice,
      span: compileSchedule(notice.schedule, terms.clocks),
      when: notice.when ? compileCondition(notice.when, qualifiers, terms) : null,
      countdown: notice.countdown ? compileCountdown(notice.countdown, terms, options) : null,
    },
  ];
}

function compileCountdown(
  countdown: NonNullable<Notice['countdown']>,
  { clocks }: MarketTerms,
  options: readonly CompiledOption[],
): CompiledCountdown {
  const within = (countdown.withinHours ?? Infinity) * msPerHour;
  if (countdown.to === 'moment') {
    // Of a moment that clocks show twice the first: nothing is promised that may be over.
    return { to: 'moment', at: instantOfLocal(zoneOf(countdown.readIn, clocks), countdown.at, 'earlier'), within };
  }
  const selected = options.filter((option) => selectsOption(countdown.on, option)).map(({ id }) => id);
  return { to: 'cutOff', options: new Set(selected), within };
}
