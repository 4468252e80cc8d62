import { useState } from 'react';
import type { MessageState } from '../../core/evaluation/evaluation.ts';
import { holdsInMarket } from '../../core/offers/authoring/holds-in-market.ts';
import { inOrder } from '../../core/ordered.ts';
import { findText } from '../../core/wording/find-text.ts';
import { languagesOfOffer } from '../../core/wording/languages/languages.ts';
import { type TextPlace } from '../../core/wording/places.ts';
import { sampleText } from '../../core/wording/sample-text.ts';
import { textSamples } from '../../core/wording/samples.ts';
import { textAddresses, textPlaces } from '../../core/wording/text-address.ts';
import type { Market, Policy } from '../../core/policy/types.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useCompiled } from '../page/page-context.tsx';
import { useQuery } from '../page/use-query.ts';
import { LanguageTable } from './LanguageTable.tsx';
import { LookEditor } from './LookEditor.tsx';
import { Samples } from './Samples.tsx';
import { Storyboard } from './Storyboard.tsx';
import { TranslationFiles } from './TranslationFiles.tsx';
import { WhoLeads } from './WhoLeads.tsx';
import { AskedPhrase } from './AskedPhrase.tsx';
import { part } from '../page/parts.ts';
import { PlaceChoices } from './PlaceChoices.tsx';
import { Tabs } from '../../ui/Tabs.tsx';

const views = [
  ['', 'Storyboard'],
  ['languages', 'All languages'],
  ['leads', 'Who leads'],
  ['look', 'Strip and bar'],
] as const;

/** What shoppers read of an offer: the storyboard, all languages, who leads, and how it looks. */
export function WordingView({ query: initial }: { query: Record<string, string> }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const [query, setQuery] = useQuery(initial);
  const [state, setState] = useState<MessageState>('progress');
  const { offerId, offer, marketId } = askedFor(policy, query);
  const market = compiled.markets.get(marketId)!;
  const languages = offerId === undefined ? market.market.languages : languagesSeen(policy, offerId, market.market);
  const language = languages.includes(query.language ?? '') ? query.language! : market.market.languages[0]!;
  const place: TextPlace = textPlaces.find((id) => id === query.place) ?? 'everyPlace';
  const view = views.find(([id]) => id === query.view)?.[0] ?? '';
  return (
    <div className="px-5 py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-head leading-9">
          {offerId === undefined || !offer ? (
            'Wording'
          ) : (
            <AskedPhrase
              offerId={offerId}
              marketId={marketId}
              language={language}
              languages={languages}
              setQuery={setQuery}
            />
          )}
        </h1>
        <Tabs
          label="What to look at"
          tabs={views}
          chosen={view}
          choose={(next) => setQuery({ view: next })}
          prefix="view"
        />
      </div>
      {offerId === undefined || !offer ? (
        <p className="py-4 text-soft">
          There is no offer in this draft, so there is nothing to say.{' '}
          <a className="underline" href="/offers">
            Offers
          </a>{' '}
          is where one begins.
        </p>
      ) : (
        <>
          {view === '' && (
            <div ref={part('texts')}>
              <PlaceChoices
                offerId={offerId}
                language={language}
                place={place}
                choose={(id) => setQuery({ place: id === 'everyPlace' ? '' : id })}
              />
              <Storyboard
                key={offerId}
                offerId={offerId}
                market={market}
                language={language}
                place={place}
                state={state}
                choose={setState}
              />
              <div className="mt-3" ref={part('samples')}>
                <Samples offerId={offerId} market={market} language={language} place={place} state={state} />
              </div>
            </div>
          )}
          {view === 'languages' && (
            <>
              <LanguageTable shownLanguages={query.beside ?? ''} choose={(beside) => setQuery({ beside })} />
              <TranslationFiles />
            </>
          )}
          {view === 'leads' && <WhoLeads marketId={marketId} />}
          {view === 'look' && <Looks offerId={offerId} marketId={marketId} language={language} />}
        </>
      )}
    </div>
  );
}

/** What the address asks for; else the first offer that is not archived, in the first market it holds in. */
function askedFor({ offers, markets }: Policy, query: Record<string, string>) {
  const all = inOrder(offers);
  const first = all.find(([, { archived }]) => !archived) ?? all[0];
  const offerId = Object.hasOwn(offers, query.offer ?? '') ? query.offer! : first?.[0];
  const offer = offerId === undefined ? undefined : offers[offerId];
  const listed = inOrder(markets);
  const marketId = Object.hasOwn(markets, query.market ?? '')
    ? query.market!
    : (listed.find(([id]) => offer && holdsInMarket(offer, id)) ?? listed[0]!)[0];
  return { offerId, offer, marketId };
}

/** The market's languages, then those in which the offer is or may be read elsewhere. */
const languagesSeen = (policy: Policy, offerId: string, { languages }: Market): string[] => [
  ...new Set([
    ...languages,
    ...languagesOfOffer(policy, offerId),
    ...textAddresses(policy, offerId).map((address) => address.language),
  ]),
];

function Looks({ offerId, marketId, language }: { offerId: string; marketId: string; language: string }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const market = compiled.markets.get(marketId)!;
  const [sample] = textSamples(compiled, offerId, 'progress', market, language);
  const found = findText(policy, { offerId, state: 'progress', place: 'strip', language }, market.market.languages);
  const text = found && sampleText(found, sample!);
  return (
    <LookEditor
      message={text === null ? undefined : { text, language: found!.language }}
      timeZone={market.terms.clocks.market}
    />
  );
}
