import type { RowDataPacket } from 'mysql2/promise';
import type { PolicyFault } from '../../core/policy/fault.ts';
import type { Policy } from '../../core/policy/types.ts';
import { upgradePolicy } from '../../core/checks/upgrade.ts';
import { checkPolicy } from '../../core/checks/validate.ts';

/** A stored policy that is not valid: whoever reads it must not compute with it. */
export class InvalidStoredPolicy extends Error {
  constructor(
    readonly faults: readonly PolicyFault[],
    readonly revision: number,
  ) {
    super(
      `the stored policy of revision ${revision} is not valid: ${faults[0]?.pointer ?? ''} ${faults[0]?.message ?? ''}`,
    );
  }
}

/** The policy in a row's `document`, brought to the current version of the schema; not yet checked. */
export function storedPolicy(row: RowDataPacket): Policy {
  return upgradePolicy(JSON.parse(String(row.document))) as Policy;
}

/** The same policy once it has been found valid. @throws InvalidStoredPolicy */
export function checkedPolicy(policy: Policy, revision: number): Policy {
  const check = checkPolicy(policy);
  if (!check.ok) throw new InvalidStoredPolicy(check.faults, revision);
  return policy;
}
