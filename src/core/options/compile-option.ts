import { alwaysPriced, compileCharge, type CompiledCharge } from '../charges/compile-charge.ts';
import { compileCondition, looksAtCart, type CompiledCondition } from '../conditions/compile-condition.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { OptionKindRecord } from './kinds/option-kind.ts';
import { optionKindOf } from './kinds/registry.ts';
import type { DeliveryOption, OptionSelection, Policy } from '../policy/types.ts';
import { compileEstimate, type CompiledEstimate } from '../time/estimate.ts';
import { compileOpenings } from '../time/openings.ts';
import { compileSchedule, type TimeSpan } from '../time/schedule.ts';
import { compileCalendar } from '../time/working-days.ts';

export interface CompiledOption {
  id: string;
  option: DeliveryOption;
  kind: OptionKindRecord;
  charge: CompiledCharge;
  when: CompiledCondition | null;
  span: TimeSpan;
  /** null: every channel */
  channels: ReadonlySet<string> | null;
  estimate: CompiledEstimate;
  /** prices there are multiples of it; minor units */
  cashIncrement: number | undefined;
  /** goods that are added never make it unavailable */
  staysOffered: boolean;
}

export function compileOption(id: string, option: DeliveryOption, policy: Policy, terms: MarketTerms): CompiledOption {
  const calendar = compileCalendar(
    option.estimate.calendar === undefined ? undefined : policy.calendars?.[option.estimate.calendar],
  );
  const charge = compileCharge(option.charge, terms, policy.qualifiers);
  const when = option.when ? compileCondition(option.when, policy.qualifiers, terms) : null;
  return {
    id,
    option,
    kind: optionKindOf(option),
    charge,
    when,
    span: compileSchedule(option.schedule, terms.clocks),
    channels: option.channels ? new Set(option.channels) : null,
    estimate: compileEstimate(
      option.estimate,
      calendar,
      terms.clocks.store,
      option.place === undefined ? null : compileOpenings(policy.places?.[option.place], terms.clocks.store),
    ),
    cashIncrement: terms.money.cashIncrement,
    staysOffered: !(when && looksAtCart(when)) && alwaysPriced(charge),
  };
}

/** Whether a reward's choice of options includes one. */
export function selectsOption(on: OptionSelection, { id, option }: CompiledOption): boolean {
  switch (on.by) {
    case 'all':
      return true;
    case 'kind':
      return on.kinds.includes(option.kind);
    case 'tag':
      return option.tags?.some((tag) => on.tags.includes(tag)) ?? false;
    case 'list':
      return id in on.options;
  }
}
