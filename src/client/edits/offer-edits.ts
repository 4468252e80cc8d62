import { rewardKindOf } from '../../core/offers/rewards/registry.ts';
import type { StartedOffer } from '../../core/offers/authoring/starter-offers.ts';
import { minorPerMajor, priceUnit } from '../../core/money/currency.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { Goal, LocalAmount, Offer, Policy, Reward } from '../../core/policy/types.ts';
import { spreadTarget } from '../../core/offers/authoring/target-table.ts';
import type { Edit } from './edit.ts';
import { setTarget } from './edits.ts';
import { freshId, inTurn, setAt, valueAt } from './set-at.ts';

export const setOffer = (offer: string, field: keyof Offer, value: unknown): Edit =>
  setAt(['offers', offer, field], value);

/** An offer put at the end of the list, with its texts. */
export const addOffer = (id: string, { offer, wording }: Pick<StartedOffer, 'offer' | 'wording'>): Edit =>
  inTurn(
    (policy) => setAt(['offers', id], { order: orderAfterLast(policy.offers), ...offer } satisfies Offer)(policy),
    Object.keys(wording).length > 0 ? setAt(['wording', id], wording) : () => [],
  );

/** The same offer once more, off, with its texts. Codes go along: both unlock by them until they are changed. */
export const duplicateOffer =
  (id: string, copy: string): Edit =>
  (policy) => {
    const offer = policy.offers[id];
    if (!offer) return [];
    const { order: _, archived: __, ...rest } = offer;
    return addOffer(copy, {
      offer: { ...rest, name: `${offer.name.slice(0, 110)}, copy`, on: false },
      wording: policy.wording[id] ?? {},
    })(policy);
  };

/** Sets an offer aside, off, or takes it out of the archive again, off as it was. */
export const archiveOffer = (id: string, archived: boolean): Edit =>
  inTurn(setOffer(id, 'on', false), setOffer(id, 'archived', archived ? true : undefined));

/** Takes an offer out with its texts, and what test carts recorded of it. */
export const removeOffer =
  (id: string): Edit =>
  (policy) =>
    inTurn(
      setAt(['wording', id], undefined),
      setAt(['textNotes', id], undefined),
      ...Object.entries(policy.testCarts).flatMap(([cart, { redemptions }]) =>
        redemptions?.[id] ? [setAt(['testCarts', cart, 'redemptions', id], undefined)] : [],
      ),
      setAt(['offers', id], undefined),
    )(policy);

/** Offers by priority, the highest first; among equals as they are listed. */
export const byPriority = (policy: Policy): [id: string, offer: Offer][] =>
  inOrder(policy.offers)
    .map(([id, offer]): [string, Offer] => [id, offer])
    .sort(([, a], [, b]) => b.priority - a.priority);

/** A priority between two others, or beside the only one. */
function priorityBetween(above: number | undefined, below: number | undefined): number {
  if (above === undefined) return (below ?? 0) + 10;
  return below === undefined ? above - 10 : Math.floor((above + below) / 2);
}

/** Puts an offer some places further in the order of priority; only those whose place changes get another number. */
export const movePriority =
  (id: string, by: number): Edit =>
  (policy) => {
    const ranked = byPriority(policy);
    const from = ranked.findIndex(([other]) => other === id);
    const moved = ranked[from];
    if (!moved) return [];
    const rest = ranked.filter(([other]) => other !== id);
    const to = Math.max(0, Math.min(rest.length, from + by));
    const [above, below] = [rest[to - 1]?.[1].priority, rest[to]?.[1].priority];
    const fits = priorityBetween(above, below);
    if ((above === undefined || fits < above) && (below === undefined || fits > below) && Math.abs(fits) <= 1000)
      return setOffer(id, 'priority', fits)(policy);
    // No whole number lies between the neighbours: those above are pushed up as far as they stand in the way, or those below
    // down, whichever changes fewer.
    const changes = [
      pushed(rest.slice(0, to).reverse(), (below ?? 0) + 1, 1),
      pushed(rest.slice(to), (above ?? 0) - 1, -1),
    ].filter((list) => list.every(({ priority }) => Math.abs(priority) <= 1000));
    const fewest = changes.sort((a, b) => a.length - b.length)[0];
    return fewest
      ? fewest.flatMap(({ id: other, priority }) => setOffer(other ?? id, 'priority', priority)(policy))
      : [];
  };

