import { memo } from 'react';
import { setNode, type PolicyPath } from '../../client/edits/condition-edits.ts';
import { isNegated, verbsOf, wordsWith } from '../../core/conditions/forms/word.ts';
import { basesInWords } from '../../core/conditions/reader.ts';
import { factOf } from '../../core/conditions/registry.ts';
import { inOrder } from '../../core/ordered.ts';
import { same } from '../../core/same.ts';
import type { ConditionNode } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { parseMeasured, parseNumber, parsePosition } from '../fields/typed-text.ts';
import { Compared, MoneyCompared } from './Compared.tsx';
import { GoodsPhrase } from './GoodsPhrase.tsx';
import { DateAndTime, DaysOfWeek, TimeOfDay } from './Moment.tsx';
import { PatternList, WordValues } from './WordValues.tsx';
import { useEdit } from '../page/use-edit.tsx';

type Leaf = Exclude<ConditionNode, { kind: 'group' }>;
interface LeafProps<N extends Leaf = Leaf> {
  path: PolicyPath;
  node: N;
  /** ids of those whose amounts are stated */
  markets: readonly string[];
}

/** One condition as a clause whose parts are chosen and typed in place; drawn anew only when it has changed. */
export const ConditionLeaf = memo(function ConditionLeaf({ path, node, markets }: LeafProps) {
  const edit = useEdit();
  const set = (values: Record<string, unknown>) => setNode(path, values);
  if (node.kind === 'qualifier') return <NamedCondition path={path} node={node} markets={markets} />;
  const fact = factOf(node);
  const subject = (
    <span>
      <span className="text-soft">{fact.about}:</span> {fact.name}{' '}
    </span>
  );
  switch (node.kind) {
    case 'yesNo':
      return (
        <>
          {subject}
          <PhraseSelect
            label={`${fact.about} ${fact.name}`}
            value={String(node.is)}
            options={[
              ['true', 'yes'],
              ['false', 'no'],
            ]}
            choose={(value) => edit(set({ is: value === 'true' }))}
          />
        </>
      );
    case 'word': {
      const negated = isNegated(node);
      const { name } = fact.words!;
      const verbs = verbsOf(fact.words!);
      return (
        <>
          {name}{' '}
          <PhraseSelect
            label={`${name}: is or is not`}
            value={String(negated)}
            options={[
              ['false', verbs.is],
              ['true', verbs.isNot],
            ]}
            choose={(value) => edit(set(wordsWith(node.values, value === 'true')))}
          />{' '}
          <WordValues
            fact={fact}
            label={name}
            values={node.values}
            change={(values) => edit(set(wordsWith(values, negated)))}
          />
        </>
      );
    }
    case 'number':
      return (
        <>
          {subject}
          <Compared
            node={node}
            unit={fact.unit ?? ''}
            parse={parseMeasured(node.fact, 0, 1_000_000_000)}
            base={node.fact === 'shopper.lifetimeSpend'}
            set={set}
          />
        </>
      );
    case 'goodsNumber':
      return (
        <>
          {subject}
          (<GoodsPhrase goods={node.goods} markets={markets} change={(goods) => set({ goods })} />){' '}
          <Compared node={node} unit="items" set={set} />
        </>
      );
    case 'money':
    case 'goodsMoney':
      return (
        <>
          {subject}
          {node.kind === 'goodsMoney' && (
            <>
              (<GoodsPhrase goods={node.goods} markets={markets} change={(goods) => set({ goods })} />){' '}
            </>
          )}
          <PhraseSelect
            label="Basis"
            value={node.basis}
            options={basesInWords}
            choose={(basis) => edit(set({ basis }))}
          />
          , <MoneyCompared node={node} markets={markets} set={set} />
        </>
      );
    case 'contents':
      return (
        <>
          <span className="text-soft">The cart:</span>{' '}
          <PhraseSelect
            label="Contains"
            value={node.operator}
            options={[
              ['contains', 'contains'],
              ['only', 'contains nothing but'],
              ['none', 'contains none of'],
            ]}
            choose={(operator) => edit(set({ operator }))}
          />{' '}
          <GoodsPhrase goods={node.goods} markets={markets} change={(goods) => set({ goods })} />
        </>
      );
    case 'postcode':
      return (
        <>
          {subject} is among <PatternList patterns={node.patterns} change={(patterns) => edit(set({ patterns }))} />
        </>
      );
    case 'distance':
      return (
        <>
          {subject} at{' '}
          <EditedField
            label="Place, degrees north and east"
            shown={`${node.center.latitude}, ${node.center.longitude}`}
            parse={parsePosition}
            change={(center) => set({ center })}
          />{' '}
          <Compared node={node} unit="km" parse={parseNumber(0, 20_040)} set={set} />
        </>
      );
    case 'instant':
      return (
        <>
          {subject}
          <DateAndTime node={node} set={set} />
        </>
      );
    case 'weekday':
      return (
        <>
          {subject}
          <DaysOfWeek node={node} set={set} />
        </>
      );
    case 'timeOfDay':
      return (
        <>
          {subject}
          <TimeOfDay node={node} set={set} />
        </>
      );
  }
}, same);

function NamedCondition({ path, node }: LeafProps<Extract<Leaf, { kind: 'qualifier' }>>) {
  const edit = useEdit();
  const qualifiers = useDraft((state) => state.policy.qualifiers);
  return (
    <>
      <PhraseSelect
        label="Named condition"
        value={node.qualifier}
        options={inOrder(qualifiers).map(([id, { name }]) => [id, `“${name}”`] as const)}
        choose={(qualifier) => edit(setNode(path, { qualifier }))}
      />{' '}
      holds
    </>
  );
}
