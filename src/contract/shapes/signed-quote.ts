import type { QuoteRequest } from './quote-request.ts';
import { flag, moment, named, nullable, object, optional, text, word, written } from '../shape.ts';

/** By what a quote proves what was answered, to which cart, until when. */
export interface SignedBy {
  /** of the quote */
  id: string;
  /** when it was answered, ISO 8601 */
  at: string;
  expires: string;
  /** SHA-256 of the canonical form (RFC 8785) of what was asked, without `sign`; base64url */
  cart: string;
  /** id of the secret that it is signed with */
  key: string;
  /** HMAC-SHA-256 of the canonical form of the whole answer without this; base64url */
  signature: string;
}

export const SignedByShape = object(
  { id: text, at: moment, expires: moment, cart: text, key: text, signature: text },
  {
    description: 'HMAC-SHA-256 of the canonical form (RFC 8785) of the answer without `signature`; null: not asked for',
  },
);

/** Whether a quote is what was answered and may still be relied on. */
export interface VerifiedQuote {
  holds: boolean;
  because: 'notSigned' | 'unknownKey' | 'altered' | 'otherCart' | 'expired' | null;
}

export const VerifyRequestShape = object({
  quote: written<object>({ type: 'object', description: 'as it was answered' }),
  request: optional(
    written<QuoteRequest>({ type: 'object', description: 'what was asked, to see that it was this cart' }),
  ),
});

export const VerifiedQuoteShape = named(
  'VerifiedQuote',
  object({
    holds: flag,
    because: nullable(word('notSigned', 'unknownKey', 'altered', 'otherCart', 'expired')),
  }),
);
