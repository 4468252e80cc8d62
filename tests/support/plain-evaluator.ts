import type { Product } from '../../src/core/catalogue/product.ts';
import type { Charge, LocalAmount, Policy } from '../../src/core/policy/types.ts';

/**
 * A second evaluator, written from the description of what the computation means and sharing no code with the first:
 * slow and plain, in exact fractions of BigInt. Compared with the first on random policies and carts.
 */
export interface PlainAnswer {
  market: string | null;
  zone: string | null;
  options: { id: string; before: number; after: number; tax: number; offer: string | null }[];
  goals: { offer: string; remaining: number; percent: number; reached: boolean }[];
  lead: { offer: string; state: string } | null;
}

interface Line {
  product: Product;
  quantity: number;
}

interface Place {
  country: string;
  region?: string;
  postcode: string;
  coordinates?: { latitude: number; longitude: number };
}

const sorted = <T extends { order: number }>(collection: Record<string, T>) =>
  Object.keys(collection)
    .sort()
    .map((id) => ({ id, item: collection[id]! }))
    .sort((a, b) => a.item.order - b.item.order);

/** Half away from zero, for what is not negative. */
const round = (numerator: bigint, denominator: bigint): number => Number((numerator * 2n + denominator) / (denominator * 2n));

const exact = (amount: LocalAmount): number => {
  if (!('exact' in amount)) throw new Error('following amounts have their own checks');
  return amount.exact;
};

const sum = (values: number[]) => values.reduce((a, b) => a + b, 0);

export function plainEvaluate(policy: Policy, lines: Line[], place: Place): PlainAnswer {
  const nothing: PlainAnswer = { market: null, zone: null, options: [], goals: [], lead: null };
  const marketId = Object.keys(policy.markets).find((id) => policy.markets[id]!.countries.includes(place.country));
  if (!marketId) return nothing;
  const market = policy.markets[marketId]!;
  const zoneId = plainZone(policy, marketId, place);
  if (!zoneId) return { ...nothing, market: marketId };

  const value = ({ product, quantity }: Line) => (product.prices[marketId] ?? 0) * quantity;
  const counted = sum(lines.filter(({ product }) => product.countsTowardGoals).map(value));
  const delivered = lines.filter(({ product }) => product.needsDelivery);
  const hasOwnPrice = ({ product }: Line) => !product.shipsFree && product.ownDelivery?.[marketId] !== undefined;
  const ordinary = delivered.filter((line) => !line.product.shipsFree && !hasOwnPrice(line));
  const chargeable = sum([...lines.filter(({ product }) => !product.needsDelivery), ...ordinary].map(value));
  const own = sum(delivered.filter(hasOwnPrice).map(({ product, quantity }) => product.ownDelivery![marketId]! * quantity));

  const zoneOptions = sorted(policy.options).filter(({ item }) => item.zone === zoneId && item.on);
  const rewarded = (on: Policy['offers'][string]['goals'][string]['rewards'][string]['on']) =>
    zoneOptions.filter(({ id, item }) => on.by === 'all' || (on.by === 'kind' && on.kinds.includes(item.kind)) || (on.by === 'list' && Object.keys(on.options).includes(id))).map(({ id }) => id);
  const offers = sorted(policy.offers)
    .filter(({ item }) => item.on)
    .sort((a, b) => b.item.priority - a.item.priority)
    .flatMap(({ id, item }) => {
      const [goal] = Object.values(item.goals);
      const target = goal!.targets[marketId];
      const rewards = Object.values(goal!.rewards).map((reward) => ({ covers: reward.coversOwnDelivery, options: rewarded(reward.on) }));
      return target && rewards.some(({ options }) => options.length > 0) ? [{ id, target: exact(target), rewards }] : [];
    });
  const goals = offers.map(({ id, target }) => ({
    offer: id,
    remaining: Math.max(0, target - counted),
    percent: counted >= target ? 100 : Number((100n * BigInt(counted)) / BigInt(target)),
    reached: counted >= target,
  }));
  const answer: PlainAnswer = { market: marketId, zone: zoneId, options: [], goals, lead: null };
  if (lines.length > 0 && delivered.length === 0) return answer;

  for (const { id, item } of zoneOptions) {
    const free = item.kind === 'parcel' && lines.length > 0 && ordinary.length === 0;
    const base = free ? 0 : plainCharge(item.charge, chargeable, ordinary);
    if (base === null) continue;
    const extra = item.kind === 'pickUp' ? 0 : own;
    let after = base + extra;
    let by: string | null = null;
    for (const offer of offers) {
      if (counted < offer.target) continue;
      for (const reward of offer.rewards) {
        const price = reward.covers ? 0 : extra;
        if (reward.options.includes(id) && price < after) {
          after = price;
          by = offer.id;
        }
      }
    }
    const [whole, decimals = ''] = market.tax.delivery.split('.');
    const rate = BigInt(whole! + decimals);
    const hundred = 100n * 10n ** BigInt(decimals.length);
    answer.options.push({ id, before: base + extra, after, tax: round(BigInt(after) * rate, hundred + rate), offer: by });
  }
  const speaking = offers.filter(({ rewards }) => rewards.some(({ options }) => options.some((id) => answer.options.some((option) => option.id === id))));
  const ahead = speaking.find(({ target }) => counted < target);
  const lead = ahead ?? speaking[0];
  if (lead) answer.lead = { offer: lead.id, state: ahead ? 'progress' : 'reached' };
  return answer;
}

