import { createHash } from 'node:crypto';

/**
 * A JSON answer that may be kept by whoever asks each time whether it is still the same (RFC 9111, no-cache; RFC 9110, §13.1.2):
 * one that is known already is answered with 304.
 *
 * @param kept by anybody on the way, or by the one who asks alone
 */
export function revalidated(request: Request, body: unknown, kept: 'public' | 'private'): Response {
  const text = JSON.stringify(body);
  const etag = `"${createHash('sha256').update(text).digest('base64url').slice(0, 27)}"`;
  const headers = { etag, 'cache-control': `${kept}, no-cache` };
  return isKnown(request, etag)
    ? new Response(null, { status: 304, headers })
    : new Response(text, { headers: { ...headers, 'content-type': 'application/json' } });
}

/** Whether a request’s If-None-Match names an ETag, by weak comparison. */
export function isKnown(request: Request, etag: string): boolean {
  const named = request.headers.get('if-none-match');
  return named !== null && named.split(',').some((one) => ['*', etag].includes(one.trim().replace(/^W\//, '')));
}
