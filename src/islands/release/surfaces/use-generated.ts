import { useEffect, useState } from 'react';
import { addressOf } from '../../../client/http.ts';
import { useDraft } from '../../page/draft-context.tsx';

/** A generated file as the draft would have it. */
export interface Generated {
  text: string;
  /** whether that is all of it */
  whole: boolean;
}

/** So much of a file is shown. UTF-16 units */
const mostShown = 20_000;

/** The address of a file as the draft would have it. */
export const generatedAddress = (market: string, language: string, file: string): string =>
  addressOf('GET /api/generated', {}, { ...(market === '' ? {} : { market, language }), file });

/** The address of a file as the release has it. */
export const publishedAddress = (market: string, language: string, file: string): string =>
  market === '' ? `/published/${file}` : `/published/${market}/${language}/${file}`;

/** A generated file, asked for anew when the draft is saved; null: it is on its way. */
export function useGenerated(market: string, language: string, file: string): Generated | 'failed' | null {
  const revision = useDraft(({ saved }) => saved.revision);
  const [got, setGot] = useState<{ key: string; generated: Generated | 'failed' } | null>(null);
  const key = [market, language, file].join(' ');
  useEffect(() => {
    const stop = new AbortController();
    void read(generatedAddress(market, language, file), stop.signal).then(
      (generated) => setGot({ key, generated }),
      () => {
        if (!stop.signal.aborted) setGot({ key, generated: 'failed' });
      },
    );
    return () => stop.abort();
  }, [market, language, file, key, revision]);
  return got?.key === key ? got.generated : null;
}

/** Reads so much of it as is shown. */
async function read(address: string, signal: AbortSignal): Promise<Generated | 'failed'> {
  const response = await fetch(address, { signal: AbortSignal.any([signal, AbortSignal.timeout(60_000)]) });
  if (!response.ok || !response.body) return 'failed';
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return { text, whole: true };
    text += value;
    if (text.length > mostShown) {
      await reader.cancel();
      return { text: text.slice(0, mostShown), whole: false };
    }
  }
}
