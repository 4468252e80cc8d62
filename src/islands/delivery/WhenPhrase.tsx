import { inOrder } from '../../core/ordered.ts';
import { readOut } from '../../core/conditions/read-out.ts';
import type { Condition } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePolicy } from '../frame/page-context.tsx';

/** A condition as a choice: none, one of the named ones, or the tree it has, read out. */
export function WhenPhrase({ label, when, marketId, choose, testId }: { label: string; when: Condition | undefined; marketId: string; choose: (when: Condition | undefined) => void; testId?: string | undefined }) {
  const policy = usePolicy();
  const only = when && Object.values(when.conditions).length === 1 ? Object.values(when.conditions)[0] : undefined;
  const named = when?.of === 'all' && only?.kind === 'qualifier' ? only.qualifier : undefined;
  const value = !when ? '' : (named ?? 'own');
  const qualifiers = inOrder(policy.qualifiers).map(([id, { name }]) => [id, `if ${name}`] as const);
  return (
    <span>
      <PhraseSelect
        label={label}
        value={value}
        options={[['', 'always'], ...(value === 'own' ? [['own', 'on conditions of its own'] as const] : []), ...qualifiers]}
        choose={(id) => id !== 'own' && choose(id === '' ? undefined : { of: 'all', conditions: { named: { order: 1, kind: 'qualifier', qualifier: id } } })}
        testId={testId}
      />
      {when && <span className="text-[13px] text-soft"> ({readOut(policy, when, marketId)})</span>}
    </span>
  );
}
