import { demoProducts } from '../demo/products.ts';
import type { Session } from './session.ts';
import type { Summant } from './summant.ts';
import { wordsIn, type Words } from './words.ts';

/** What the shop sells. */
export const goods = demoProducts.map(({ id, sku, name, categories }) => ({
  id,
  sku,
  name,
  category: categories[0] ?? '',
}));
const byId = new Map(goods.map((one) => [one.id, one]));
export const goodOf = (id: string) => byId.get(id);

/** How a shop's page loads the element. */
export interface ElementFile {
  path: string;
  integrity: string;
}

/** The shop, as it was started. */
export interface Shop {
  summant: Summant;
  /** with which pages ask Summant */
  publishable: string;
  element: ElementFile;
}

/** What a page is drawn for. */
export interface Visit {
  shop: Shop;
  session: Session;
  words: Words;
  /** in minor units */
  money: (minor: number, currency: string | null) => string;
  /** said once at the top of the page */
  notice: string | null;
}

export function visitOf(shop: Shop, session: Session, notice: string | null): Visit {
  const words = wordsIn(session.language);
  return {
    shop,
    session,
    words,
    notice,
    money: (minor, currency) => {
      const format = new Intl.NumberFormat(session.language, { style: 'currency', currency: currency ?? 'EUR' });
      return format.format(minor / 10 ** (format.resolvedOptions().maximumFractionDigits ?? 2));
    },
  };
}
