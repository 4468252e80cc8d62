import { useId, useState } from 'react';
import type { FileShape } from '../../../core/surfaces/generated/files.ts';
import { CopyButton } from '../../../ui/CopyButton.tsx';
import { generatedAddress, publishedAddress, useGenerated } from './use-generated.ts';

/** A generated file: its text, to copy, to download, and where the release’s stands for others. A page is shown as a page. */
export function GeneratedText({
  market: ofMarket,
  language: inLanguage,
  file: { file, called, per },
}: {
  market: string;
  language: string;
  file: FileShape;
}) {
  const [market, language] = per === 'store' ? ['', ''] : [ofMarket, inLanguage];
  const id = useId();
  const [asText, setAsText] = useState(false);
  const generated = useGenerated(market, language, file);
  if (generated === null) return <p className="text-soft">Being written.</p>;
  if (generated === 'failed') return <p className="text-error">It could not be written. Nothing was changed.</p>;
  if (generated.text === '')
    return <p className="text-soft">There is nothing that could be said to everybody in this market.</p>;
  const { text, whole } = generated;
  const isPage = file.endsWith('.html');
  const drawn = isPage && !asText;
  return (
    <>
      {drawn && (
        <iframe
          className="h-72 w-full rounded border border-hairline bg-white"
          sandbox=""
          srcDoc={text}
          title={called}
          data-testid="generated-page"
        />
      )}
      <pre
        id={id}
        className={`max-h-72 overflow-auto rounded border border-hairline p-2 text-small whitespace-pre-wrap ${drawn ? 'hidden' : ''}`}
        lang={language}
        dir="auto"
        tabIndex={0}
        aria-label={called}
        data-testid="generated-text"
      >
        {text}
      </pre>
      {!whole && <p className="text-small text-soft">This is how it begins; the file holds all of it.</p>}
      <p className="mt-1 flex flex-wrap items-baseline gap-x-3 text-small">
        {isPage && (
          <button type="button" className="btn btn-xs" onClick={() => setAsText(!asText)}>
            {asText ? 'show the page' : 'show its text'}
          </button>
        )}
        {whole && <CopyButton text={text} what={called} textId={id} />}
        <a className="link" href={generatedAddress(market, language, file)} download={file}>
          download
        </a>
        <a className="link" href={publishedAddress(market, language, file)} target="_blank" rel="noreferrer">
          as the release has it
        </a>
      </p>
    </>
  );
}
