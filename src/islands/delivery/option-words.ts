import { readOut } from '../../core/conditions/read-out.ts';
import type { DeliveryOption, Policy } from '../../core/policy/types.ts';

/** “1–2 working days, ordered before 16:00”. */
export function estimatePhrase({ min, max, unit, cutOff }: DeliveryOption['estimate']): string {
  const name = unit === 'hours' ? 'hour' : 'working day';
  return `${min === max ? min : `${min}–${max}`} ${name}${max === 1 ? '' : 's'}${cutOff ? `, ordered before ${cutOff}` : ''}`;
}

/** For whom and when an option is offered. */
export function availabilityInWords(policy: Policy, option: DeliveryOption, marketId: string): string {
  return option.when ? `if ${readOut(policy, option.when, marketId)}` : 'to everyone';
}

/** How many options use something. */
export function usedInWords(options: number): string {
  if (options === 0) return 'no option uses it';
  return options === 1 ? 'one option uses it' : `${options} options use it`;
}
