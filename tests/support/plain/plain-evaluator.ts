import type { EvaluationInput } from '../../../src/core/evaluation/evaluation.ts';
import type {
  DeliveryOption,
  Goal,
  Offer,
  OptionSelection,
  Policy,
  Reward,
  Schedule,
} from '../../../src/core/policy/types.ts';
import {
  amountHere,
  clockFace,
  minorOf,
  percentOf,
  round,
  sorted,
  split,
  sum,
  taxInside,
  toIncrement,
} from './basics.ts';
import {
  among,
  chargeable,
  hasOwnPrice,
  isOrdinary,
  parcels,
  plainCart,
  sizes,
  valueIn,
  type PlainCart,
  type PlainLine,
} from './cart.ts';
import { holds, type Asked } from './conditions.ts';
import { marketOf, zoneOf, withToldRegion } from './places.ts';

/**
 * A second evaluator, written from the description of what the computation means and sharing no code with the first:
 * slow and plain, in exact fractions of BigInt. Compared with the first on random policies and carts.
 */
export interface PlainAnswer {
  market: string | null;
  zone: string | null;
  /** all options of random policies take one to two working days */
  options: {
    id: string;
    before: number;
    after: number;
    tax: number;
    setBy: string[];
    leaves: string;
    latest: string;
  }[];
  unavailable: string[];
  goals: {
    offer: string;
    goal: string;
    status: string;
    counted: number;
    target: number | null;
    remaining: number | null;
    percent: number;
    reached: boolean;
  }[];
  /** what is read in the strip and in the cart, in en-GB; the offer that says it leads its text */
  read: { strip: string | null; cart: string | null };
  gifts: string[];
  preselected: string | null;
  totals: { goods: number; goodsReward: number; delivery: number; tax: number; toPay: number } | null;
}

interface Parts {
  base: number;
  own: number;
}
const whole = ({ base, own }: Parts) => base + own;
/** What is paid: the cash increment, once, after everything. */
const paid = (parts: Parts, { policy, marketId }: PlainCart) =>
  toIncrement(whole(parts), policy.markets[marketId]!.cashIncrement);

export function plainEvaluate(policy: Policy, given: EvaluationInput): PlainAnswer {
  const input = { ...given, destination: withToldRegion(given.destination) };
  const nothing: PlainAnswer = {
    market: null,
    zone: null,
    options: [],
    unavailable: [],
    goals: [],
    read: { strip: null, cart: null },
    gifts: [],
    preselected: null,
    totals: null,
  };
  const marketId = input.market ?? marketOf(policy, input.destination);
  if (marketId === null || !policy.markets[marketId]) return nothing;
  const market = policy.markets[marketId];
  const cart = plainCart(policy, marketId, input);
  const shownWithTax = market.tax.prices === 'withTax';
  const taxOf = (amount: number, rate: string) => (shownWithTax ? taxInside(amount, rate) : percentOf(amount, rate));
  const goods = sum(cart.lines.map(({ after }) => after));
  const totals = (off: number[], delivery: number, deliveryTax: number) => {
    const tax = deliveryTax + sum(cart.lines.map((line, i) => taxOf(line.after - (off[i] ?? 0), line.rate)));
    return {
      goods,
      goodsReward: sum(off),
      delivery,
      tax,
      toPay: goods - sum(off) + delivery + (shownWithTax ? 0 : tax),
    };
  };
  const zoneId = zoneOf(policy, marketId, input.destination);
  if (!zoneId) return { ...nothing, market: marketId, totals: totals([], 0, 0) };

  const asked: Asked = { cart, input, zoneId };
  const options = sorted(policy.options).filter(({ item }) => item.zone === zoneId && item.on);
  const offers = sorted(policy.offers)
    .sort((a, b) => b.item.priority - a.item.priority)
    .flatMap(({ id, item }) => offerHere(id, item, options, asked));
  const active = activeOf(offers);
  const answer: PlainAnswer = {
    ...nothing,
    market: marketId,
    zone: zoneId,
    goals: offers.flatMap(({ id, status, goals }) =>
      goals.map(({ id: goal, counted, target, remaining, percent, reached }) => ({
        offer: id,
        goal,
        status,
        counted,
        target,
        remaining,
        percent,
        reached,
      })),
    ),
  };
  answer.gifts = active.flatMap(({ rewards }) =>
    rewards.flatMap(({ reward }) => (reward.kind === 'gift' ? [`${reward.quantity} ${reward.product}`] : [])),
  );

  const barred = cart.lines.some(
    ({ product }) =>
      product.notTo.includes(input.destination.country) || product.notTo.includes(input.destination.region ?? '-'),
  );
  const needsDelivery = cart.lines.some(({ product }) => product.needsDelivery);
  const befores: { id: string; before: Parts }[] = [];
  if (!barred && !(cart.lines.length > 0 && !needsDelivery)) {
    for (const { id, item } of options) {
      const before = priceBefore(item, asked);
      if (before === null) answer.unavailable.push(id);
      else befores.push({ id, before });
    }
  }
  const priced = pricesUnder(befores, active, asked);
  const preparation = Math.max(
    0,
    ...cart.lines.filter(({ product }) => product.needsDelivery).map(({ product }) => product.preparationDays),
  );
  const region = input.destination.region ? market.tax.regions?.[input.destination.region] : undefined;
  const deliveryRate = region?.delivery ?? market.tax.delivery;
  answer.options = priced.map(({ id, before, after, setBy }) => ({
    id,
    before: paid(before, cart),
    after: paid(after, cart),
    tax: taxOf(paid(after, cart), deliveryRate),
    setBy: paid(after, cart) < paid(before, cart) ? setBy : [],
    leaves: daysOn(asked, preparation),
    latest: daysOn(asked, preparation + 2),
  }));
  const cheapest = Math.min(...answer.options.map(({ after }) => after));
  const chosen =
    answer.options.find(({ id }) => id === input.earlier?.option) ??
    answer.options.find(({ after }) => market.preselect === 'first' || after === cheapest);
  answer.preselected = chosen?.id ?? null;
  answer.totals = totals(goodsOff(active, cart), chosen?.after ?? 0, chosen?.tax ?? 0);
  answer.read = read(offers, { answer, priced, active, asked, options });
  return answer;
}

