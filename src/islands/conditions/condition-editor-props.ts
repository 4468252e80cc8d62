import type { PolicyPath } from '../../client/edits/condition-edits.ts';
import type { Condition } from '../../core/policy/types.ts';

/** A tree of conditions that is edited. */
export interface ConditionEditorProps {
  /** where the tree stands in the policy */
  path: PolicyPath;
  condition: Pick<Condition, 'of' | 'conditions'>;
  /** whose amounts are stated */
  markets: readonly string[];
  label: string;
}