function plainCharge(charge: Charge, goodsValue: number, ordinary: Line[]): number | null {
  const total = (of: (product: Product) => number) => sum(ordinary.map(({ product, quantity }) => of(product) * quantity));
  const cubicMm = total(({ sizeMm }) => (sizeMm ? sizeMm[0] * sizeMm[1] * sizeMm[2] : 0));
  const weight = total(({ weightGrams }) => weightGrams ?? 0);
  const volume = Math.ceil(cubicMm / 1000);
  const divisor = charge.volumeDivisor ?? 5000;
  const measures: Record<string, number> = {
    goodsValue,
    items: total(() => 1),
    lines: ordinary.length,
    weight,
    volume,
    longestSide: Math.max(0, ...ordinary.flatMap(({ product }) => product.sizeMm ?? [])),
    chargeableWeight: Math.max(weight, Math.ceil((volume * 1000) / divisor)),
  };
  const bound = (value: LocalAmount | number) => (typeof value === 'number' ? value : exact(value));
  const prices = sorted(charge.lines).flatMap(({ item: { over, price } }) => {
    const from = over ? bound(over.from) : 0;
    if (over && (measures[over.measure]! < from || (over.to !== null && measures[over.measure]! >= bound(over.to)))) return [];
    let result = exact(price.fixed);
    if (price.perUnit) {
      const { measure, amount, per, started } = price.perUnit;
      const beyond = Math.max(0, measures[measure]! - (over?.measure === measure ? from : 0));
      result += started ? exact(amount) * Math.ceil(beyond / per) : round(BigInt(exact(amount)) * BigInt(beyond), BigInt(per));
    }
    if (price.min) result = Math.max(result, exact(price.min));
    if (price.max) result = Math.min(result, exact(price.max));
    return [result];
  });
  if (prices.length === 0) return charge.otherwise.kind === 'price' ? exact(charge.otherwise.price) : null;
  return { first: prices[0]!, sum: sum(prices), highest: Math.max(...prices), lowest: Math.min(...prices) }[charge.combine];
}

/** The zone by sorting all matches: postcode or radius over region over country over everything, then as written down. */
function plainZone(policy: Policy, marketId: string, place: Place): string | null {
  type Part = Policy['zones'][string]['area']['include'][string];
  const code = place.postcode.toUpperCase().replaceAll(' ', '').replaceAll('-', '');
  const rank = (part: Part): number[] | null => {
    if (part.kind === 'wholeMarket') return [1];
    if (part.kind === 'country') return part.country === place.country ? [2] : null;
    if (part.kind === 'region') return part.region === place.region ? [3] : null;
    if (part.kind === 'radius') {
      if (!place.coordinates) return null;
      const rad = (degrees: number) => (degrees * Math.PI) / 180;
      const { latitude: a, longitude: b } = part.center;
      const { latitude: c, longitude: d } = place.coordinates;
      const h = Math.sin(rad(c - a) / 2) ** 2 + Math.cos(rad(a)) * Math.cos(rad(c)) * Math.sin(rad(d - b) / 2) ** 2;
      const km = part.distance * (part.unit === 'mi' ? 1.609344 : 1);
      return 2 * 6371.0088 * Math.asin(Math.sqrt(h)) <= km ? [4, 1, -km] : null;
    }
    if (part.country !== place.country || code === '') return null;
    const pattern = part.pattern.toUpperCase().replaceAll(' ', '').replaceAll('-', '');
    if (pattern.includes('..')) {
      const [low, high] = pattern.split('..').map(Number) as [number, number];
      const number = parseInt(code, 10);
      return number >= low && number <= high ? [4, 3, low - high] : null;
    }
    if (!/[*?]/.test(pattern)) return pattern === code ? [4, 4, pattern.length] : null;
    const expression = new RegExp(`^${pattern.replaceAll('*', '.*').replaceAll('?', '.')}$`);
    return expression.test(code) ? [4, 2, pattern.replace(/[*?]/g, '').length] : null;
  };
  const matches = sorted(policy.zones)
    .filter(({ item }) => item.on && item.market === marketId)
    .filter(({ item }) => !Object.values(item.area.exclude ?? {}).some((part) => rank(part) !== null))
    .flatMap(({ id, item }, listed) => Object.values(item.area.include).flatMap((part) => (rank(part) ? [{ id, listed, rank: rank(part)! }] : [])));
  matches.sort((a, b) => {
    for (let i = 0; i < 3; i++) if ((a.rank[i] ?? 0) !== (b.rank[i] ?? 0)) return (b.rank[i] ?? 0) - (a.rank[i] ?? 0);
    return a.listed - b.listed;
  });
  return matches[0]?.id ?? null;
}