/** The moved offer (without an id) at a priority, and the offers beyond it that this one would meet, each one further. */
function pushed(
  beyond: readonly (readonly [string, Offer])[],
  priority: number,
  by: 1 | -1,
): { id?: string; priority: number }[] {
  const list: { id?: string; priority: number }[] = [{ priority }];
  let taken = priority;
  for (const [id, offer] of beyond) {
    if ((offer.priority - taken) * by > 0) break;
    taken += by;
    list.push({ id, priority: taken });
  }
  return list;
}

const goalsAt = (offer: string, ...steps: string[]) => ['offers', offer, 'goals', ...steps];

/** A goal above the highest one, half as much again, with the same rewards to be changed. */
export const addGoal =
  (offer: string): Edit =>
  (policy) => {
    const goals = policy.offers[offer]?.goals ?? {};
    const last = inOrder(goals).at(-1)?.[1];
    if (!last) return [];
    const targets = Object.fromEntries(
      Object.entries(last.targets).map(([market, target]) => [
        market,
        halfAsMuchMore(target, policy.markets[market]?.currency ?? 'EUR'),
      ]),
    );
    return setAt(goalsAt(offer, freshId('goal', goals)), {
      ...last,
      order: orderAfterLast(goals),
      targets,
    } satisfies Goal)(policy);
  };

const roundUp = (amount: number, step: number) => Math.ceil(amount / step) * step;

/** A target half as high again: amounts in whole units of the currency, counts by one at least. */
function halfAsMuchMore(target: Goal['targets'][string], currency: string): Goal['targets'][string] {
  if ('count' in target) return { count: Math.max(Math.ceil(target.count * 1.5), target.count + 1) };
  if ('exact' in target) return { exact: roundUp(Math.max(1, target.exact * 1.5), minorPerMajor(currency)) };
  return { following: { ...target.following, base: Math.ceil(target.following.base * 1.5) } };
}

/** All targets of a goal at once. */
export const setTargets = (offer: string, goal: string, targets: Goal['targets']): Edit =>
  setAt(goalsAt(offer, goal, 'targets'), targets);

/** Filled-in amounts are multiples of so many units of a price tag. */
const filledStep = 5;

/** One market's goal put into another: converted and rounded, or not offered there either. */
export const fillTarget =
  (offer: string, goal: string, from: string, to: string): Edit =>
  (policy) => {
    const set = policy.offers[offer]?.goals[goal];
    if (!set) return [];
    if (!set.targets[from]) return setTarget(offer, goal, to, null)(policy);
    return setTargets(offer, goal, spreadTarget(from, set, [to], filledStep, policy))(policy);
  };

export const removeGoal = (offer: string, goal: string): Edit => setAt(goalsAt(offer, goal), undefined);

/** Moves what a goal gives some goals up or down. The amounts stay where they are, so that goals always ascend. */
export const moveGoal =
  (offer: string, goal: string, by: number): Edit =>
  (policy) => {
    const goals = inOrder(policy.offers[offer]?.goals ?? {});
    const from = goals.findIndex(([id]) => id === goal);
    const gives = goals.map(([, { rewards }]) => rewards);
    const [moved] = gives.splice(from, 1);
    if (from < 0 || !moved) return [];
    gives.splice(Math.max(0, Math.min(gives.length, from + by)), 0, moved);
    return goals.flatMap(([id, { rewards }], index) =>
      rewards === gives[index] ? [] : setAt(goalsAt(offer, id, 'rewards'), gives[index])(policy),
    );
  };