/** The day so many days from Monday to Friday after the first of them on which an order may leave, by the store's clock. */
function daysOn({ cart, input }: Asked, count: number): string {
  const { timeZone } = cart.policy.store;
  let noon = Date.parse(`${clockFace(timeZone, input.instant).day}T12:00Z`);
  const isWeekend = () => [0, 6].includes(new Date(noon).getUTCDay());
  const next = () => (noon += 86_400_000);
  while (isWeekend()) next();
  for (let left = count; left > 0; left--) {
    next();
    while (isWeekend()) next();
  }
  return new Date(noon).toISOString().slice(0, 10);
}

function within(schedule: Schedule | undefined, { cart, input }: Asked): 'before' | 'in' | 'after' {
  if (!schedule) return 'in';
  const { policy, marketId } = cart;
  const zone =
    schedule.readIn === 'store'
      ? policy.store.timeZone
      : schedule.readIn === 'market'
        ? (policy.markets[marketId]!.timeZone ?? policy.store.timeZone)
        : schedule.readIn;
  const now = clockFace(zone, input.instant).text;
  if (schedule.from !== undefined && now < schedule.from) return 'before';
  return schedule.until !== undefined && now >= schedule.until ? 'after' : 'in';
}

/** The charge, handling, cash increment, own prices; null when the option cannot be chosen. */
function priceBefore(option: DeliveryOption, asked: Asked): Parts | null {
  const { cart } = asked;
  const { marketId, policy, lines } = cart;
  if (option.channels && !option.channels.includes(cart.channel)) return null;
  if (within(option.schedule, asked) !== 'in' || (option.when && !holds(option.when, asked))) return null;
  const ownSum = sum(
    lines
      .filter((line) => hasOwnPrice(line, marketId))
      .map(({ product, quantity }) => (product.ownDelivery![marketId] as number) * quantity),
  );
  const own = option.kind === 'pickUp' ? 0 : ownSum;
  if (option.kind === 'parcel' && lines.length > 0 && !lines.some((line) => isOrdinary(line, marketId)))
    return { base: 0, own };
  const price = chargeOf(option, asked);
  if (price === null) return null;
  const { handling } = option.charge;
  const added = !handling
    ? 0
    : 'amount' in handling
      ? minorOf(handling.amount, policy, marketId)
      : percentOf(price, handling.percent);
  return { base: price + added, own };
}

