import { useState } from 'react';
import type { Fact } from '../../core/conditions/fact.ts';
import type { Unplaced } from '../../core/conditions/leaf.ts';
import { beginLeaf, facts } from '../../core/conditions/registry.ts';
import { inOrder } from '../../core/ordered.ts';
import type { ConditionNode, GoodsSelection } from '../../core/policy/types.ts';
import type { SearchEntry } from '../../ui/best-matches.ts';
import { Popover } from '../../ui/Popover.tsx';
import { SearchList } from '../../ui/SearchList.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { useCatalogue, useNow } from '../page/page-context.tsx';
import { goodsEntries, PostcodeWord, useWords, type GoodsWord } from './first-words.tsx';

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
  return (
    <Popover label="Add a condition" shown="Add a condition" className="btn btn-xs" testId="add-condition">
      {(close) => (
        <Adding
          markets={markets}
          nested={nested}
          add={(node) => {
            close();
            add(node);
          }}
        />
      )}
    </Popover>
  );
}

function Adding({
  markets,
  nested,
  add,
}: {
  markets: readonly string[];
  nested: boolean;
  add: (node: Unplaced<ConditionNode>) => void;
}) {
  const [asked, setAsked] = useState<Fact | null>(null);
  const now = useNow();
  const policy = useDraft((state) => state.settled);
  const begin = (fact: Fact, first: string | GoodsSelection | null) =>
    add(beginLeaf(fact, first, policy, markets, new Date(now).toISOString().slice(0, 10)));
  if (!asked) {
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
        choose={(start) => {
          if (start === 'group') add({ kind: 'group', of: 'any', conditions: {} });
          else if ('qualifier' in start) add({ kind: 'qualifier', qualifier: start.qualifier });
          else if (start.fact.form.asksFirst) setAsked(start.fact);
          else begin(start.fact, null);
        }}
      />
    );
  }
  switch (asked.form.asksFirst) {
    case 'goods':
      return <FirstGoods choose={({ field, word }) => begin(asked, { [field]: [word] })} />;
    case 'postcode':
      return <PostcodeWord add={(pattern) => begin(asked, pattern)} />;
    default:
      return <FirstWord fact={asked} choose={(word) => begin(asked, word)} />;
  }
}

function FirstGoods({ choose }: { choose: (goods: GoodsWord) => void }) {
  const catalogue = useCatalogue();
  return (
    <SearchList
      label="Goods"
      placeholder="Category, tag or product"
      entries={goodsEntries(catalogue)}
      choose={choose}
    />
  );
}

function FirstWord({ fact, choose }: { fact: Fact; choose: (word: string) => void }) {
  const { entries, ...words } = useWords(fact);
  return <SearchList label={`${fact.about} ${fact.name}`} entries={entries()} choose={choose} {...words} />;
}
