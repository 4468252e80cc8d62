import type { Catalogue } from '../../core/catalogue/product.ts';
import type { Fact } from '../../core/conditions/fact.ts';
import { goodsWords } from '../../core/conditions/goods-words.ts';
import { parsePostcodePattern } from '../../core/geography/postcode.ts';
import { AddWord } from '../../ui/AddWord.tsx';
import type { SearchEntry } from '../../ui/best-matches.ts';
import { Choice } from '../../ui/Choice.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { useCatalogue, useNotation } from '../page/page-context.tsx';
import { countryName } from '../page/place-names.ts';

/** The words that a fact can have, as far as they are known, and whether others can be typed: a shop may hand in any. */
export function useWords(fact: Fact): { entries: () => SearchEntry<string>[]; placeholder: string; own?: Own } {
  const { locale } = useNotation();
  const policy = useDraft((state) => state.settled);
  const { known, accept } = fact.words!;
  return {
    entries: () =>
      known(policy, (code) => countryName(code, locale)).map(({ word, name }) => ({
        value: word,
        name,
        ...(word === name ? {} : { hint: word }),
      })),
    placeholder: fact.id === 'destination.region' ? 'A code such as NL-FR' : 'Type or choose',
    ...(accept ? { own: accept } : {}),
  };
}
type Own = (text: string) => string | null;

/** A word that a fact can have, in a list of them. */
export function WordChoice({
  fact,
  label,
  shown,
  choose,
}: {
  fact: Fact;
  label: string;
  shown: string;
  choose: (word: string) => void;
}) {
  return <Choice label={label} shown={shown} className="btn btn-xs" choose={choose} {...useWords(fact)} />;
}

const goodsGroups = { products: 'Products', categories: 'Categories', tags: 'Tags' } as const;

export interface GoodsWord {
  field: keyof typeof goodsGroups;
  word: string;
}

/** Categories, tags and products of the catalogue. */
export const goodsEntries = (catalogue: Catalogue): SearchEntry<GoodsWord>[] =>
  goodsWords(catalogue).map((entry) => ({
    value: entry,
    name: entry.name,
    group: goodsGroups[entry.field],
    also: entry.word,
  }));

/** A category, tag or product of the catalogue, in a list of them. */
export function GoodsChoice({
  label = 'Goods',
  shown,
  choose,
}: {
  label?: string;
  shown: string;
  choose: (field: GoodsWord['field'], word: string) => void;
}) {
  const catalogue = useCatalogue();
  return (
    <Choice
      label={label}
      shown={shown}
      className="btn btn-xs"
      placeholder="Category, tag or product"
      entries={() => goodsEntries(catalogue)}
      choose={({ field, word }) => choose(field, word)}
    />
  );
}

/** A postcode or pattern, as zones take them. */
export function PostcodeWord({ add }: { add: (pattern: string) => void }) {
  return (
    <AddWord
      label="Postcode"
      placeholder="1799, 17*, 10..19"
      accept={(text) => parsePostcodePattern(text).ok}
      reason="A postcode, one with * or ?, or a range such as 1000..1999."
      add={add}
    />
  );
}