function chargeOf({ charge, packing }: DeliveryOption, asked: Asked): number | null {
  const { cart, input } = asked;
  const { marketId, policy, lines } = cart;
  const ordinary = lines.filter((line) => isOrdinary(line, marketId));
  const looked = lines.filter((line) => !line.product.needsDelivery || isOrdinary(line, marketId));
  const filled = sizes(ordinary);
  const packed = parcels(ordinary, packing ?? policy.store.packing);
  const measure: Record<string, number> = {
    goodsValue: sum(looked.map(({ after }) => after)),
    ...filled,
    weight: sum(packed.map(({ grams }) => grams)),
    chargeableWeight: sum(
      packed.map(({ grams, cubicMm }) =>
        chargeable({ weight: grams, volume: Math.ceil(cubicMm / 1000) }, charge.volumeDivisor ?? 5000),
      ),
    ),
    parcels: packed.length,
  };
  const minor = (value: number | Parameters<typeof minorOf>[0]) =>
    typeof value === 'number' ? value : minorOf(value, policy, marketId);
  const prices = sorted(charge.lines).flatMap(({ item: { over, when, price } }) => {
    if (when && !holds(when, asked)) return [];
    if (
      over &&
      !(measure[over.measure]! >= minor(over.from) && (over.to === null || measure[over.measure]! < minor(over.to)))
    )
      return [];
    if ('carrier' in price) {
      const quote = input.quotes?.[price.carrier] ?? null;
      if (quote === null) return price.fallback ? [minor(price.fallback)] : [];
      const [w = '0', d = ''] = (price.marginPercent ?? '0').split('.');
      const hundred = 100n * 10n ** BigInt(d.length);
      return [
        round(BigInt(quote) * (hundred + BigInt(w + d)), hundred) + (price.marginFixed ? minor(price.marginFixed) : 0),
      ];
    }
    let value: number;
    if ('percent' in price)
      value = percentOf(sum(looked.map((line) => valueIn(line, price.basis, cart))), price.percent);
    else {
      value = minor(price.fixed);
      if (price.perUnit) {
        const { measure: of, amount, per, started } = price.perUnit;
        const beyond = Math.max(
          0,
          measure[of]! - (over && over.measure === of && !price.perUnit.countsFrom ? minor(over.from) : 0),
        );
        value += started
          ? Math.ceil(beyond / per) * minor(amount)
          : round(BigInt(beyond) * BigInt(minor(amount)), BigInt(per));
      }
    }
    if (price.min) value = Math.max(value, minor(price.min));
    if (price.max) value = Math.min(value, minor(price.max));
    return [value];
  });
  if (prices.length === 0) return charge.otherwise.kind === 'price' ? minor(charge.otherwise.price) : null;
  return { first: prices[0]!, sum: sum(prices), highest: Math.max(...prices), lowest: Math.min(...prices) }[
    charge.combine
  ];
}

const selected = (on: OptionSelection, id: string, option: DeliveryOption): boolean =>
  on.by === 'all' ||
  (on.by === 'kind' && on.kinds.includes(option.kind)) ||
  (on.by === 'tag' && on.tags.some((tag) => option.tags?.includes(tag) ?? false)) ||
  (on.by === 'list' && Object.keys(on.options).includes(id));

interface OfferHere {
  id: string;
  offer: Offer;
  status: string;
  goals: {
    id: string;
    then: string;
    rewards: Reward[];
    counted: number;
    target: number | null;
    remaining: number | null;
    percent: number;
    reached: boolean;
    measure: Goal['measure']['kind'];
  }[];
}

function offerHere(
  id: string,
  offer: Offer,
  options: { id: string; item: DeliveryOption }[],
  asked: Asked,
): OfferHere[] {
  const { cart, input } = asked;
  const { policy, marketId } = cart;
  if (!offer.on || (offer.markets && !offer.markets[marketId])) return [];
  const codes = 'codes' in offer.unlock ? Object.keys(offer.unlock.codes) : [];
  const entered = codes.some((code) => cart.codes.includes(code));
  const used = input.redemptions?.[id];
  const when = within(offer.schedule, asked);
  const needsCode = offer.unlock.by === 'code' || offer.unlock.by === 'amountAndCode';
  const usedUp =
    (used?.inAll ?? 0) >= (offer.limits?.inAll ?? Infinity) ||
    (used?.byShopper ?? 0) >= (offer.limits?.perShopper ?? Infinity);
  const forShopper = !offer.when || holds(offer.when, asked);
  const status =
    when === 'before'
      ? 'notYet'
      : when === 'after'
        ? 'over'
        : !forShopper
          ? 'notForShopper'
          : usedUp
            ? 'usedUp'
            : needsCode && !entered
              ? 'needsCode'
              : 'inForce';
  const goals = sorted(offer.goals).flatMap(({ id: goalId, item: goal }) => {
    const wanted = goal.targets[marketId];
    const target =
      offer.unlock.by === 'code' || !wanted
        ? null
        : 'count' in wanted
          ? wanted.count
          : minorOf(wanted, policy, marketId);
    if (target === null && offer.unlock.by !== 'code') return [];
    const rewards = sorted(goal.rewards)
      .map(({ item }) => item)
      .filter((reward) => !('on' in reward) || options.some((option) => selected(reward.on, option.id, option.item)));
    if (rewards.length === 0) return [];
    const counted = countedIn(goal, cart);
    const enough = target !== null && counted >= target;
    const reached =
      status === 'inForce' &&
      (enough || (entered && (offer.unlock.by === 'code' || offer.unlock.by === 'amountOrCode')));
    const percent = reached
      ? 100
      : target === null || target === 0
        ? 0
        : Math.min(99, Number((100n * BigInt(counted)) / BigInt(target)));
    const remaining = reached
      ? 0
      : status !== 'inForce' || target === null
        ? null
        : remainder(goal, offer, target, counted, asked);
    return [
      {
        id: goalId,
        then: goal.then,
        rewards,
        counted,
        target,
        remaining,
        percent,
        reached,
        measure: goal.measure.kind,
      },
    ];
  });
  return goals.length > 0 ? [{ id, offer, status, goals }] : [];
}

