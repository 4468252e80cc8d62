import { html, jsonIn, type Html } from '../html.ts';
import { countries, countryOf, nameOf } from '../markets.ts';
import { cartOf } from '../session.ts';
import { shoppers } from '../shoppers.ts';
import type { Visit } from '../shop.ts';

const rightToLeft = /^(ar|fa|he|ur)\b/;

/** The element, with a cart within. */
export function offer(
  { shop: { summant, publishable }, session }: Visit,
  { place, show, more = {} }: { place: string; show: string; more?: object },
): Html {
  return html`<summant-offer
    src="${summant.address}"
    shop-key="${publishable}"
    place="${place}"
    show="${show}"
    language="${session.language}"
    ${session.chosen ? html`chosen="${session.chosen}"` : null}
    ><script type="application/json">
      ${jsonIn({ ...cartOf(session), ...more })}
    </script></summant-offer
  >`;
}

/** A page of the shop: the strip across it, who is here and where it goes, and what it is about. */
export function page(visit: Visit, title: string, main: Html): string {
  const { shop, session, words, notice } = visit;
  const { address } = shop.summant;
  const count = [...session.cart.values()].reduce((sum, pieces) => sum + pieces, 0);
  const option = (value: string, name: string, chosen: string) =>
    html`<option value="${value}" ${value === chosen ? html`selected` : null}>${name}</option>`;
  return html`<!doctype html>
    <html lang="${session.language}" dir="${rightToLeft.test(session.language) ? 'rtl' : 'ltr'}">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex" />
        <title>${title} · Gustmoor Kites</title>
        <link rel="stylesheet" href="/shop.css" />
        <link rel="icon" href="data:," />
        <script
          type="module"
          src="${address}${shop.element.path}"
          integrity="${shop.element.integrity}"
          crossorigin="anonymous"
        ></script>
        <script type="module" src="/shop.js"></script>
      </head>
      <body>
        ${offer(visit, { place: 'strip', show: 'text' })}
        <header>
          <a class="name" href="/">Gustmoor Kites</a>
          <form method="post" action="/here">
            <label
              >${words.goesTo}
              <select name="country">
                ${countries.map(({ code }) => option(code, nameOf(code, session.language), session.country))}
              </select></label
            >
            <select name="language" aria-label="Language">
              ${countryOf(session.country).languages.map((one) => option(one, nameOfLanguage(one), session.language))}
            </select>
            <label
              >${words.asWhom}
              <select name="shopper">
                ${shoppers.map(({ id, name }) => option(id, name, session.shopper))}
              </select></label
            >
            <button>OK</button>
          </form>
          <a class="cart" href="/cart">${words.cart} (${count})</a>
        </header>
        <main>
          ${notice === null ? null : html`<p class="notice" role="status">${notice}</p>`}
          <h1>${title}</h1>
          ${main}
        </main>
      </body>
    </html>`.text;
}

const nameOfLanguage = (language: string): string =>
  new Intl.DisplayNames([language], { type: 'language' }).of(language.split('-')[0]!) ?? language;
