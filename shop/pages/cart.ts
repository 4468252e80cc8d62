import { html } from '../html.ts';
import { cartOf } from '../session.ts';
import { goodOf, type Visit } from '../shop.ts';
import { Refused, type Quote } from '../summant.ts';
import { rehearseAddress } from '../rehearse.ts';
import { offer, page } from './layout.ts';

/** What Summant says of the cart; null where nobody answers. */
export const quoteOf = ({ shop: { summant }, session }: Visit): Promise<Quote | null> =>
  summant.post('/api/quote', { ...cartOf(session), language: session.language }).catch((error: unknown) => {
    if (error instanceof Refused && error.status === 422) throw error;
    return null;
  });

export async function cartPage(visit: Visit): Promise<string> {
  const { words, money, session, shop } = visit;
  if (session.cart.size === 0)
    return page(
      visit,
      words.cart,
      html`<p>${words.empty}</p>
        <p><a href="/">${words.all}</a></p>`,
    );
  const quote = await quoteOf(visit);
  const lines = [...session.cart].map(([id, pieces]) => {
    const line = quote?.lines.find(({ product }) => product === id);
    const name = goodOf(id)?.name ?? id;
    return html`<tr>
      <th scope="row"><a href="/goods/${id}">${name}</a></th>
      <td><input type="number" name="pieces-${id}" value="${pieces}" min="0" max="999" aria-label="${name}" /></td>
      <td class="price">${line ? money(line.afterDiscounts, quote!.currency) : '–'}</td>
    </tr>`;
  });
  return page(
    visit,
    words.cart,
    html`<div class="two">
      <form method="post" action="/cart">
        <table>
          ${lines}
        </table>
        <button>${words.update}</button>
        <a class="first" href="/checkout">${words.toCheckout}</a>
      </form>
      <aside>
        ${quote ? null : html`<p role="alert">${words.away}</p>`}
        ${offer(visit, { place: 'cart', show: 'text bar options why closing' })}
        <p class="aside"><a href="${rehearseAddress(shop.summant.address, session)}">${words.rehearse}</a></p>
      </aside>
    </div>`,
  );
}