function countedIn({ goods, measure }: Goal, cart: PlainCart): number {
  const counting = cart.lines.filter(
    (line) =>
      line.product.countsTowardGoals && (!goods || line.joker || among(line, goods, cart.policy, cart.marketId)),
  );
  if (measure.kind === 'items') return sum(counting.map(({ quantity }) => quantity));
  if (measure.kind !== 'countedValue')
    return sum(
      counting
        .filter(({ product }) => product.needsDelivery)
        .map(({ product, quantity }) => (product.weightGrams ?? 0) * quantity),
    );
  return sum(counting.map((line) => valueIn(line, measure.basis, cart)));
}

/** Goods that bring what is missing, as a line of the cart: several pieces only where one would be too dear to count. */
function bringing(
  missing: number,
  goal: Goal,
  asked: Asked,
): { product: PlainLine['product']; quantity: number; unit: number } | null {
  const { cart } = asked;
  const { policy, marketId } = cart;
  const { goods } = goal;
  const from = goods?.unitPriceFrom ? (amountHere(goods.unitPriceFrom, policy, marketId) ?? Infinity) : 0;
  const below = goods?.unitPriceBelow ? (amountHere(goods.unitPriceBelow, policy, marketId) ?? 0) : Infinity;
  if (from === Infinity || from >= below) return null;
  const like = cart.lines.find(
    (line) =>
      line.product.countsTowardGoals && isOrdinary(line, marketId) && (!goods || among(line, goods, policy, marketId)),
  );
  const named = {
    ...(goods?.products ? { id: goods.products[0]! } : {}),
    categories: goods?.categories?.slice(0, 1) ?? [],
    tags: goods?.tags?.slice(0, 1) ?? [],
  };
  const product = { ...(like?.product ?? { ...plainArticle, ...named }), taxClass: 'standard' };
  if (goal.measure.kind === 'countedValue') {
    if (below === 1) return null;
    let pieces = 1;
    while (missing >= below && pieces * (below - 1) < missing) pieces++;
    return { product, quantity: pieces, unit: Math.max(from, Math.ceil(missing / pieces)) };
  }
  const unit = like?.unit ?? from;
  return goal.measure.kind === 'items'
    ? { product, quantity: missing, unit }
    : { product: { ...product, weightGrams: missing }, quantity: 1, unit };
}

function withGoods({ product, quantity, unit }: NonNullable<ReturnType<typeof bringing>>, asked: Asked): Asked {
  const { cart, input } = asked;
  const lines = [...input.cart.lines, { product: { ...product, prices: { [cart.marketId]: unit } }, quantity }];
  return { ...asked, cart: plainCart(cart.policy, cart.marketId, { ...input, cart: { ...input.cart, lines } }) };
}

/** Tries one price after the other: the first from which every price of one more article reaches the goal, whichever discounts on goods it is among. */
function remainder(goal: Goal, offer: Offer, target: number, counted: number, asked: Asked): number | null {
  const { cart, input } = asked;
  if (cart.lines.length > 0 && !cart.lines.some(({ product }) => product.needsDelivery)) return null;
  const money = goal.measure.kind === 'countedValue';
  let found = money ? lowestPrice(goal, target, asked) : target - counted;
  if (found === null) return null;
  const goods = bringing(found, goal, asked);
  if (goods === null) return null;
  const discounts = input.cart.discounts ?? [];
  if (goal.measure.kind === 'countedValue' && goods.quantity > 1) {
    const shown = cart.policy.markets[cart.marketId]!.tax.prices === 'withTax' ? 'WithTax' : 'WithoutTax';
    const converts = !goal.measure.basis.endsWith('AsShown') && !goal.measure.basis.endsWith(shown);
    if (converts || (discounts.length > 0 && goal.measure.basis.startsWith('after'))) return null;
  }
  if (money && goal.goods?.unitPriceFrom)
    found = Math.max(found, goods.quantity * amountHere(goal.goods.unitPriceFrom, cart.policy, cart.marketId)!);
  const before = sum(cart.lines.map((line) => line.before)) + (money ? found : goods.unit * goods.quantity);
  if (cart.applying.some((index) => before >= (discounts[index]!.below ?? Infinity))) return null;
  if (offer.when && looksAtCart(offer.when, cart.policy) && !holds(offer.when, withGoods(goods, asked))) return null;
  return found;
}

