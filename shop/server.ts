import type { IncomingMessage, ServerResponse } from 'node:http';
import { countryOf, countries } from './markets.ts';
import { placeOrder } from './orders.ts';
import { cartPage, quoteOf } from './pages/cart.ts';
import { checkoutPage } from './pages/checkout.ts';
import { goodsPage, productPage } from './pages/goods.ts';
import { html } from './html.ts';
import { page } from './pages/layout.ts';
import { takeOver } from './rehearse.ts';
import { newSession, put, sessionOf, type Session } from './session.ts';
import { shoppers } from './shoppers.ts';
import { goodOf, visitOf, type Shop, type Visit } from './shop.ts';
import { Refused, Summant } from './summant.ts';

/** Files of the shop's pages, by path: type and content. */
export type Files = ReadonlyMap<string, readonly [type: string, content: string]>;

const largestForm = 16 * 1024;
/** A form is waited for. ms */
const slowest = 10_000;

/** What a page answers. */
type Answer = { page: string; status?: number } | { go: string };

/**
 * The demo shop, as any shop could be built: a small server that asks Summant with a secret key, and pages with the element and a
 * publishable one. Who is in it is remembered by this process alone.
 */
export const shopHandler =
  (shop: Shop, files: Files) =>
  (request: IncomingMessage, response: ServerResponse): void => {
    void answer(shop, files, request, response).catch(() => {
      if (response.headersSent) response.destroy();
      else response.writeHead(500, { 'content-type': 'text/plain; charset=utf-8' }).end('Something went wrong here.');
    });
  };

/** What pages may load: their own, and Summant's element with what it asks. */
const policyOf = (summant: string): string =>
  `default-src 'none'; script-src 'self' ${summant}; connect-src 'self' ${summant}; style-src 'self'; img-src 'self' data: ${summant}; form-action 'self'; base-uri 'none'; frame-ancestors 'none'`;

async function answer(shop: Shop, files: Files, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const path = request.url ?? '/';
  if (!URL.canParse(path, 'http://shop')) {
    response.writeHead(400, { 'content-type': 'text/plain; charset=utf-8' }).end('There is no such page.');
    return;
  }
  const url = new URL(path, 'http://shop');
  const file = files.get(url.pathname);
  if (file) {
    response.writeHead(200, {
      'content-type': file[0],
      'cache-control': 'no-cache',
      'content-security-policy': policyOf(shop.summant.address),
      'x-content-type-options': 'nosniff',
    });
    response.end(file[1]);
    return;
  }
  const known = sessionOf(/(?:^|;\s*)shop=([\w-]+)/.exec(request.headers.cookie ?? '')?.[1]);
  const session = known ?? newSession(await probableCountry(shop, request));
  const headers = {
    'content-type': 'text/html; charset=utf-8',
    'cache-control': 'no-store',
    'content-security-policy': policyOf(shop.summant.address),
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
    ...(known ? {} : { 'set-cookie': `shop=${session.id}; Path=/; HttpOnly; SameSite=Lax` }),
  };
  let said: Answer;
  try {
    said = request.method === 'POST' ? await changed(shop, session, url, request) : await shown(shop, session, url);
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    const visit = visitOf(shop, session, null);
    said = { page: page(visit, visit.words.cart, html`<p role="alert">${error.message}</p>`), status: 422 };
  }
  if ('go' in said) response.writeHead(303, { ...headers, location: said.go }).end();
  else response.writeHead(said.status ?? 200, headers).end(said.page);
}

/** Where somebody probably is, as long as they have not said. */
async function probableCountry({ summant }: Shop, { socket }: IncomingMessage): Promise<string> {
  const address = (socket.remoteAddress ?? '127.0.0.1').replace(/^::ffff:/, '');
  const where = await summant.where(address, null).catch(() => null);
  return (
    countries.find(({ code }) => code === where?.country) ??
    countries.find(({ market }) => market === where?.market) ??
    countries[0]!
  ).code;
}

async function shown(shop: Shop, session: Session, { pathname, searchParams }: URL): Promise<Answer> {
  const visit = visitOf(
    shop,
    session,
    searchParams.get('changed') === null ? null : visitOf(shop, session, null).words.changed,
  );
  if (pathname === '/') return { page: await goodsPage(visit) };
  if (pathname === '/cart') return { page: await cartPage(visit) };
  if (pathname === '/checkout') {
    if (session.cart.size === 0) return { go: '/cart' };
    return { page: checkoutPage(visit, await quoteOf(visit)) };
  }
  if (pathname === '/open') return { go: takeOver(session, searchParams.get('cart') ?? '') ? '/cart' : '/' };
  const thanks = /^\/thanks\/([A-Z0-9-]{1,40})$/.exec(pathname);
  if (thanks) return { page: thanksPage(visit, thanks[1]!) };
  const product = /^\/goods\/([a-z0-9-]{1,40})$/.exec(pathname);
  const found = product && (await productPage(visit, product[1]!));
  return found
    ? { page: found }
    : { page: page(visit, '404', html`<p><a href="/">${visit.words.all}</a></p>`), status: 404 };
}

