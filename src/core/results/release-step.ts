import { policyChanges } from '../changes/changes.ts';
import { orderValueGoals } from '../offers/order-value-goals.ts';
import { inOrder } from '../ordered.ts';
import type { Policy } from '../policy/types.ts';

/** How an offer stood in a market before a release and after it. Amounts in minor units of the market; null: no goal there */
export interface OfferStep {
  offer: string;
  name: string;
  change: 'begins' | 'changes' | 'ends';
  /** by market; those that it reaches */
  markets: Record<string, { before: number | null; after: number | null }>;
}

/** What a release changed, as far as results ask. */
export interface ReleaseStep {
  offers: OfferStep[];
  /** changes of anything else that shoppers are promised */
  others: number;
}

/** What shoppers were promised differently from a release on. */
export function releaseStep(from: Policy, to: Policy): ReleaseStep {
  const changes = policyChanges(from, to, 'en');
  const goals = { before: goalsByMarket(from), after: goalsByMarket(to) };
  const touched = new Map<string, string[]>();
  let others = 0;
  for (const { path } of changes) {
    const [, collection, id] = path.split('/');
    if (collection === 'offers' && id !== undefined) touched.set(id, [...(touched.get(id) ?? []), path]);
    // Wording of an offer is part of what shoppers saw, but not of what they were given.
    else others++;
  }
  const offers = [...touched].flatMap(([offer, paths]): OfferStep[] => {
    const [was, is] = [from.offers[offer], to.offers[offer]];
    const markets = Object.fromEntries(
      [...new Set([...Object.keys(from.markets), ...Object.keys(to.markets)])].flatMap((market) => {
        const [before, after] = goalThatMoved(
          goals.before.get(market)?.get(offer),
          goals.after.get(market)?.get(offer),
        );
        return before !== after || paths.some((path) => reaches(path, market, to, offer))
          ? [[market, { before, after }] as const]
          : [];
      }),
    );
    const [active, nowActive] = [was?.on === true, is?.on === true];
    if ((!active && !nowActive) || Object.keys(markets).length === 0) return [];
    return [{ offer, name: (is ?? was)!.name, change: changeOf(active, nowActive), markets }];
  });
  return { offers, others };
}

function changeOf(active: boolean, nowActive: boolean): OfferStep['change'] {
  if (!active) return 'begins';
  return nowActive ? 'changes' : 'ends';
}

type GoalsOfOffer = ReadonlyMap<string, number>;

/** market → offer → goal → its amount */
function goalsByMarket(policy: Policy): Map<string, Map<string, Map<string, number>>> {
  return new Map(
    inOrder(policy.markets).map(([market]) => {
      const byOffer = new Map<string, Map<string, number>>();
      for (const { offerId, goalId, value } of orderValueGoals(policy, market))
        byOffer.set(offerId, (byOffer.get(offerId) ?? new Map<string, number>()).set(goalId, value));
      return [market, byOffer];
    }),
  );
}

/** The first goal of an offer that is another amount than before; where none is, its first. */
function goalThatMoved(
  before: GoalsOfOffer | undefined,
  after: GoalsOfOffer | undefined,
): [number | null, number | null] {
  const ids = [...new Set([...(before?.keys() ?? []), ...(after?.keys() ?? [])])];
  const id = ids.find((one) => before?.get(one) !== after?.get(one)) ?? ids[0];
  return id === undefined ? [null, null] : [before?.get(id) ?? null, after?.get(id) ?? null];
}

/** Whether a change of an offer reaches a market: one that names a market reaches that one alone. */
function reaches(path: string, market: string, { markets, offers }: Policy, offer: string): boolean {
  const named = path
    .split('/')
    .slice(3)
    .filter((step) => Object.hasOwn(markets, step));
  if (named.length > 0) return named.includes(market);
  const sold = offers[offer]?.markets;
  return !sold || Object.hasOwn(sold, market);
}