function lowestPrice(goal: Goal, target: number, { cart, input }: Asked): number | null {
  const { policy, marketId } = cart;
  const discounts = input.cart.discounts ?? [];
  // Discounts on certain goods: the article is among those of each, or not.
  const naming = discounts.flatMap(({ goods }, index) => (goods ? [index] : []));
  const cases = Array.from({ length: 2 ** naming.length }, (_, bits) =>
    naming.filter((__, position) => Math.floor(bits / 2 ** position) % 2 === 1),
  );
  const countedAt = (price: number) =>
    Math.min(
      ...cases.map((inThese) => {
        const line: PlainLine = {
          product: plainArticle,
          quantity: 1,
          unit: price,
          before: price,
          after: price,
          rate: '0',
          joker: new Set(inThese),
        };
        return countedIn(goal, plainCart(policy, marketId, input, [line]));
      }),
    );
  const before = sum(cart.lines.map((line) => line.before));
  const lastChange = Math.max(0, ...discounts.flatMap(({ from = 0, below = 0 }) => [from - before, below - before]));
  let found = 0;
  // Roundings move what is counted by less than this, so that beyond it every price reaches the goal.
  const margin = 10 + 4 * discounts.length + 2 * cart.lines.length;
  for (let price = 0; ; price++) {
    const reached = countedAt(price);
    if (reached < target) found = price + 1;
    if (reached >= target + margin && price > lastChange) break;
    if (price > 3_000_000) return null;
  }
  return found;
}

function looksAtCart(condition: Parameters<typeof holds>[0], policy: Policy): boolean {
  return Object.values(condition.conditions).some((node) => {
    if (node.kind === 'group') return looksAtCart(node, policy);
    if (node.kind === 'qualifier') return looksAtCart(policy.qualifiers[node.qualifier]!.condition, policy);
    return (
      ['goodsNumber', 'money', 'goodsMoney', 'contents'].includes(node.kind) ||
      (node.kind === 'number' && !node.fact.startsWith('shopper'))
    );
  });
}

const plainArticle: PlainLine['product'] = {
  id: '',
  sku: '',
  name: '',
  prices: {},
  taxClass: 'standard',
  preparationDays: 0,
  weightGrams: 0,
  sizeMm: null,
  categories: [],
  tags: [],
  needsDelivery: true,
  countsTowardGoals: true,
  shipsFree: false,
  ownDelivery: null,
  notTo: [],
};

type Active = { id: string; combines: boolean; rewards: { goal: string; reward: Reward }[] }[];

/** All that combine, one after the other, against each of the others alone. */
function rewarded(
  optionId: string,
  before: Parts,
  active: Active,
  asked: Asked,
  source: (on: OptionSelection) => Parts | null,
): { after: Parts; setBy: string[] } {
  const option = asked.cart.policy.options[optionId]!;
  const apply = (start: Parts, { id, rewards }: Active[number]): { parts: Parts; took: boolean; by: string[] } => {
    let parts = start;
    let took = false;
    let by: string[] = [];
    for (const { goal, reward } of rewards) {
      if (!('on' in reward) || !selected(reward.on, optionId, option)) continue;
      const next = byReward(reward, parts, before, asked, source);
      if (next === null) continue;
      took = true;
      if (whole(next) < whole(parts)) by = [`${id}/${goal}`];
      parts = next;
    }
    return { parts, took, by };
  };
  const candidates: { parts: Parts; setBy: string[]; rank: number }[] = [];
  let together: { parts: Parts; setBy: string[]; rank: number } | null = null;
  active.forEach((offer, rank) => {
    if (!offer.combines) {
      const alone = apply(before, offer);
      if (alone.by.length > 0) candidates.push({ parts: alone.parts, setBy: alone.by, rank });
      return;
    }
    const { parts, took, by } = apply(together?.parts ?? before, offer);
    if (took) together = { parts, setBy: [...(together?.setBy ?? []), ...by], rank: together?.rank ?? rank };
  });
  if (together) candidates.push(together);
  const best = candidates
    .filter(({ parts }) => whole(parts) < whole(before))
    .sort((a, b) => whole(a.parts) - whole(b.parts) || a.rank - b.rank)[0];
  return best ? { after: best.parts, setBy: best.setBy } : { after: before, setBy: [] };
}

function byReward(
  reward: Extract<Reward, { on: OptionSelection }>,
  parts: Parts,
  before: Parts,
  { cart }: Asked,
  source: (on: OptionSelection) => Parts | null,
): Parts | null {
  const { policy, marketId } = cart;
  const here = (amounts: Parameters<typeof amountHere>[0]) => amountHere(amounts, policy, marketId)!;
  if (reward.cap && paid(before, cart) > here(reward.cap)) return null;
  const covers = reward.coversOwnDelivery;
  const subject = covers ? whole(parts) : parts.base;
  let price: number;
  if (reward.kind === 'deliveryFree') price = 0;
  else if (reward.kind === 'deliveryAt') price = here(reward.price);
  else if (reward.kind === 'deliveryLessPercent') price = subject - percentOf(subject, reward.percent);
  else if (reward.kind === 'deliveryLessAmount') price = subject - here(reward.amount);
  else {
    const from = source(reward.priceOf);
    if (from === null) return null;
    price = covers ? whole(from) : from.base;
  }
  price = Math.max(0, Math.min(subject, price));
  const off = subject - price;
  if (!covers) return { base: price, own: parts.own };
  return { base: Math.max(0, parts.base - off), own: parts.own - Math.max(0, off - parts.base) };
}