/** What a goal counts. Amounts become counts, or counts amounts, where that is another kind of thing. */
export const setMeasure =
  (offer: string, goal: string, measure: Goal['measure']): Edit =>
  (policy) => {
    const now = policy.offers[offer]?.goals[goal];
    if (!now) return [];
    const number = inOrder(policy.offers[offer]!.goals).findIndex(([id]) => id === goal) + 1;
    const target = (market: string): Goal['targets'][string] => {
      if (measure.kind === 'items') return { count: 2 + number };
      if (measure.kind === 'weight') return { count: 5000 * number };
      return { exact: 50 * number * priceUnit(policy.markets[market]?.currency ?? 'EUR') };
    };
    const sameKind = measure.kind === now.measure.kind;
    return inTurn(
      setAt(goalsAt(offer, goal, 'measure'), measure),
      ...(sameKind
        ? []
        : [
            setAt(
              goalsAt(offer, goal, 'targets'),
              Object.fromEntries(Object.keys(now.targets).map((market) => [market, target(market)])),
            ),
          ]),
    )(policy);
  };

type Unplaced<T> = T extends unknown ? Omit<T, 'order'> : never;

/** A reward of another kind on the same options; amounts begin at two of the base currency's units, which other currencies follow. */
export function rewardOfKind(
  kind: Reward['kind'],
  before: Reward | null,
  policy: Policy,
  product: string,
): Unplaced<Reward> {
  const on = before && 'on' in before ? before.on : { by: 'kind' as const, kinds: ['parcel' as const] };
  const delivery = {
    on,
    coversOwnDelivery: before && 'coversOwnDelivery' in before ? before.coversOwnDelivery : false,
  };
  const { baseCurrency } = policy.store;
  const two = Object.fromEntries(
    Object.entries(policy.markets).map(([id, { currency }]): [string, LocalAmount] => {
      const unit = priceUnit(currency);
      const follows = currency !== baseCurrency && policy.rates?.[currency] !== undefined;
      return [
        id,
        follows
          ? {
              following: {
                base: 2 * minorPerMajor(baseCurrency),
                buffer: '0',
                round: 'nearest',
                step: Math.max(1, unit / 10),
                less: 0,
              },
            }
          : { exact: 2 * unit },
      ];
    }),
  );
  return rewardKindOf({ kind }).begin({ ...delivery, two, product });
}

export const addReward =
  (offer: string, goal: string, reward: Unplaced<Reward>): Edit =>
  (policy) => {
    const rewards = policy.offers[offer]?.goals[goal]?.rewards ?? {};
    return setAt(goalsAt(offer, goal, 'rewards', freshId('reward', rewards)), {
      order: orderAfterLast(rewards),
      ...reward,
    })(policy);
  };

/** Puts a reward in another's place, keeping its place in the order. */
export const setReward =
  (offer: string, goal: string, id: string, reward: Unplaced<Reward>): Edit =>
  (policy) => {
    const order = policy.offers[offer]?.goals[goal]?.rewards[id]?.order;
    return order === undefined ? [] : setAt(goalsAt(offer, goal, 'rewards', id), { order, ...reward })(policy);
  };

/** A market's amount in a table of amounts of an offer; no other market's is touched. Without the last amount there is no table. */
export const setAmountIn =
  (place: readonly string[], market: string, amount: LocalAmount | undefined): Edit =>
  (policy) => {
    const table = valueAt<Record<string, LocalAmount>>(policy, place);
    if (amount) return setAt([...place, market], amount)(policy);
    return setAt(Object.keys(table ?? {}).every((id) => id === market) ? place : [...place, market], undefined)(policy);
  };

/** By what an offer is unlocked. Codes are kept where it still asks for some; one that asks for none yet begins with `code`. */
export const setUnlock =
  (offer: string, by: Offer['unlock']['by'], code: string): Edit =>
  (policy) => {
    const unlock = policy.offers[offer]?.unlock;
    if (!unlock) return [];
    return setOffer(
      offer,
      'unlock',
      by === 'amount' ? { by } : { by, codes: unlock.by === 'amount' ? { [code]: true } : unlock.codes },
    )(policy);
  };

export const addCodes =
  (offer: string, codes: readonly string[]): Edit =>
  (policy) => {
    const unlock = policy.offers[offer]?.unlock;
    if (!unlock || unlock.by === 'amount') return [];
    return setAt(['offers', offer, 'unlock', 'codes'], {
      ...unlock.codes,
      ...Object.fromEntries(codes.map((code) => [code, true])),
    })(policy);
  };
