import { readReferenceRates } from '../../core/imports/reference-rates.ts';
import { boundedText } from '../http/bounded-text.ts';
import { ProblemError } from '../http/problem.ts';
import { addRates, type RatesAdded } from './rate-store.ts';

const timeout = 4000;
/** Of the feed’s answer. Bytes */
const longestAnswer = 8 * 1024 * 1024;

interface FetchedRates extends RatesAdded {
  /** the newest day that the feed has; null when it has none */
  newest: string | null;
}

/** Takes the history that the rate feed has. @throws ProblemError 502 when it does not answer, or not with rates */
export async function fetchRates(feed: URL): Promise<FetchedRates> {
  const away = (why: string) =>
    new ProblemError({
      status: 502,
      title: 'The rate feed cannot be read',
      detail: `${why} The rates known so far and those adopted are kept. Try again later, or import a file of rates.`,
    });
  let text: string;
  try {
    const response = await fetch(feed, { signal: AbortSignal.timeout(timeout) });
    if (!response.ok) throw away(`It answers with ${response.status}.`);
    text = await boundedText(response, longestAnswer);
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    throw away(error instanceof RangeError ? 'Its answer is too long.' : 'It does not answer.');
  }
  const { rates, rejected } = readReferenceRates(text);
  if (rejected.length > 0 || Object.keys(rates).length === 0)
    throw away(`Line ${rejected[0]?.line ?? 1} of its answer is not in the layout agreed on.`);
  const newest =
    Object.values(rates)
      .map((days) => days.at(-1)!.day)
      .sort()
      .at(-1) ?? null;
  return { ...(await addRates(rates, 'feed', false)), newest };
}