const thanksPage = (visit: Visit, number: string): string =>
  page(visit, `${visit.words.thanks} ${number}`, html`<p><a href="/">${visit.words.all}</a></p>`);

async function changed(shop: Shop, session: Session, url: URL, request: IncomingMessage): Promise<Answer> {
  const origin = request.headers.origin;
  if (origin !== undefined && hostOf(origin) !== request.headers.host) return { go: '/' };
  const form = await formOf(request);
  const text = (name: string, most = 60) => (form.get(name) ?? '').trim().slice(0, most);
  switch (url.pathname) {
    case '/here':
      return chooseHere(session, text('country'), text('language'), text('shopper'), request.headers.referer);
    case '/cart/add': {
      const product = text('product');
      if (goodOf(product)) put(session, product, (session.cart.get(product) ?? 0) + piecesFrom(text('pieces')));
      return { go: '/cart' };
    }
    case '/cart':
      for (const [name, value] of form)
        if (name.startsWith('pieces-') && session.cart.has(name.slice(7)))
          put(session, name.slice(7), piecesFrom(value));
      return { go: '/cart' };
    case '/checkout/place':
      session.postcode = text('postcode', 16);
      session.codes = text('code')
        .split(/[\s,]+/)
        .filter((code) => code !== '')
        .slice(0, 5);
      return { go: '/checkout' };
    case '/checkout/option':
      session.chosen = text('option');
      return { go: '/checkout' };
    case '/order':
      return ordered(shop, session, form);
    default:
      return { go: '/' };
  }
}

async function ordered(shop: Shop, session: Session, form: URLSearchParams): Promise<Answer> {
  if (session.cart.size === 0) return { go: '/cart' };
  const option = (form.get('option') ?? '').slice(0, 40);
  session.answers = Object.fromEntries(
    [...form].flatMap(([name, value]) => (name.startsWith('answer-') ? [[name.slice(7), value.slice(0, 2000)]] : [])),
  );
  const seen = { option: option === '' ? null : option, price: Number(form.get('price') ?? NaN) };
  const outcome = await placeOrder(shop.summant, session, seen, session.answers);
  if (outcome.kind === 'placed') {
    session.cart.clear();
    session.codes = [];
    session.answers = {};
    session.chosen = null;
    return { go: `/thanks/${outcome.number}` };
  }
  const { words } = visitOf(shop, session, null);
  if (outcome.kind === 'away') return { page: checkoutPage(visitOf(shop, session, words.away), null), status: 503 };
  const { answerFaults } = outcome.quote;
  const faults = new Map((answerFaults ?? []).map(({ question, message }) => [question, message]));
  const notice = faults.size > 0 ? null : words.changed;
  return { page: checkoutPage(visitOf(shop, session, notice), outcome.quote, faults), status: 409 };
}

function chooseHere(
  session: Session,
  country: string,
  language: string,
  shopper: string,
  from: string | undefined,
): Answer {
  const chosen = countryOf(country);
  if (chosen.code !== session.country) {
    session.country = chosen.code;
    session.postcode = chosen.postcode;
    session.chosen = null;
  }
  session.language = chosen.languages.find((one) => one === language) ?? chosen.languages[0]!;
  if (shoppers.some(({ id }) => id === shopper)) session.shopper = shopper;
  const back = from !== undefined && URL.canParse(from) ? new URL(from).pathname : '/';
  return { go: back.startsWith('/thanks') ? '/' : back };
}

const hostOf = (origin: string): string | null => (URL.canParse(origin) ? new URL(origin).host : null);

const piecesFrom = (text: string): number => (/^\d{1,3}$/.test(text) ? Number(text) : 0);

/** @throws where a form is larger or slower than any of the shop's */
async function formOf(request: IncomingMessage): Promise<URLSearchParams> {
  let size = 0;
  const chunks: Buffer[] = [];
  const late = setTimeout(() => request.destroy(), slowest);
  try {
    for await (const chunk of request as AsyncIterable<Buffer>) {
      size += chunk.length;
      if (size > largestForm) throw new Error('too large');
      chunks.push(chunk);
    }
  } finally {
    clearTimeout(late);
  }
  return new URLSearchParams(Buffer.concat(chunks).toString());
}

export { Summant };
