import type { Fault } from '../policy/fault.ts';
import type { OptionSelection, Policy } from '../policy/types.ts';

/** Options named one by one exist. */
export function checkSelection(on: OptionSelection, policy: Policy, at: string, fault: Fault): void {
  if (on.by !== 'list') return;
  for (const option of Object.keys(on.options))
    if (!policy.options[option]) fault(`${at}/options/${option}`, `there is no delivery option "${option}"`);
}
