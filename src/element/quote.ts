import type { QuoteRequest } from '../contract/shapes/quote-request.ts';
import type { Quote } from '../contract/shapes/quote.ts';

export type { Quote, QuoteRequest };

/** A cart as a page sets it. */
export type PageCart = Omit<QuoteRequest, 'language' | 'closing' | 'sign' | 'reserve'>;

/** Where Summant is, and with which key a page may ask it. */
export interface Service {
  /** without a slash at its end */
  address: string;
  key: string | null;
}

const headersOf = ({ key }: Service, more: Record<string, string>): Record<string, string> => ({
  ...more,
  ...(key ? { authorization: `Bearer ${key}` } : {}),
});

/** How long an answer is waited for. ms */
const timeout = 8000;

/** @throws where it is not answered, is refused, or has been overtaken */
export async function askQuote(service: Service, asked: QuoteRequest, overtaken: AbortSignal): Promise<Quote> {
  const response = await fetch(`${service.address}/api/quote`, {
    method: 'POST',
    headers: headersOf(service, { 'content-type': 'application/json' }),
    body: JSON.stringify(asked),
    credentials: 'omit',
    signal: AbortSignal.any([overtaken, AbortSignal.timeout(timeout)]),
  });
  if (!response.ok) throw new Error(`answered ${response.status}`);
  return (await response.json()) as Quote;
}

/** How often an open page that is looked at asks whether something has been released. ms */
const every = 1500;

interface Watch {
  tellers: Set<() => void>;
  stop: () => void;
}

/** One for each service, however many elements a page has. */
const watches = new Map<string, Watch>();

/** Tells when what quotes rest on has changed. @returns what ends it */
export function watchCurrent(service: Service, tell: () => void): () => void {
  const name = `${service.address} ${service.key}`;
  const watch = watches.get(name) ?? begin(service);
  watches.set(name, watch);
  watch.tellers.add(tell);
  return () => {
    watch.tellers.delete(tell);
    if (watch.tellers.size > 0) return;
    watch.stop();
    watches.delete(name);
  };
}

function begin(service: Service): Watch {
  const tellers = new Set<() => void>();
  let etag: string | null = null;
  let asking = false;
  const look = async () => {
    if (document.visibilityState === 'hidden' || asking) return;
    asking = true;
    try {
      const response = await fetch(`${service.address}/api/current`, {
        headers: headersOf(service, etag ? { 'if-none-match': etag } : {}),
        credentials: 'omit',
        cache: 'no-store',
        signal: AbortSignal.timeout(timeout),
      });
      // An answer of a shop that is away, or that says nothing new, changes nothing.
      if (!response.ok) return;
      const before = etag;
      etag = response.headers.get('etag');
      if (before !== null && etag !== before) for (const tell of tellers) tell();
    } catch {
      // Asked again soon.
    } finally {
      asking = false;
    }
  };
  void look();
  const timer = setInterval(() => void look(), every);
  document.addEventListener('visibilitychange', look);
  return {
    tellers,
    stop: () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    },
  };
}
