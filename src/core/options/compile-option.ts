import { alwaysPriced, compileCharge, type CompiledCharge } from '../charges/compile-charge.ts';
import type { Qualifiers } from '../conditions/leaves.ts';
import { compileCondition, looksAtCart, type CompiledCondition } from '../conditions/compile-condition.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { OptionKindRecord } from './kinds/option-kind.ts';
import { optionKindOf } from './kinds/registry.ts';
import type { Calendar, DeliveryOption, OptionSelection, PickUpPlace } from '../policy/types.ts';
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

/** What an option is compiled from beside itself. */
export interface OptionSources {
  id: string;
  terms: MarketTerms;
  /** of its estimate; undefined: Monday to Friday */
  calendar: Calendar | undefined;
  /** where it is collected */
  place: PickUpPlace | undefined;
  /** that its conditions rest on */
  qualifiers: Qualifiers;
}

export function compileOption(
  option: DeliveryOption,
  { id, terms, calendar, place, qualifiers }: OptionSources,
): CompiledOption {
  const charge = compileCharge(
    option.charge,
    terms,
    qualifiers,
    option.packing ? { option: id, rules: option.packing } : null,
  );
  const when = option.when ? compileCondition(option.when, qualifiers, terms) : null;
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
      compileCalendar(calendar),
      terms.clocks.store,
      option.place === undefined ? null : compileOpenings(place, terms.clocks.store),
    ),
    cashIncrement: terms.money.cashIncrement,
    staysOffered: !(when && looksAtCart(when)) && alwaysPriced(charge),
  };
}

/** Whether a reward's choice of options includes one. */
export function selectsOption(on: OptionSelection, { id, option }: Pick<CompiledOption, 'id' | 'option'>): boolean {
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
