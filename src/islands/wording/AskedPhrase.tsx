import { inOrder } from '../../core/ordered.ts';
import { textSpeakers } from '../../core/wording/text-speaker.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import type { SetQuery } from '../page/use-query.ts';

/** Which offer or notice is read, where, and in which language. */
export function AskedPhrase({
  speakerId,
  marketId,
  language,
  languages,
  setQuery,
}: {
  speakerId: string;
  marketId: string;
  language: string;
  languages: readonly string[];
  setQuery: SetQuery;
}) {
  const policy = usePolicy();
  const speakers = textSpeakers(policy);
  const chosen = speakers.find(({ id }) => id === speakerId);
  const shown = speakers.filter(({ archived }) => !archived || chosen?.archived);
  return (
    <>
      Shoppers read of{' '}
      <PhraseSelect
        label="Offer or notice"
        value={speakerId}
        options={shown.map(({ id, name, isNotice }) => [id, isNotice ? `${name} (notice)` : name])}
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
