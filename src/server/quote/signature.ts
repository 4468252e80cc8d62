import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import canonicalize from 'canonicalize';
import type { Quote, UnsignedQuote } from '../../contract/shapes/quote.ts';
import type { QuoteRequest } from '../../contract/shapes/quote-request.ts';
import type { SignedBy, VerifiedQuote } from '../../contract/shapes/signed-quote.ts';
import type { SigningSecret } from './signing-secrets.ts';

/**
 * Signs a quote with HMAC-SHA-256 over its canonical form (RFC 8785), in which everything stands but the signature itself.
 *
 * @param request what was asked for; its digest is signed along, so that a quote proves for which cart it was given
 * @param given id of the quote; instant: ms since 1970-01-01T00:00Z; for how many minutes the shop may rely on it
 */
export function signedQuote(
  quote: UnsignedQuote,
  request: QuoteRequest,
  { id: key, secret }: SigningSecret,
  { id, instant, minutes }: { id: string; instant: number; minutes: number },
): Quote {
  const by: Omit<SignedBy, 'signature'> = {
    id,
    at: new Date(instant).toISOString(),
    expires: new Date(instant + minutes * 60_000).toISOString(),
    cart: digestOfCart(request),
    key,
  };
  const signature = signatureOf({ ...quote, signed: by }, secret);
  return { ...quote, signed: { ...by, signature } };
}

/** SHA-256 of the canonical form of what a quote was asked for, without for how long it was to hold. */
function digestOfCart({ sign: _, ...asked }: QuoteRequest): string {
  return createHash('sha256')
    .update(canonical(asked) ?? '')
    .digest('base64url');
}

/** Whether a quote is what was answered, for the cart that it is shown with, and may still be relied on. */
export function verifiedQuote(
  quote: object,
  request: QuoteRequest | undefined,
  secrets: readonly SigningSecret[],
  instant: number,
): VerifiedQuote {
  const holdsNot = (because: VerifiedQuote['because']): VerifiedQuote => ({ holds: false, because });
  const { signed } = quote as Partial<Quote>;
  if (!isSignedBy(signed)) return holdsNot('notSigned');
  const { signature, ...by } = signed;
  const secret = secrets.find(({ id }) => id === by.key);
  if (!secret) return holdsNot('unknownKey');
  const given = Buffer.from(signature);
  const expected = Buffer.from(signatureOf({ ...quote, signed: by }, secret.secret));
  if (given.length !== expected.length || !timingSafeEqual(given, expected)) return holdsNot('altered');
  if (request && digestOfCart(request) !== by.cart) return holdsNot('otherCart');
  return Date.parse(by.expires) <= instant ? holdsNot('expired') : { holds: true, because: null };
}

const isSignedBy = (signed: unknown): signed is SignedBy =>
  typeof signed === 'object' &&
  signed !== null &&
  ['id', 'at', 'expires', 'cart', 'key', 'signature'].every(
    (name) => typeof (signed as Record<string, unknown>)[name] === 'string',
  );

const signatureOf = (signed: object, secret: Buffer): string =>
  createHmac('sha256', secret)
    .update(canonical(signed) ?? '')
    .digest('base64url');

/** null: it holds a number that JSON cannot tell (1e400 is read as infinite), which no answer and no question does */
function canonical(value: object): string | null {
  try {
    return canonicalize(value)!;
  } catch {
    return null;
  }
}
