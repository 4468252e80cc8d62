import { compileBasis, type CompiledBasis } from '../cart/basis.ts';
import { goodsValueOf, lineValue, quantityOf, unitPriceOf } from '../cart/line-values.ts';
import { compileSelection, selects, type CompiledSelection } from '../catalogue/goods-selection.ts';
import { usualVolumeDivisor, volumeWeight } from '../charges/charge-measure.ts';
import { amountIn, type MarketTerms } from '../markets/terms.ts';
import { distanceKm } from '../places/distance.ts';
import { matchesPattern, parsePostcodePattern } from '../places/postcode.ts';
import type { ConditionNode } from '../policy/types.ts';
import { isoWeekday } from '../time/day.ts';
import { zoneOf } from '../time/schedule.ts';
import { minuteOfDay } from '../time/working-days.ts';
import { instantOfLocal, localTime } from '../time/zone-clock.ts';
import { isInRange, rangeOf, type ComparedRange } from './compare.ts';
import { deliveredOf, wordsKnown, type Facts } from './facts.ts';

export type LeafNode = Exclude<ConditionNode, { kind: 'group' } | { kind: 'qualifier' }>;

/** A leaf ready to be asked, and at which amounts of a measure its answer may change. */
export interface Leaf {
  holds: (facts: Facts) => boolean;
  /** none: does not look at a measure of the cart */
  looksAt: MeasureEdges[];
}

export interface MeasureEdges {
  measure: LeafMeasure;
  edges: number[];
}

/** What of an order a leaf looks at: a goods value in a basis, or a count. */
type LeafMeasure =
  | { kind: 'value'; basis: CompiledBasis }
  | { kind: 'unitPrice' }
  | { kind: 'items' | 'lines' | 'weight' | 'volume' | 'chargeableWeight' | 'longestSide' };

const never = () => false;
const plain = (holds: Leaf['holds']): Leaf => ({ holds, looksAt: [] });

/** Where the answer of a range may change, ascending: the first amount in it and the first after it. */
const edgesOf = ({ atLeast, atMost }: ComparedRange): number[] => [atLeast, atMost + 1].filter(Number.isFinite);

/** @param terms of the market in which it is asked */
export function compileLeaf(node: LeafNode, terms: MarketTerms): Leaf {
  switch (node.kind) {
    case 'yesNo':
      return plain(yesNo(node));
    case 'word':
      return plain(word(node));
    case 'number':
      return number(node);
    case 'goodsNumber': {
      const goods = compileSelection(node.goods, terms);
      const range = rangeOf(node.operator, node.value, node.to, 1);
      return {
        holds: ({ cart }) => isInRange(range, quantityOf(cart, { goods })),
        looksAt: [{ measure: { kind: 'items' }, edges: edgesOf(range) }, priceEdges(goods)],
      };
    }
    case 'money':
    case 'goodsMoney':
      return money(node, terms);
    case 'contents':
      return contents(node.operator, compileSelection(node.goods, terms));
    case 'postcode': {
      const patterns = node.patterns.map((text) => {
        const parsed = parsePostcodePattern(text);
        if (!parsed.ok) throw new RangeError(`postcode pattern "${text}": ${parsed.reason}`);
        return parsed.pattern;
      });
      return plain(({ postcode }) => postcode !== '' && patterns.some((pattern) => matchesPattern(pattern, postcode)));
    }
    case 'distance': {
      const range = rangeOf(node.operator, node.value, node.to, 0);
      return plain(
        ({ destination: { coordinates } }) =>
          coordinates !== undefined && isInRange(range, distanceKm(node.center, coordinates)),
      );
    }
    case 'instant':
      return plain(instant(node, zoneOf(node.readIn, terms.clocks)));
    case 'weekday': {
      const zone = zoneOf(node.readIn, terms.clocks);
      const days = new Set(node.days);
      return plain((facts) => days.has(isoWeekday(localTime(zone, facts.instant).day)));
    }
    case 'timeOfDay': {
      const zone = zoneOf(node.readIn, terms.clocks);
      const [from, to] = [minuteOfDay(node.from), minuteOfDay(node.to)];
      return plain((facts) => {
        const { minute } = localTime(zone, facts.instant);
        return from < to ? minute >= from && minute < to : minute >= from || minute < to;
      });
    }
  }
}

/** Prices of a piece at which a selection begins and ceases to hold. */
export function priceEdges({ priceFrom, priceBelow }: CompiledSelection): MeasureEdges {
  return { measure: { kind: 'unitPrice' }, edges: [priceFrom, priceBelow].filter(Number.isFinite) };
}

function yesNo({ fact, is }: Extract<LeafNode, { kind: 'yesNo' }>): Leaf['holds'] {
  switch (fact) {
    case 'shopper.signedIn':
      return ({ shopper }) => shopper.signedIn === is;
    case 'shopper.business':
      return ({ shopper }) => shopper.business === is;
    case 'shopper.firstOrder':
      return ({ shopper: { orderCount } }) => orderCount !== undefined && (orderCount === 0) === is;
    case 'destination.residential':
      return ({ destination }) => destination.residential === is;
  }
}

