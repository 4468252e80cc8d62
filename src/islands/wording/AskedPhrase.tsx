import { inOrder } from '../../core/ordered.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import type { SetQuery } from '../page/use-query.ts';

/** Which offer is read, where, and in which language. */
export function AskedPhrase({
  offerId,
  marketId,
  language,
  languages,
  setQuery,
}: {
  offerId: string;
  marketId: string;
  language: string;
  languages: readonly string[];
  setQuery: SetQuery;
}) {
  const policy = usePolicy();
  const offers = inOrder(policy.offers).filter(([, { archived }]) => !archived || policy.offers[offerId]?.archived);
  return (
    <>
      Shoppers read of{' '}
      <PhraseSelect
        label="Offer"
        value={offerId}
        options={offers.map(([id, { name }]) => [id, name])}
        choose={(id) => setQuery({ offer: id, market: '', language: '' })}
        testId="offer-phrase"
      />{' '}
      in{' '}
      <PhraseSelect
        label="Market"
        value={marketId}
        options={inOrder(policy.markets).map(([id, { name }]) => [id, name])}
        choose={(id) => setQuery({ market: id, language: '' })}
        testId="market-phrase"
      />
      , in{' '}
      <PhraseSelect
        label="Language"
        value={language}
        options={languages.map((tag) => [tag, tag])}
        choose={(tag) => setQuery({ language: tag })}
        testId="language-phrase"
      />
    </>
  );
}
