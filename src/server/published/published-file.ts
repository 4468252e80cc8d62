import { createHash } from 'node:crypto';
import type { Asked } from '../../core/surfaces/generated/generated.ts';
import { isKnown } from '../http/revalidated.ts';
import type { Problem } from '../http/problem.ts';
import { wholeCatalogue } from '../products/products-known.ts';
import { currentPolicy } from '../quote/current-policy.ts';
import { askedOf } from './asked-of.ts';
import { fileNamed, noSuchFile, streamed, type Named } from './generated-response.ts';

/** For so long a file may be kept, and is kept here: offers end on the minute. ms */
const keptFor = 60_000;
/** So many files are kept. */
const mostKept = 200;

interface Kept {
  text: string;
  etag: string;
}
const kept = new Map<string, Kept>();

/** A file as the release says it that the shop uses, with an ETag (RFC 9110, §8.8.3) by which it is not sent twice. */
export async function publishedFile(request: Request, named: Named): Promise<Response | Problem> {
  const current = await currentPolicy();
  if (!current)
    return {
      status: 404,
      title: 'Nothing has been released yet',
      detail: 'What a release says is published, never the draft.',
    };
  const { release, catalogue, compiled } = current;
  const minute = Math.floor(Date.now() / keptFor);
  const asked = askedOf(compiled.policy, await wholeCatalogue(catalogue), minute * keptFor);
  const file = fileNamed(asked, named);
  if (!file) return noSuchFile;
  const headers = (etag: string) => ({
    etag,
    'cache-control': `public, max-age=${keptFor / 1000}`,
    'content-type': file.type,
    'access-control-allow-origin': '*',
    'cross-origin-resource-policy': 'cross-origin',
  });
  if (file.shows === 'feed') {
    // It is made as it is sent, so that its tag comes from all that it rests on.
    const etag = `"${digest(`${release} ${catalogue} ${named.market} ${named.language} ${named.file}`)}"`;
    if (isKnown(request, etag)) return new Response(null, { status: 304, headers: headers(etag) });
    return new Response(streamed(file.make(asked, named.market, named.language)), { headers: headers(etag) });
  }
  const key = [release, catalogue, minute, named.market, named.language, named.file].join(' ');
  const { text, etag } = keptFile(key, asked, named);
  if (isKnown(request, etag)) return new Response(null, { status: 304, headers: headers(etag) });
  return new Response(text, { headers: headers(etag) });
}

function keptFile(key: string, asked: Asked, named: Named): Kept {
  let known = kept.get(key);
  if (!known) {
    const text = [...fileNamed(asked, named)!.make(asked, named.market, named.language)].join('');
    if (kept.size >= mostKept) kept.clear();
    kept.set(key, (known = { text, etag: `"${digest(text)}"` }));
  }
  return known;
}

const digest = (text: string): string => createHash('sha256').update(text).digest('base64url').slice(0, 27);
