import type { CompiledPolicy, CompiledZone } from '../../../core/evaluation/compile.ts';
import { inOrder } from '../../../core/ordered.ts';
import { findMarket } from '../../../core/evaluation/find-zone.ts';
import { same } from '../../../core/same.ts';
import type { Policy, TestCart } from '../../../core/policy/types.ts';

/** What differs from column to column of a line-up. */
export type Along = 'shoppers' | 'destinations' | 'moments' | 'carts';

export const mostColumns = 8;

/** One column: a cart as it is evaluated, and what makes it differ from the others. */
export interface Variation {
  id: string;
  name: string;
  cart: TestCart;
}

/** What a line-up starts from. */
interface LinedUp {
  cartId: string;
  cart: TestCart;
  compiled: CompiledPolicy;
  zone: CompiledZone | undefined;
  now: number;
  /** writes an instant for the reader */
  moment: (instant: number) => string;
}

/**
 * Everything that could stand in a line-up of a cart, itself first: other shoppers, other places, other moments, or for one
 * shopper other carts.
 */
export function variationsOf(along: Along, { cartId, cart, compiled, zone, now, moment }: LinedUp): Variation[] {
  const { policy } = compiled;
  switch (along) {
    case 'shoppers':
      return shoppers(policy, cart);
    case 'destinations':
      return [{ id: 'as-it-is', name: placeName(cart), cart }, ...destinations(compiled, cart)];
    case 'moments':
      return moments(cart, zone, now, moment);
    case 'carts': {
      const others = inOrder(policy.testCarts).filter(([id]) => id !== cartId);
      // One shopper with each cart's goods, where they stand now.
      return [
        { id: cartId, name: cart.name, cart },
        ...others.map(([id, other]) => ({ id, name: other.name, cart: { ...cart, lines: other.lines } })),
      ];
    }
  }
}

/** The cart's own shopper by name, then a guest and the made-up shoppers, each once. */
function shoppers(policy: Policy, cart: TestCart): Variation[] {
  const known: Variation[] = [
    { id: 'guest', name: 'a guest', cart: withShopper(cart, undefined) },
    ...inOrder(policy.shoppers ?? {}).map(([id, { name, shopper }]) => ({
      id,
      name,
      cart: withShopper(cart, shopper),
    })),
  ];
  const own = known.find((other) => same(other.cart.shopper, cart.shopper));
  return [
    { id: 'as-it-is', name: `${own?.name ?? 'somebody of its own'}, the cart’s`, cart },
    ...known.filter((other) => other !== own),
  ];
}

function withShopper({ shopper: _, ...rest }: TestCart, shopper: TestCart['shopper']): TestCart {
  return shopper ? { ...rest, shopper } : rest;
}

const placeName = ({ destination: { country, region, postcode } }: TestCart) =>
  [country, region, postcode].filter(Boolean).join(' ');

/** Places where test carts go, each once, read in the market's first language. */
function destinations(compiled: CompiledPolicy, cart: TestCart): Variation[] {
  const found = new Map<string, Variation>();
  for (const [id, { destination }] of inOrder(compiled.policy.testCarts)) {
    const market = findMarket(compiled, destination)?.market;
    const there: TestCart = {
      ...cart,
      destination,
      language: market?.languages.includes(cart.language) ? cart.language : (market?.languages[0] ?? cart.language),
    };
    const name = placeName(there);
    if (name !== placeName(cart) && !found.has(name)) found.set(name, { id, name, cart: there });
  }
  // Different countries first: they differ most.
  const seen = new Set<string>([cart.destination.country]);
  const first = [...found.values()].filter(
    ({ cart: { destination } }) => !seen.has(destination.country) && seen.add(destination.country),
  );
  return [...first, ...[...found.values()].filter((variation) => !first.includes(variation))];
}

const minute = 60_000;

/** Now, and the last minute before and the first of whatever begins or ends. */
function moments(
  cart: TestCart,
  zone: CompiledZone | undefined,
  now: number,
  moment: (instant: number) => string,
): Variation[] {
  const own = cart.at === undefined ? now : Date.parse(cart.at);
  const turns = new Set(
    (zone?.offers ?? [])
      .flatMap(({ span }) => [span.from, span.until])
      .filter((instant) => Number.isFinite(instant) && instant > now - 366 * 1440 * minute),
  );
  const instants = [...turns].sort((a, b) => a - b).flatMap((turn) => [turn - minute, turn]);
  return [own, ...instants.filter((instant) => instant !== own)].map((instant, index) => ({
    id: String(instant),
    name: `${moment(instant)}${index === 0 ? ', as it is' : ''}`,
    cart: index === 0 ? cart : { ...cart, at: new Date(instant).toISOString() },
  }));
}
