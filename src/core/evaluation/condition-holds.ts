import { compileCondition } from '../conditions/compile-condition.ts';
import type { Qualifiers } from '../conditions/leaves.ts';
import type { Condition } from '../policy/types.ts';
import type { PreparedCase } from './prepare.ts';

/** Whether a condition holds for who buys what; null where nothing can be asked, because no market or zone takes them. */
export function conditionHolds(
  { context }: PreparedCase,
  condition: Condition,
  qualifiers: Qualifiers,
): boolean | null {
  return context && compileCondition(condition, qualifiers, context.zone.market.terms).holds(context.facts);
}
