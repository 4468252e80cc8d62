import robotsParser from 'robots-parser';
import { userAgent, type Got } from './got.ts';

/** Bytes of robots.txt that are read at least (RFC 9309, §2.5). */
const largest = 512 * 1024;
/** For so long what a host asks is remembered; at most a day (RFC 9309, §2.4). ms */
const keptFor = 3_600_000;
const mostKept = 200;
const kept = new Map<string, { text: string | null; until: number }>();

/**
 * Whether a host lets programs read a page (RFC 9309): without robots.txt, or where it is refused, everything; where the host fails
 * or is silent, nothing. Source of the rules' reading: the npm package `robots-parser`.
 *
 * @param get fetches a file of the same host
 */
export async function mayFetch(page: URL, get: (file: URL, most: number) => Promise<Got>): Promise<boolean> {
  const file = new URL('/robots.txt', page);
  const now = Date.now();
  let known = kept.get(file.href);
  if (!known || known.until < now) {
    known = { text: await rules(file, get), until: now + keptFor };
    if (kept.size >= mostKept) kept.clear();
    // A host that fails is asked again the next time.
    if (known.text !== null) kept.set(file.href, known);
  }
  if (known.text === null) return false;
  return robotsParser(file.href, known.text).isAllowed(page.href, userAgent) ?? true;
}

/** What robots.txt says; empty where there is none, null where the host fails. */
async function rules(file: URL, get: (file: URL, most: number) => Promise<Got>): Promise<string | null> {
  const { status, text, location } = await get(file, largest);
  if (status >= 500) return null;
  return status === 200 && location === null ? text : '';
}