function goodsOff(active: Active, { lines, policy, marketId }: PlainCart): number[] {
  const none = lines.map(() => 0);
  const apply = (start: number[], { rewards }: Active[number]): number[] => {
    const off = [...start];
    for (const { reward } of rewards) {
      if (reward.kind !== 'goodsLessPercent') continue;
      const left = lines.map((line, i) =>
        !reward.goods || among(line, reward.goods, policy, marketId) ? line.after - off[i]! : 0,
      );
      split(percentOf(sum(left), reward.percent), left).forEach((part, i) => (off[i]! += part));
    }
    return off;
  };
  const together = active.filter(({ combines }) => combines).reduce(apply, none);
  const togetherRank = active.findIndex(
    ({ combines, rewards }) => combines && rewards.some(({ reward }) => reward.kind === 'goodsLessPercent'),
  );
  const candidates = [
    { off: together, rank: togetherRank < 0 ? Infinity : togetherRank },
    ...active.flatMap((offer, rank) => (offer.combines ? [] : [{ off: apply(none, offer), rank }])),
  ];
  return candidates.sort((a, b) => sum(b.off) - sum(a.off) || a.rank - b.rank)[0]!.off;
}

interface Deciding {
  answer: PlainAnswer;
  priced: { id: string; before: Parts; after: Parts; setBy: string[] }[];
  active: Active;
  asked: Asked;
  options: { id: string; item: DeliveryOption }[];
}

/** What is paid and given: prices by option, what comes off the goods, pieces of gifts by product. */
interface Given {
  paid: Record<string, number>;
  before: Record<string, number>;
  off: number;
  gifts: Record<string, number>;
}

/** All prices under some offers, upgrades last. */
function pricesUnder(
  befores: { id: string; before: Parts }[],
  active: Active,
  asked: Asked,
): { id: string; before: Parts; after: Parts; setBy: string[] }[] {
  const priced = befores.map(({ id, before }) => ({ id, before, ...rewarded(id, before, active, asked, () => null) }));
  const slower = structuredClone(priced);
  return priced.map((entry) => {
    const source = (on: OptionSelection): Parts | null => {
      const found = slower.filter(({ id }) => id !== entry.id && selected(on, id, asked.cart.policy.options[id]!));
      return found.reduce<Parts | null>(
        (lowest, { after }) => (lowest === null || whole(after) < whole(lowest) ? after : lowest),
        null,
      );
    };
    return { ...entry, ...rewarded(entry.id, entry.before, active, asked, source) };
  });
}

function givenUnder(befores: { id: string; before: Parts }[], active: Active, asked: Asked): Given {
  const gifts: Record<string, number> = {};
  for (const { rewards } of active)
    for (const { reward } of rewards)
      if (reward.kind === 'gift') gifts[reward.product] = (gifts[reward.product] ?? 0) + reward.quantity;
  const priced = pricesUnder(befores, active, asked);
  return {
    paid: Object.fromEntries(priced.map(({ id, after }) => [id, paid(after, asked.cart)])),
    before: Object.fromEntries(priced.map(({ id, before }) => [id, paid(before, asked.cart)])),
    off: sum(goodsOff(active, asked.cart)),
    gifts,
  };
}

const better = (was: Given, is: Given): boolean =>
  Object.keys(is.paid).some((id) => is.paid[id]! < was.paid[id]!) ||
  is.off > was.off ||
  Object.keys(is.gifts).some((product) => is.gifts[product]! > (was.gifts[product] ?? 0));

const isOn = (reward: Reward, id: string, { cart }: Asked): boolean =>
  'on' in reward && selected(reward.on, id, cart.policy.options[id]!);

/** Free is never said where nothing is free. */
function freeHolds(rewards: Reward[], given: Given, asked: Asked): boolean {
  const free = rewards.filter(({ kind }) => kind === 'deliveryFree');
  return (
    free.length === 0 ||
    free.some((reward) => Object.keys(given.paid).some((id) => isOn(reward, id, asked) && given.paid[id] === 0))
  );
}

/** Which rewards hold among offers that have these goals reached. */
function activeOf(offers: OfferHere[], also?: { offer: string; goal: string }): Active {
  return offers.flatMap(({ id, offer, status, goals }) => {
    if (status !== 'inForce') return [];
    let rewards: { goal: string; reward: Reward }[] = [];
    for (const goal of goals) {
      if (!goal.reached && !(also?.offer === id && also.goal === goal.id)) continue;
      const own = goal.rewards.map((reward) => ({ goal: goal.id, reward }));
      rewards = goal.then === 'replace' ? own : [...rewards, ...own];
    }
    return rewards.length > 0 ? [{ id, combines: offer.combines, rewards }] : [];
  });
}

