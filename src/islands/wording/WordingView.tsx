import { useState } from 'react';
import type { MessageState } from '../../core/evaluation/evaluation.ts';
import { inOrder } from '../../core/ordered.ts';
import { findText } from '../../core/wording/find-text.ts';
import { languagesOf } from '../../core/wording/languages/languages.ts';
import { type TextPlace } from '../../core/wording/places.ts';
import { isNotice, noticeOf, speaksInMarket, textSpeakers } from '../../core/wording/text-speaker.ts';
import { sampleText } from '../../core/wording/sample-text.ts';
import { textSamples } from '../../core/wording/samples.ts';
import { textAddresses, textPlaces } from '../../core/wording/text-address.ts';
import type { Market, Policy } from '../../core/policy/types.ts';
import { FindingMark } from '../findings/FindingMark.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useCompiled, useNow } from '../page/page-context.tsx';
import { useQuery } from '../page/use-query.ts';
import { AddNotice } from './notices/AddNotice.tsx';
import { NoticeDetails } from './notices/NoticeDetails.tsx';
import { LanguageTable } from './LanguageTable.tsx';
import { LookEditor } from './LookEditor.tsx';
import { Samples } from './Samples.tsx';
import { Storyboard } from './Storyboard.tsx';
import { TranslationFiles } from './TranslationFiles.tsx';
import { WhoLeads } from './WhoLeads.tsx';
import { AskedPhrase } from './AskedPhrase.tsx';
import { part } from '../page/parts.ts';
import { ForOutside } from './outside/ForOutside.tsx';
import { PlaceChoices } from './PlaceChoices.tsx';
import { Tabs } from '../../ui/Tabs.tsx';

const views = [
  ['', 'Storyboard'],
  ['languages', 'All languages'],
  ['outside', 'For outside'],
  ['leads', 'Who leads'],
  ['look', 'Strip and bar'],
] as const;

/** What shoppers read of an offer or a notice: the storyboard, all languages, who leads, and how it looks. */
export function WordingView({ query: initial }: { query: Record<string, string> }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const [query, setQuery] = useQuery(initial);
  const [ofOffer, setState] = useState<MessageState>('progress');
  const { speakerId, marketId } = askedFor(policy, query);
  const notice = speakerId === undefined ? undefined : noticeOf(policy, speakerId);
  const state = notice ? 'notice' : ofOffer;
  const market = compiled.markets.get(marketId)!;
  const languages = speakerId === undefined ? market.market.languages : languagesSeen(policy, speakerId, market.market);
  const language = languages.includes(query.language ?? '') ? query.language! : market.market.languages[0]!;
  const place: TextPlace = textPlaces.find((id) => id === query.place) ?? 'everyPlace';
  const view = views.find(([id]) => id === query.view)?.[0] ?? '';
  return (
    <div className="px-5 py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-head leading-9">
          {speakerId === undefined ? (
            'Wording'
          ) : (
            <AskedPhrase
              speakerId={speakerId}
              marketId={marketId}
              language={language}
              languages={languages}
              setQuery={setQuery}
            />
          )}{' '}
          {speakerId !== undefined && <FindingMark at={`/wording/${speakerId}`} name="its texts" />}
        </h1>
        <Tabs
          label="What to look at"
          tabs={views}
          chosen={view}
          choose={(next) => setQuery({ view: next })}
          prefix="view"
        />
      </div>
      {speakerId === undefined ? (
        <>
          <p className="py-4 text-soft">
            There is neither an offer nor a notice in this draft, so there is nothing to say.{' '}
            <a className="underline" href="/offers">
              Offers
            </a>{' '}
            is where an offer begins.
          </p>
          <AddNotice added={(id) => setQuery({ offer: id })} />
        </>
      ) : (
        <>
          {view === '' && (
            <div ref={part('texts')}>
              {notice && <NoticeDetails noticeId={speakerId} notice={notice} marketId={marketId} />}
              <PlaceChoices
                speakerId={speakerId}
                language={language}
                place={place}
                choose={(id) => setQuery({ place: id === 'everyPlace' ? '' : id })}
              />
              <Storyboard
                key={speakerId}
                speakerId={speakerId}
                market={market}
                language={language}
                place={place}
                state={state}
                choose={setState}
              />
              <div className="mt-3" ref={part('samples')}>
                <Samples speakerId={speakerId} market={market} language={language} place={place} state={state} />
              </div>
            </div>
          )}
          {view === '' && <AddNotice added={(id) => setQuery({ offer: id })} />}
          {view === 'languages' && (
            <>
              <LanguageTable shownLanguages={query.beside ?? ''} choose={(beside) => setQuery({ beside })} />
              <TranslationFiles />
            </>
          )}
          {view === 'outside' && <ForOutside speakerId={speakerId} language={language} setQuery={setQuery} />}
          {view === 'leads' && <WhoLeads marketId={marketId} />}
          {view === 'look' && <Looks speakerId={speakerId} marketId={marketId} language={language} />}
        </>
      )}
    </div>
  );
}

/** What the address asks for; else the first offer or notice that is not archived, in the first market it holds in. */
function askedFor(policy: Policy, query: Record<string, string>) {
  const all = textSpeakers(policy);
  const first = all.find(({ archived }) => !archived) ?? all[0];
  const speakerId = (all.find(({ id }) => id === query.offer) ?? first)?.id;
  const listed = inOrder(policy.markets);
  const marketId = Object.hasOwn(policy.markets, query.market ?? '')
    ? query.market!
    : (listed.find(([id]) => speakerId !== undefined && speaksInMarket(policy, speakerId, id)) ?? listed[0]!)[0];
  return { speakerId, marketId };
}

/** The market's languages, then those in which the offer is or may be read elsewhere. */
const languagesSeen = (policy: Policy, speakerId: string, { languages }: Market): string[] => [
  ...new Set([
    ...languages,
    ...languagesOf(policy, speakerId),
    ...textAddresses(policy, speakerId).map((address) => address.language),
  ]),
];

function Looks({ speakerId, marketId, language }: { speakerId: string; marketId: string; language: string }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const market = compiled.markets.get(marketId)!;
  const state = isNotice(policy, speakerId) ? 'notice' : 'progress';
  const [sample] = textSamples(compiled, { speakerId, state, language }, market, useNow());
  const found = findText(policy, { speakerId, state, place: 'strip', language }, market.market.languages);
  const text = found && sampleText(found, sample!);
  return (
    <LookEditor
      message={text === null ? undefined : { text, language: found!.language }}
      timeZone={market.terms.clocks.market}
    />
  );
}
