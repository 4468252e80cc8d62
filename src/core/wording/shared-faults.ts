import type { TextState } from '../offers/texts-written.ts';
import type { Policy } from '../policy/types.ts';
import { isOutside } from './outside/outside-states.ts';
import { policyWordingFaults, type TextFault } from './policy-faults.ts';
import { addressKey, textAt } from './text-address.ts';

/** One mistake that texts of several languages share. */
export interface SharedFault {
  /** the first */
  fault: TextFault;
  languages: ReadonlySet<string>;
  /** what shoppers go on reading, as a sentence with a space before it; empty: this text */
  then: string;
  /** whether there is a last good text, which they go on reading */
  kept: boolean;
}

/** The mistakes of all texts, each once. Of a text that cannot be shown only what breaks it counts: nobody reads the rest. */
export function sharedFaults(policy: Policy): SharedFault[] {
  const found = new Map<string, SharedFault & { languages: Set<string> }>();
  const all = policyWordingFaults(policy);
  const broken = new Set(all.flatMap((fault) => (fault.breaks ? [addressKey(fault)] : [])));
  for (const fault of all) {
    if (!fault.breaks && broken.has(addressKey(fault))) continue;
    const kept = fault.breaks ? textAt(policy, fault) : undefined;
    const then = fault.breaks ? meanwhile(fault.state, kept) : '';
    const key = JSON.stringify([fault.speakerId, fault.state, fault.place, fault.message, then]);
    const same = found.get(key);
    if (same) same.languages.add(fault.language);
    else found.set(key, { fault, languages: new Set([fault.language]), then, kept: kept !== undefined });
  }
  return [...found.values()];
}

/** What is read while a text cannot be shown. @param kept the last good one */
function meanwhile(state: TextState, kept: string | undefined): string {
  if (isOutside(state)) return kept === undefined ? ' There is nothing to copy.' : ` To be copied stays “${kept}”.`;
  return kept === undefined ? ' Shoppers read nothing of it.' : ` Shoppers go on reading “${kept}”.`;
}
