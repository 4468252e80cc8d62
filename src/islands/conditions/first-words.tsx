import type { Fact } from '../../core/conditions/fact.ts';
import { goodsWords } from '../../core/conditions/goods-words.ts';
import { parsePostcodePattern } from '../../core/geography/postcode.ts';
import { AddWord } from '../../ui/AddWord.tsx';
import { SearchList } from '../../ui/SearchList.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { useCatalogue, useNotation } from '../page/page-context.tsx';
import { countryName } from '../page/place-names.ts';

/** A word that a fact can have: one of those known, or where a shop may hand in others any. */
export function WordSearch({
  fact,
  label,
  close,
  choose,
}: {
  fact: Fact;
  label: string;
  close: () => void;
  choose: (word: string) => void;
}) {
  const { locale } = useNotation();
  const policy = useDraft((state) => state.settled);
  const { known, accept } = fact.words!;
  const words = known(policy, (code) => countryName(code, locale));
  return (
    <SearchList
      label={label}
      placeholder={fact.id === 'destination.region' ? 'A code such as NL-FR' : 'Type or choose'}
      entries={words.map(({ word, name }) => ({ value: word, name, also: word }))}
      close={close}
      choose={choose}
      {...(accept ? { own: accept } : {})}
    />
  );
}

const goodsGroups = { products: 'Products', categories: 'Categories', tags: 'Tags' } as const;

/** A category, tag or product of the catalogue. */
export function GoodsSearch({
  close,
  choose,
}: {
  close: () => void;
  choose: (field: keyof typeof goodsGroups, word: string) => void;
}) {
  const catalogue = useCatalogue();
  return (
    <SearchList
      label="Goods"
      placeholder="Category, tag or product"
      entries={goodsWords(catalogue).map((entry) => ({
        value: entry,
        name: entry.name,
        group: goodsGroups[entry.field],
        also: entry.word,
      }))}
      close={close}
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
