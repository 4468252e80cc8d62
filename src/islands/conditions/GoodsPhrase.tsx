import { useState } from 'react';
import type { Edit } from '../../client/edits/edit.ts';
import { withGoods } from '../../core/conditions/goods-words.ts';
import type { Amounts, GoodsSelection } from '../../core/policy/types.ts';
import { Remove } from '../../ui/Remove.tsx';
import { AmountField } from '../fields/AmountField.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { useCatalogue } from '../page/page-context.tsx';
import { GoodsChoice } from './first-words.tsx';
import { useEdit } from '../page/use-edit.tsx';

const fields = ['categories', 'tags', 'products'] as const;
const kinds = { categories: 'category', tags: 'tag', products: '' } as const;

/** Goods by category, tag and product, any of which is enough, and a range of prices a piece. */
export function GoodsPhrase({
  goods,
  markets,
  change,
}: {
  goods: GoodsSelection;
  markets: readonly string[];
  change: (goods: GoodsSelection) => Edit;
}) {
  const edit = useEdit();
  const catalogue = useCatalogue();
  const [priced, setPriced] = useState(goods.unitPriceFrom !== undefined || goods.unitPriceBelow !== undefined);
  const named = fields.flatMap((field) =>
    (goods[field] ?? []).map((word) => ({
      field,
      word,
      name: field === 'products' ? (catalogue.get(word)?.name ?? word) : word,
    })),
  );
  const single = Object.keys(goods).length === 1 && named.length === 1;
  return (
    <>
      {named.map(({ field, word, name }, index) => (
        <span key={`${field} ${word}`}>
          {index > 0 && ' or '}
          {kinds[field] && <span className="text-soft">{kinds[field]} </span>}
          {name}
          {!single && (
            <Remove
              what={name}
              remove={() => {
                const next = withGoods(goods, field, word, false);
                if (next) edit(change(next));
              }}
            />
          )}
        </span>
      ))}
      {named.length === 0 && 'any goods'}
      {priced &&
        markets.map((id) => (
          <span key={id}>
            {' '}
            <PriceBound
              word="from"
              marketId={id}
              table={goods.unitPriceFrom}
              change={(table) =>
                change({ ...without(goods, 'unitPriceFrom'), ...(table ? { unitPriceFrom: table } : {}) })
              }
            />{' '}
            <PriceBound
              word="below"
              marketId={id}
              table={goods.unitPriceBelow}
              change={(table) =>
                change({ ...without(goods, 'unitPriceBelow'), ...(table ? { unitPriceBelow: table } : {}) })
              }
            />
          </span>
        ))}
      <GoodsChoice
        shown="or …"
        choose={(field, word) => {
          const next = withGoods(goods, field, word, true);
          if (next) edit(change(next));
        }}
      />
      {!priced && (
        <button type="button" className="btn btn-xs" onClick={() => setPriced(true)}>
          with a price …
        </button>
      )}
    </>
  );
}

function without<K extends keyof GoodsSelection>(goods: GoodsSelection, field: K): Omit<GoodsSelection, K> {
  const { [field]: _, ...others } = goods;
  return others;
}

function PriceBound({
  word,
  marketId,
  table,
  change,
}: {
  word: 'from' | 'below';
  marketId: string;
  table: Amounts | undefined;
  change: (table: Amounts | undefined) => Edit;
}) {
  const market = useDraft((state) => state.policy.markets[marketId]!);
  return (
    <>
      {word}{' '}
      <AmountField
        label={`Price of a piece ${word}, ${market.name}`}
        amount={table?.[marketId]}
        marketId={marketId}
        change={(amount) => {
          const rest = Object.fromEntries(Object.entries(table ?? {}).filter(([id]) => id !== marketId));
          const next = amount ? { ...rest, [marketId]: amount } : rest;
          return change(Object.keys(next).length > 0 ? (next as Amounts) : undefined);
        }}
        optional="any"
      />{' '}
      {market.currency}
    </>
  );
}
