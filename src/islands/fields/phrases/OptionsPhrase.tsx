import { useMemo } from 'react';
import { optionTitle } from '../../../core/options/option-title.ts';
import { optionKinds } from '../../../core/options/kinds/registry.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { OptionKind, OptionSelection } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { usePolicy } from '../../page/draft-context.tsx';

/** The delivery options that something applies to: all, by kind, by tag, or one by one. */
export function OptionsPhrase({
  label,
  selection,
  marketId,
  change,
}: {
  label: string;
  selection: OptionSelection;
  marketId: string;
  change: (selection: OptionSelection) => void;
}) {
  const policy = usePolicy();
  const { options, zones } = policy;
  const tags = useMemo(
    () => [...new Set(Object.values(options).flatMap((option) => option.tags ?? []))].sort(),
    [options],
  );
  const here = useMemo(
    () => inOrder(options).filter(([, { zone }]) => zones[zone]?.market === marketId),
    [options, zones, marketId],
  );
  const by = (way: string) => {
    if (way === 'all') change({ by: 'all' });
    if (way === 'kind') change({ by: 'kind', kinds: [optionKinds.all[0]!.kind] });
    if (way === 'tag' && tags[0] !== undefined) change({ by: 'tag', tags: [tags[0]] });
    if (way === 'list' && here[0]) change({ by: 'list', options: { [here[0][0]]: true } });
  };
  const toggle = (kind: OptionKind) => {
    if (selection.by !== 'kind') return;
    const kinds = selection.kinds.includes(kind)
      ? selection.kinds.filter((other) => other !== kind)
      : [...selection.kinds, kind];
    if (kinds.length > 0) change({ by: 'kind', kinds: kinds as typeof selection.kinds });
  };
  return (
    <>
      <PhraseSelect
        label={label}
        value={selection.by}
        options={[
          ['all', 'every option'],
          ['kind', 'options that are'],
          ...(tags.length > 0 || selection.by === 'tag' ? [['tag', 'options tagged'] as const] : []),
          ['list', 'these options:'],
        ]}
        choose={by}
      />{' '}
      {selection.by === 'kind' &&
        optionKinds.all.map(({ kind, several }) => (
          <button
            key={kind}
            type="button"
            className="btn btn-xs"
            aria-pressed={selection.kinds.includes(kind)}
            onClick={() => toggle(kind)}
          >
            {several}
          </button>
        ))}
      {selection.by === 'tag' && (
        <PhraseSelect
          label={`${label}: tag`}
          value={selection.tags.join(' ')}
          options={[
            ...(selection.tags.length > 1 ? [[selection.tags.join(' '), selection.tags.join(' or ')] as const] : []),
            ...tags.map((tag) => [tag, tag] as const),
          ]}
          choose={(tag) => change({ by: 'tag', tags: tag.split(' ') })}
        />
      )}
      {selection.by === 'list' && (
        <>
          {Object.keys(selection.options).map((id) => (
            <span key={id} className="mr-1">
              {optionTitle(policy, id)}
              {Object.keys(selection.options).length > 1 && (
                <Remove
                  what={optionTitle(policy, id)}
                  remove={() =>
                    change({
                      by: 'list',
                      options: Object.fromEntries(
                        Object.keys(selection.options)
                          .filter((other) => other !== id)
                          .map((other) => [other, true]),
                      ),
                    })
                  }
                />
              )}
            </span>
          ))}
          <Choice
            label={`${label}: another option`}
            shown="add an option"
            className="btn btn-xs"
            placeholder="Delivery option"
            entries={() =>
              inOrder(policy.options)
                .filter(([id]) => !(id in selection.options))
                .map(([id, option]) => ({
                  value: id,
                  name: option.name,
                  group: policy.zones[option.zone]?.name ?? '',
                  also: id,
                }))
            }
            choose={(id) => change({ by: 'list', options: { ...selection.options, [id]: true } })}
          />
        </>
      )}
    </>
  );
}
