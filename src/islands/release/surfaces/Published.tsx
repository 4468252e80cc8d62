import { useState } from 'react';
import { inOrder } from '../../../core/ordered.ts';
import { fileShapes } from '../../../core/surfaces/generated/files.ts';
import { Fold } from '../../../ui/Fold.tsx';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { part } from '../../page/parts.ts';
import { GeneratedText } from './GeneratedText.tsx';
import { ListedHosts } from './ListedHosts.tsx';

const TextsOfSurfaces = lazyPart(() => import('./TextsOfSurfaces.tsx'), <p className="text-soft">Being fetched.</p>);

/** Everything that is written of delivery for other places: a file for each market and language, to copy and at an address. */
export function Published() {
  const policy = usePolicy();
  const markets = inOrder(policy.markets);
  const [chosen, setChosen] = useState({ market: '', language: '', file: 'policy-page.html' as string });
  const [marketId, market] = markets.find(([id]) => id === chosen.market) ?? markets[0] ?? [];
  if (marketId === undefined || !market) return null;
  const language = market.languages.find((one) => one === chosen.language) ?? market.languages[0]!;
  const file = fileShapes.find((one) => one.file === chosen.file) ?? fileShapes[0];
  const ofStore = file.per === 'store';
  return (
    <section
      ref={part('texts for surfaces')}
      className="mt-4 outline-none"
      aria-label="Texts for surfaces"
      data-testid="published"
    >
      <h2 className="text-title">Texts for surfaces</h2>
      <p>
        The{' '}
        <PhraseSelect
          label="File"
          value={file.file}
          options={fileShapes.map((one) => [one.file, one.called] as const)}
          choose={(next) => setChosen({ ...chosen, file: next })}
          testId="published-file"
        />
        {!ofStore && (
          <>
            {' '}
            of{' '}
            <PhraseSelect
              label="Market"
              value={marketId}
              options={markets.map(([id, { name }]) => [id, name] as const)}
              choose={(next) => setChosen({ ...chosen, market: next })}
              testId="published-market"
            />{' '}
            in{' '}
            <PhraseSelect
              label="Language"
              value={language}
              options={market.languages.map((one) => [one, one] as const)}
              choose={(next) => setChosen({ ...chosen, language: next })}
              testId="published-language"
            />
          </>
        )}
        , as the draft has it.
      </p>
      <GeneratedText market={marketId} language={language} file={file} />
      <div className="mt-2">
        <Fold heading="Words that they are made of" testId="surface-texts-fold">
          {() => <TextsOfSurfaces marketId={marketId} language={language} />}
        </Fold>
        <Fold heading="Hosts that pages are fetched from" testId="listed-hosts-fold">
          {() => <ListedHosts />}
        </Fold>
      </div>
    </section>
  );
}
