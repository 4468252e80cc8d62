import { marketsTouched, withinMarkets } from '../policy/markets-touched.ts';
import type { Policy } from '../policy/types.ts';
import type { Role } from './roles.ts';

/** Ids of the markets that somebody's edits and releases are limited to; null: they are not. */
export type MarketLimit = string[] | null;

/** Whether a role can be limited: who looks changes nothing, and who owns the store decides who may what. */
export const canBeLimited = (role: Role): boolean => role === 'edit' || role === 'release';

const more = 'whoever owns the store can let you do more';

/** Why somebody may not change a policy so, in words; null: he may. */
export function beyondLimit(before: Policy, after: Policy, limit: MarketLimit): string | null {
  if (limit === null) return null;
  const touched = marketsTouched(before, after);
  const own = new Set(limit);
  if (withinMarkets(touched, own)) return null;
  const nameOf = (id: string): string => (before.markets[id] ?? after.markets[id])?.name ?? id;
  const concerned =
    touched === 'all'
      ? 'every market'
      : [...touched]
          .filter((id) => !own.has(id))
          .map(nameOf)
          .join(', ');
  return `This concerns ${concerned}. You may change ${onlyIn(limit, nameOf)}; ${more}.`;
}

const onlyIn = (limit: readonly string[], nameOf: (id: string) => string): string =>
  limit.length === 0 ? 'no market' : `only ${limit.map(nameOf).join(', ')}`;

/** Why somebody may not do what concerns every market, in words; null: he may. */
export const beyondAnyLimit = (limit: MarketLimit): string | null =>
  limit === null ? null : `This concerns every market, and you may change only some; ${more}.`;

/** Names of markets as a place: *in A, B and C*. */
export const inMarkets = (names: readonly string[]): string =>
  names.length === 0
    ? 'in no market'
    : `in ${[names.slice(0, -1).join(', '), names.at(-1)].filter((part) => part !== '').join(' and ')}`;