/** What is promised is given once the goods are there. */
function comesTrue(offerId: string, goal: OfferHere['goals'][number], { asked, options }: Deciding): boolean {
  const { policy } = asked.cart;
  const stated = policy.offers[offerId]!.goals[goal.id]!;
  const goods = bringing(goal.remaining!, stated, asked);
  if (goods === null) return false;
  const then = withGoods(goods, asked);
  const offers = sorted(policy.offers)
    .sort((a, b) => b.item.priority - a.item.priority)
    .flatMap(({ id, item }) => offerHere(id, item, options, then));
  if (!offers.find(({ id }) => id === offerId)?.goals.find(({ id }) => id === goal.id)?.reached) return false;
  const befores = options.flatMap(({ id, item }) => {
    const before = priceBefore(item, then);
    return before === null ? [] : [{ id, before }];
  });
  const active = activeOf(offers);
  const given = givenUnder(befores, active, then);
  if (!freeHolds(goal.rewards, given, then)) return false;
  const setBy = Object.fromEntries(
    pricesUnder(befores, active, then).map(({ id, before, after, setBy: by }) => [
      id,
      paid(after, then.cart) < paid(before, then.cart) && by.length > 0,
    ]),
  );
  return goal.rewards.some((reward) => {
    if (reward.kind === 'gift') return (given.gifts[reward.product] ?? 0) > 0;
    if (reward.kind === 'goodsLessPercent') return given.off > 0;
    return befores.some(({ id, before }) => {
      if (!isOn(reward, id, then)) return false;
      if (reward.cap && given.before[id]! > amountHere(reward.cap, policy, then.cart.marketId)!) return false;
      if (reward.kind === 'upgrade') return setBy[id];
      const alone = byReward(reward, before, before, then, () => null);
      return alone !== null && given.paid[id]! <= paid(alone, then.cart);
    });
  });
}

/** Offers ahead by priority, those that ask less for as much before them; then those that give most; then those missed. */
function read(offers: OfferHere[], deciding: Deciding): PlainAnswer['read'] {
  const { answer, asked, active, priced } = deciding;
  const { policy } = asked.cart;
  if (answer.options.length === 0) return noticesIn([], [], deciding);
  const now = givenUnder(priced, active, asked);
  interface Speaker {
    offer: string;
    goal: OfferHere['goals'][number];
    state: string;
    leadsTo: Given;
  }
  const texts = (id: string, state: string): Record<string, Record<string, string>> | undefined =>
    (policy.wording[id] as Record<string, Record<string, Record<string, string>>> | undefined)?.[state];
  const instead: Record<string, string> = { invite: 'progress', nearly: 'progress', onward: 'progress' };
  /** A text that says free is read only where something is free by the goal. */
  const sayIn = (place: string, { offer, goal, state, leadsTo }: Speaker): string | null => {
    for (const written of [state, instead[state]]) {
      const text =
        written && (texts(offer, written)?.[place]?.['en-GB'] ?? texts(offer, written)?.everyPlace?.['en-GB']);
      if (!text) continue;
      const free = goal.rewards.some(
        (reward) =>
          reward.kind === 'gift' ||
          Object.keys(leadsTo.paid).some((id) => isOn(reward, id, asked) && leadsTo.paid[id] === 0),
      );
      if (text.startsWith('{reward')) return `${offer} ${written}`;
      if (text.startsWith('Free') && !free) return null;
      return text;
    }
    return null;
  };
  const hasText = (offer: string, state: string) =>
    [state, instead[state]].some((written) => written && texts(offer, written));
  const ahead = offers.flatMap(({ id, offer, status, goals }) => {
    const goal = goals.find(({ reached }) => !reached);
    if (status !== 'inForce' || !goal || goal.remaining === null) return [];
    const near = offer.nearly && 'share' in offer.nearly ? percentOf(goal.target!, offer.nearly.share) : null;
    const state = goals.some(({ reached }) => reached)
      ? 'onward'
      : goal.counted === 0
        ? 'invite'
        : near !== null && goal.remaining <= near
          ? 'nearly'
          : 'progress';
    const leadsTo = givenUnder(priced, activeOf(offers, { offer: id, goal: goal.id }), asked);
    if (!better(now, leadsTo) || !freeHolds(goal.rewards, leadsTo, asked) || !comesTrue(id, goal, deciding)) return [];
    if (!hasText(id, state)) return [];
    return [{ offer: id, goal, state, leadsTo }];
  });
  const queue: Speaker[] = [];
  for (const one of ahead) {
    const cheaper = ahead.filter(
      (other) =>
        other.goal.measure === one.goal.measure &&
        other.goal.remaining! < one.goal.remaining! &&
        !better(other.leadsTo, one.leadsTo),
    );
    queue.push(...cheaper.sort((a, b) => a.goal.remaining! - b.goal.remaining!), one);
  }
  const giving = offers.flatMap(({ id, status, goals }) => {
    if (status !== 'inForce') return [];
    const sets = answer.options.filter(({ setBy }) => setBy.some((by) => by.startsWith(`${id}/`)));
    const goodsBy = goodsSetBy(active, asked.cart).find((by) => by.startsWith(`${id}/`));
    const gift = active.find((one) => one.id === id)?.rewards.filter(({ reward }) => reward.kind === 'gift') ?? [];
    const by = new Set([
      ...sets.flatMap(({ setBy }) => setBy.filter((one) => one.startsWith(`${id}/`)).slice(0, 1)),
      ...(goodsBy ? [goodsBy] : []),
      ...gift.map(({ goal }) => `${id}/${goal}`),
    ]);
    const goal = goals.findLast((one) => by.has(`${id}/${one.id}`));
    if (!goal || !freeHolds(goal.rewards, now, asked)) return [];
    const rank = [
      sets.some((option) => option.id === answer.preselected) ? 1 : 0,
      sets.length,
      goodsBy ? 1 : 0,
      gift.length,
    ];
    return [{ offer: id, goal, state: 'reached', leadsTo: now, rank }];
  });
  giving.sort(
    (a, b) => b.rank.map((value, index) => value - a.rank[index]!).find((difference) => difference !== 0) ?? 0,
  );
  queue.push(...giving);
  const missed = offers.flatMap(({ id, status, goals }) =>
    status === 'notForShopper' || status === 'usedUp'
      ? [{ offer: id, goal: goals.at(-1)!, state: 'missedOut', leadsTo: now }]
      : [],
  );
  const said = (list: Speaker[]) => list.map((speaker) => (place: string) => sayIn(place, speaker));
  return noticesIn(said(queue), said(missed), deciding);
}

