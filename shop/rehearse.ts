import { countryOf } from './markets.ts';
import type { Session } from './session.ts';
import { put } from './session.ts';
import { countries } from './markets.ts';
import { goodOf } from './shop.ts';
import { shopperOf, shoppers } from './shoppers.ts';

/** A test cart, as far as the shop knows of it (docs/test-carts.md). */
interface TestCart {
  order: number;
  name: string;
  pinned: boolean;
  language: string;
  destination: { country: string; postcode: string };
  lines: Record<string, { order: number; quantity: number }>;
  codes?: string[];
  shopper?: object;
}

/** Where the cart is rehearsed, with all that bears on it. */
export function rehearseAddress(summant: string, session: Session): string {
  const cart: TestCart = {
    order: 1,
    name: 'From the shop',
    pinned: false,
    language: session.language,
    destination: { country: session.country, postcode: session.postcode },
    lines: Object.fromEntries([...session.cart].map(([id, quantity], index) => [id, { order: index + 1, quantity }])),
    ...(session.codes.length > 0 ? { codes: session.codes } : {}),
    shopper: shopperOf(session.shopper).known,
  };
  return `${summant}/rehearse?shared=${Buffer.from(JSON.stringify(cart)).toString('base64url')}`;
}

/** Takes over a cart that comes from there; what the shop does not have is left out. @returns whether it could be read */
export function takeOver(session: Session, text: string): boolean {
  const cart = readCart(text);
  if (!cart) return false;
  const country = countries.find(({ code }) => code === cart.destination.country);
  if (country) {
    session.country = country.code;
    session.postcode = cart.destination.postcode.slice(0, 16);
    session.language = country.languages.find((one) => one === cart.language) ?? countryOf(country.code).languages[0]!;
  }
  session.cart.clear();
  for (const [id, { quantity }] of Object.entries(cart.lines)) if (goodOf(id)) put(session, id, quantity);
  session.codes = (cart.codes ?? []).slice(0, 5);
  session.chosen = null;
  const individual = (cart.shopper as { individual?: string } | undefined)?.individual;
  session.shopper = shoppers.find(({ known }) => known.individual === individual)?.id ?? 'guest';
  return true;
}

function readCart(text: string): TestCart | null {
  try {
    const read = JSON.parse(Buffer.from(text, 'base64url').toString()) as Partial<TestCart>;
    const { lines, destination, language, codes, shopper } = read;
    if (typeof destination?.country !== 'string' || typeof destination.postcode !== 'string') return null;
    if (typeof language !== 'string' || typeof lines !== 'object' || lines === null) return null;
    const counted = Object.entries(lines).filter(([, line]) =>
      Number.isInteger((line as { quantity?: unknown }).quantity),
    );
    return {
      order: 1,
      name: '',
      pinned: false,
      language,
      destination,
      lines: Object.fromEntries(counted),
      codes: Array.isArray(codes) ? codes.filter((code) => typeof code === 'string' && code.length <= 60) : [],
      ...(typeof shopper === 'object' && shopper !== null ? { shopper } : {}),
    };
  } catch {
    return null;
  }
}