function word({ fact, operator, values }: Extract<LeafNode, { kind: 'word' }>): Leaf['holds'] {
  const wanted = new Set(fact === 'cart.code' ? values.map((code) => code.toUpperCase()) : values);
  const negated = operator === 'isNot' || operator === 'noneOf';
  const one = (value: string | undefined) => value !== undefined && wanted.has(value) !== negated;
  const several = (known: readonly string[] | null) =>
    known !== null && known.some((value) => wanted.has(value)) !== negated;
  switch (fact) {
    case 'shopper.group':
      return ({ shopper }) => several(wordsKnown(shopper.groups, shopper));
    case 'shopper.tag':
      return ({ shopper }) => several(wordsKnown(shopper.tags, shopper));
    case 'shopper.individual':
      return ({ shopper }) => one(shopper.individual);
    case 'cart.code':
      return ({ cart }) => several([...cart.codes]);
    case 'cart.currency':
      return ({ cart }) => one(cart.terms.money.currency);
    case 'cart.channel':
      return ({ cart }) => one(cart.channel);
    case 'destination.country':
      return ({ destination }) => one(destination.country);
    case 'destination.region':
      return ({ destination }) => one(destination.region);
    case 'destination.zone':
      return ({ zoneId }) => one(zoneId);
    case 'destination.market':
      return ({ cart }) => one(cart.terms.id);
  }
}

function number({ fact, operator, value, to }: Extract<LeafNode, { kind: 'number' }>): Leaf {
  const range = rangeOf(operator, value, to, 1);
  const known = (amount: number | undefined) => amount !== undefined && isInRange(range, amount);
  const looking = (kind: Exclude<LeafMeasure['kind'], 'value'>, holds: Leaf['holds']): Leaf => ({
    holds,
    looksAt: [{ measure: { kind }, edges: edgesOf(range) }],
  });
  switch (fact) {
    case 'shopper.orderCount':
      return plain(({ shopper }) => known(shopper.orderCount));
    case 'shopper.daysSinceLastOrder':
      return plain((facts) => known(daysSinceLastOrder(facts)));
    case 'shopper.lifetimeSpend':
      return plain(({ shopper }) => known(shopper.lifetimeSpend));
    case 'cart.items':
      return looking('items', ({ cart }) => known(cart.measures.items));
    case 'cart.lines':
      return looking('lines', ({ cart }) => known(cart.measures.lines));
    case 'cart.weight':
      return looking('weight', (facts) => known(deliveredOf(facts).weight));
    case 'cart.volume':
      return looking('volume', (facts) => known(deliveredOf(facts).volume));
    case 'cart.longestSide':
      return looking('longestSide', (facts) => known(deliveredOf(facts).longestSide));
    case 'cart.chargeableWeight':
      return looking('chargeableWeight', (facts) => {
        const { weight, volume } = deliveredOf(facts);
        return known(Math.max(weight, volumeWeight(volume, usualVolumeDivisor)));
      });
    case 'line.quantity':
      return looking('items', ({ cart }) => cart.lines.some(({ quantity }) => known(quantity)));
  }
}

/** Days between two dates on the store's clock, however long they are; undefined when there was no order. */
function daysSinceLastOrder({ shopper: { lastOrderAt }, cart, instant: now }: Facts): number | undefined {
  if (lastOrderAt === undefined) return undefined;
  const zone = cart.terms.clocks.store;
  return Math.max(0, localTime(zone, now).day - localTime(zone, Date.parse(lastOrderAt)).day);
}

function money(node: Extract<LeafNode, { kind: 'money' | 'goodsMoney' }>, terms: MarketTerms): Leaf {
  const amount = amountIn(node.amounts, terms);
  const to = node.to === undefined ? undefined : amountIn(node.to, terms);
  if (amount === null || to === null) return plain(never);
  const basis = compileBasis(node.basis, terms);
  const range = rangeOf(node.operator, amount, to, 1);
  const looksAt: MeasureEdges[] = [{ measure: { kind: 'value', basis }, edges: edgesOf(range) }];
  switch (node.fact) {
    case 'cart.goodsValue':
      return { holds: ({ cart }) => isInRange(range, goodsValueOf(cart, basis, {})), looksAt };
    case 'cart.countedValue':
      return { holds: ({ cart }) => isInRange(range, goodsValueOf(cart, basis, { counting: true })), looksAt };
    case 'cart.valueOf': {
      const goods = compileSelection(node.goods, terms);
      return {
        holds: ({ cart }) => isInRange(range, goodsValueOf(cart, basis, { goods })),
        looksAt: [...looksAt, priceEdges(goods)],
      };
    }
    case 'line.value':
      return {
        holds: ({ cart }) => cart.lines.some((_, index) => isInRange(range, lineValue(cart, index, basis))),
        looksAt,
      };
  }
}

function contents(operator: 'contains' | 'only' | 'none', goods: CompiledSelection): Leaf {
  const among = (facts: Facts, index: number) =>
    selects(goods, facts.cart.lines[index]!.product, unitPriceOf(facts.cart, index));
  const looksAt = [priceEdges(goods)];
  switch (operator) {
    case 'contains':
      return { holds: (facts) => facts.cart.lines.some((_, index) => among(facts, index)), looksAt };
    case 'none':
      return { holds: (facts) => !facts.cart.lines.some((_, index) => among(facts, index)), looksAt };
    case 'only':
      return {
        holds: (facts) => facts.cart.lines.length > 0 && facts.cart.lines.every((_, index) => among(facts, index)),
        looksAt,
      };
  }
}

/** Half-open: the moment of *before* and *to* is out, that of *from* is in (2-domain §5). */
function instant({ operator, at, to }: Extract<LeafNode, { kind: 'instant' }>, zone: string): Leaf['holds'] {
  switch (operator) {
    case 'before': {
      const end = instantOfLocal(zone, at, 'earlier');
      return (facts) => facts.instant < end;
    }
    case 'after': {
      const start = instantOfLocal(zone, at, 'later');
      return (facts) => facts.instant >= start;
    }
    case 'between': {
      const start = instantOfLocal(zone, at, 'earlier');
      const end = instantOfLocal(zone, to ?? at, 'later');
      return (facts) => facts.instant >= start && facts.instant < end;
    }
  }
}