const shownKnown = new Map<string, number>();

/** The first minute at which a clock shows a moment, by walking toward it; once for each. */
function firstShown(zone: string, moment: string): number {
  const key = `${zone} ${moment}`;
  let at = shownKnown.get(key);
  if (at === undefined) {
    at = Date.parse(`${moment}Z`) - 26 * 3_600_000;
    while (clockFace(zone, at).text < moment) at += 60_000;
    shownKnown.set(key, at);
  }
  return at;
}

type Says = (place: string) => string | null;

/** Notices come after all offers that have something to say, and before those that the shopper misses out on. */
function noticesIn(before: Says[], after: Says[], { answer, asked, active }: Deciding): PlainAnswer['read'] {
  const { policy, marketId } = asked.cart;
  const { instant } = asked.input;
  const isFree =
    answer.options.some((option) => option.after === 0) ||
    active.some(({ rewards }) => rewards.some(({ reward }) => reward.kind === 'gift'));
  const notices = sorted(policy.notices ?? {})
    .sort((a, b) => b.item.priority - a.item.priority)
    .filter(({ item: { on, markets, when, schedule, countdown } }) => {
      if (!on || (markets && !markets[marketId]) || within(schedule, asked) !== 'in') return false;
      if (when && !holds(when, asked)) return false;
      if (countdown?.to !== 'moment') return true;
      const zone = countdown.readIn === 'store' ? policy.store.timeZone : countdown.readIn;
      const left = firstShown(zone, countdown.at) - instant;
      return left >= 60_000 && left <= (countdown.withinHours ?? Infinity) * 3_600_000;
    })
    .map(({ id }): Says => (place) => {
      const texts = policy.wording[id]?.notice as Record<string, Record<string, string>> | undefined;
      const text = texts?.[place]?.['en-GB'] ?? texts?.everyPlace?.['en-GB'] ?? null;
      return text?.startsWith('Free') && !isFree ? null : text;
    });
  const inPlace = (place: string) =>
    [...before, ...notices, ...after].map((says) => says(place)).find((text) => text !== null) ?? null;
  return { strip: inPlace('strip'), cart: inPlace('cart') };
}

/** The goals that took something off the goods. */
function goodsSetBy(active: Active, cart: PlainCart): string[] {
  const offOf = (those: Active) => sum(goodsOff(those, cart));
  const most = offOf(active);
  if (most === 0) return [];
  const combining = active.filter(({ combines }) => combines);
  const named = (those: Active) =>
    those.flatMap((offer, index) => {
      const before = those.slice(0, index);
      if (offer.combines ? offOf([...before, offer]) === offOf(before) : offOf([offer]) === 0) return [];
      const last = offer.rewards.filter(({ reward }, position) => {
        if (reward.kind !== 'goodsLessPercent') return false;
        const upTo = (count: number) =>
          offOf([...(offer.combines ? before : []), { ...offer, rewards: offer.rewards.slice(0, count) }]);
        return upTo(position + 1) > upTo(position);
      });
      return last.length > 0 ? [`${offer.id}/${last.at(-1)!.goal}`] : [];
    });
  const alone = active.filter((offer) => !offer.combines && offOf([offer]) === most);
  const rankOf = (offer: Active[number] | undefined) => (offer ? active.indexOf(offer) : Infinity);
  const firstCombining = combining.find(({ rewards }) =>
    rewards.some(({ reward }) => reward.kind === 'goodsLessPercent'),
  );
  return offOf(combining) === most && rankOf(firstCombining) < rankOf(alone[0])
    ? named(combining)
    : named(alone.slice(0, 1));
}
