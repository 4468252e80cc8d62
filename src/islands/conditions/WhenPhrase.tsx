import { useState } from 'react';
import type { PolicyPath } from '../../client/edits/condition-edits.ts';
import { setAt } from '../../client/edits/set-at.ts';
import { readOut } from '../../core/conditions/read-out.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Condition } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { ConditionEditor } from './ConditionEditor.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useEdit } from '../page/use-edit.tsx';

/**
 * A condition as a choice: none, one of the named ones, or a tree of its own that opens in place.
 * @param path where it stands in the policy
 * @param markets whose amounts are stated
 * @param always what is said without one
 */
export function WhenPhrase({
  label,
  path,
  when,
  markets,
  always = 'always',
  testId,
}: {
  label: string;
  path: PolicyPath;
  when: Condition | undefined;
  markets: readonly string[];
  always?: string;
  testId?: string | undefined;
}) {
  const edit = useEdit();
  const policy = usePolicy();
  const [open, setOpen] = useState(false);
  const only = when && Object.values(when.conditions).length === 1 ? Object.values(when.conditions)[0] : undefined;
  const named = !open && when?.of === 'all' && only?.kind === 'qualifier' ? only.qualifier : undefined;
  const value = !when ? '' : (named ?? 'own');
  const choose = (id: string) => {
    setOpen(id === 'own');
    if (id === '') edit(setAt(path, undefined));
    else if (id !== 'own')
      edit(setAt(path, { of: 'all', conditions: { named: { order: 1, kind: 'qualifier', qualifier: id } } }));
    else if (!when) edit(setAt(path, { of: 'all', conditions: {} }));
  };
  return (
    <>
      <PhraseSelect
        label={label}
        value={value}
        options={[
          ['', always],
          ['own', 'on conditions of its own'],
          ...inOrder(policy.qualifiers).map(([id, { name }]) => [id, `if ${name}`] as const),
        ]}
        choose={choose}
        testId={testId}
      />
      {when && (
        <span className="text-small text-soft">
          {' '}
          ({readOut(policy, when, markets.length === 1 ? markets[0] : undefined)})
        </span>
      )}
      {value === 'own' && (
        <button
          type="button"
          className="btn btn-xs"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          data-testid={testId && `${testId}-edit`}
        >
          {open ? 'close' : 'change them'}
        </button>
      )}
      {open && when && (
        <ConditionEditor path={path} condition={when} markets={markets} label={`${label}: conditions`} />
      )}
    </>
  );
}
