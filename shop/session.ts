import { randomBytes } from 'node:crypto';
import { shopperOf } from './shoppers.ts';
import { countryOf } from './markets.ts';
import type { Asked } from './summant.ts';

/** Somebody who is in the shop. */
export interface Session {
  id: string;
  country: string;
  language: string;
  postcode: string;
  shopper: string;
  /** product → pieces */
  cart: Map<string, number>;
  codes: string[];
  /** the option that was chosen */
  chosen: string | null;
  /** what was answered to an option's questions */
  answers: Record<string, string>;
}

/** So many are remembered; whoever has not been seen for longest goes first. */
const mostSessions = 20_000;
const sessions = new Map<string, Session>();

/** @param country where somebody probably is */
export function newSession(country: string): Session {
  const { code, languages, postcode } = countryOf(country);
  const session: Session = {
    id: randomBytes(18).toString('base64url'),
    country: code,
    language: languages[0]!,
    postcode,
    shopper: 'guest',
    cart: new Map(),
    codes: [],
    chosen: null,
    answers: {},
  };
  return kept(session);
}

function kept(session: Session): Session {
  sessions.delete(session.id);
  sessions.set(session.id, session);
  if (sessions.size > mostSessions) sessions.delete(sessions.keys().next().value!);
  return session;
}

export function sessionOf(id: string | undefined): Session | null {
  const session = id === undefined ? undefined : sessions.get(id);
  return session ? kept(session) : null;
}

/** So many different products, and pieces of one, are taken into a cart. */
export const mostLines = 50;
export const mostPieces = 999;

export function put(session: Session, product: string, pieces: number): void {
  if (pieces <= 0) session.cart.delete(product);
  else if (session.cart.has(product) || session.cart.size < mostLines)
    session.cart.set(product, Math.min(mostPieces, pieces));
}

/** What Summant is told of a cart. */
export const cartOf = (session: Session): Omit<Asked, 'language' | 'sign' | 'reserve' | 'closing'> => ({
  lines: [...session.cart].map(([product, quantity]) => ({ product, quantity })),
  destination: { country: session.country, postcode: session.postcode },
  market: countryOf(session.country).market,
  channel: 'web',
  shopper: shopperOf(session.shopper).known,
  // Whoever is signed in is known by their number, everybody else for as long as they are here.
  shopperKey: shopperOf(session.shopper).known.individual ?? session.id,
  ...(session.codes.length > 0 ? { codes: session.codes } : {}),
});
