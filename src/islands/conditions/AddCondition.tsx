import { useState } from 'react';
import type { Fact } from '../../core/conditions/fact.ts';
import type { Unplaced } from '../../core/conditions/leaf.ts';
import { beginLeaf, facts } from '../../core/conditions/registry.ts';
import { inOrder } from '../../core/ordered.ts';
import type { ConditionNode, GoodsSelection } from '../../core/policy/types.ts';
import { SearchList, type SearchEntry } from '../../ui/SearchList.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { useNow } from '../page/page-context.tsx';
import { GoodsSearch, PostcodeWord, WordSearch } from './first-words.tsx';

type Start = { fact: Fact } | { qualifier: string } | 'group';

/** A condition added in two steps at most: what it asks about, and the first word of those that need one. */
export function AddCondition({
  markets,
  nested,
  add,
}: {
  markets: readonly string[];
  nested: boolean;
  add: (node: Unplaced<ConditionNode>) => boolean;
}) {
  const [step, setStep] = useState<'idle' | 'fact' | Fact>('idle');
  const [chosen, setChosen] = useState(0);
  const close = () => setStep('idle');
  if (step === 'idle') {
    return (
      <button
        key={chosen}
        type="button"
        className="quiet-button text-[13px] underline decoration-dotted underline-offset-2"
        autoFocus={chosen > 0}
        onClick={() => setStep('fact')}
        data-testid="add-condition"
      >
        Add a condition
      </button>
    );
  }
  return (
    <AddingStep
      step={step}
      markets={markets}
      nested={nested}
      go={setStep}
      close={close}
      add={(node) => (add(node), setChosen(chosen + 1), close())}
    />
  );
}

function AddingStep({
  step,
  markets,
  nested,
  go,
  close,
  add,
}: {
  step: 'fact' | Fact;
  markets: readonly string[];
  nested: boolean;
  go: (step: Fact) => void;
  close: () => void;
  add: (node: Unplaced<ConditionNode>) => void;
}) {
  const now = useNow();
  const policy = useDraft((state) => state.settled);
  const begin = (fact: Fact, first: string | GoodsSelection | null) =>
    add(beginLeaf(fact, first, policy, markets, new Date(now).toISOString().slice(0, 10)));
  if (step === 'fact') {
    const entries: SearchEntry<Start>[] = [
      ...facts.all.map((fact) => ({ value: { fact }, name: fact.name, group: fact.about, also: fact.also })),
      ...inOrder(policy.qualifiers).map(([qualifier, { name }]) => ({
        value: { qualifier },
        name: `“${name}” holds`,
        group: 'A qualifier',
        also: `${name} qualifier`,
      })),
      ...(nested
        ? [
            {
              value: 'group' as const,
              name: 'a group of conditions',
              group: 'More',
              also: 'bracket nested any all none',
            },
          ]
        : []),
    ];
    return (
      <SearchList
        label="What the condition asks about"
        placeholder="Weekend, first order, heavy, postcode …"
        entries={entries}
        close={close}
        choose={(start) => {
          if (start === 'group') add({ kind: 'group', of: 'any', conditions: {} });
          else if ('qualifier' in start) add({ kind: 'qualifier', qualifier: start.qualifier });
          else if (start.fact.form.asksFirst) go(start.fact);
          else begin(start.fact, null);
        }}
      />
    );
  }
  switch (step.form.asksFirst) {
    case 'goods':
      return <GoodsSearch close={close} choose={(field, word) => begin(step, { [field]: [word] })} />;
    case 'postcode':
      return <PostcodeWord add={(pattern) => begin(step, pattern)} />;
    default:
      return (
        <WordSearch
          fact={step}
          label={`${step.about} ${step.name}`}
          close={close}
          choose={(word) => begin(step, word)}
        />
      );
  }
}
