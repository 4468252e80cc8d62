import type { RowDataPacket } from 'mysql2/promise';
import type { Policy } from '../../core/policy/types.ts';
import { upgradePolicy } from '../../core/policy/upgrade.ts';

/** The policy in a row's `document`, brought to the current version of the schema. It was valid when it was stored. */
export function storedPolicy(row: RowDataPacket): Policy {
  return upgradePolicy(JSON.parse(String(row.document))) as Policy;
}
