import { html } from '../html.ts';
import { cartOf } from '../session.ts';
import { goodOf, goods, type Visit } from '../shop.ts';
import { offer, page } from './layout.ts';

/** What one piece costs here; null where it is not sold or nobody answers. */
interface Shelf {
  price: number;
  currency: string;
}

/** One call for all goods, each as a cart with one of them. */
export async function shelf(
  { shop: { summant }, session }: Visit,
  ids: readonly string[],
): Promise<Map<string, Shelf>> {
  const { lines: _, ...asked } = cartOf(session);
  const carts = ids.map((product) => ({ ...asked, lines: [{ product, quantity: 1 }] }));
  const found = new Map<string, Shelf>();
  const answer = await summant.post('/api/quotes', { carts }).catch(() => null);
  answer?.quotes.forEach(({ quote }, index) => {
    const [line] = quote?.lines ?? [];
    if (line && quote?.currency) found.set(ids[index]!, { price: line.unitPrice, currency: quote.currency });
  });
  return found;
}

export async function goodsPage(visit: Visit): Promise<string> {
  const { words, money } = visit;
  const prices = await shelf(
    visit,
    goods.map(({ id }) => id),
  );
  const cards = goods.map(({ id, name, category }) => {
    const price = prices.get(id);
    return html`<li>
      <a href="/goods/${id}"><span class="picture ${category}" aria-hidden="true"></span>${name}</a>
      <span class="price">${price ? money(price.price, price.currency) : '–'}</span>
    </li>`;
  });
  return page(
    visit,
    words.all,
    html`<ul class="goods">
      ${cards}
    </ul>`,
  );
}

/** @returns null: there is no such product */
export async function productPage(visit: Visit, id: string): Promise<string | null> {
  const { words, money, session } = visit;
  const product = goodOf(id);
  if (!product) return null;
  const price = (await shelf(visit, [id])).get(id);
  // What would be, with this one in the cart.
  const { lines } = cartOf(session);
  const wouldBe = lines.some((line) => line.product === id) ? lines : [...lines, { product: id, quantity: 1 }];
  return page(
    visit,
    product.name,
    html`<div class="product">
      <span class="picture large ${product.category}" aria-hidden="true"></span>
      <div>
        <p class="price">${price ? money(price.price, price.currency) : '–'}</p>
        <form method="post" action="/cart/add">
          <input type="hidden" name="product" value="${id}" />
          <input type="number" name="pieces" value="1" min="1" max="99" aria-label="${product.name}" />
          <button class="first">${words.add}</button>
        </form>
        ${offer(visit, { place: 'product', show: 'text bar', more: { lines: wouldBe } })}
      </div>
    </div>`,
  );
}
