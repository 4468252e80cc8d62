import { convertTax, type CompiledBasis } from '../cart/basis.ts';
import { usualVolumeDivisor, volumeWeight, type ChargeMeasure } from '../cart/charge-measure.ts';
import type { CompiledCharge } from '../charges/compile-charge.ts';
import { leavesOf, type CompiledCondition } from '../conditions/compile-condition.ts';
import { priceEdges, type MeasureEdges } from '../conditions/leaf.ts';
import { cartOfHypotheticalOrder } from '../cart/hypothetical-cart.ts';
import type { HypotheticalOrder } from '../cart/hypothetical-order.ts';
import { ordinaryArticle } from '../cart/ordinary-article.ts';
import type { CompiledZone } from '../evaluation/compile.ts';
import { chargeMeasureOf } from '../charges/charge-measure-of.ts';
import type { Weighing } from '../charges/weighing.ts';
import { lowestThat } from '../lowest-that.ts';
import { percentOf } from '../money/rounding.ts';
import { taxRatesAt } from '../markets/terms.ts';
import type { CompiledNotice } from '../notices/compile-notice.ts';
import type { CompiledGoal, CompiledOffer } from '../offers/compile-offer.ts';
import { axisMeasures, axisReach, orderAt, type SweepAxis } from './axis.ts';

/** What edges are looked for along. */
export interface Along {
  zone: Pick<CompiledZone, 'options' | 'offers' | 'market'>;
  axis: SweepAxis;
  order: HypotheticalOrder;
  region: string | undefined;
  /** without what prices that rise are made up of: between two edges each rises or stays, whatever its steps */
  withoutSteps?: boolean;
}

/**
 * Every amount along the axis at which the policy itself changes what holds: edges of charge lines, started units,
 * thresholds of conditions, goals. Between two of them prices are made up of whole pieces that rise evenly.
 */
export function policyEdges(along: Along): number[] {
  const { zone, axis } = along;
  const edges = new Set<number>();
  const add = (amount: number | null) => {
    if (amount !== null && amount > 0 && amount < axisReach[axis]) edges.add(amount);
  };
  for (const { charge, when } of zone.options) {
    for (const edge of chargeEdges(charge, along)) add(edge);
    for (const line of charge.lines) for (const edge of conditionEdges(line.when, along)) add(edge);
    for (const edge of conditionEdges(when, along)) add(edge);
  }
  for (const offer of zone.offers) for (const edge of offerEdges(offer, along)) add(edge);
  return [...edges].sort((a, b) => a - b);
}

/** The same of a condition alone. */
export const edgesOfCondition = (condition: CompiledCondition | null, along: Along): number[] =>
  conditionEdges(condition, along).filter((edge) => edge !== null);

/** The same for notices, which change what is read and no price. */
export const noticeEdges = (notices: readonly CompiledNotice[], along: Along): number[] =>
  notices.flatMap(({ when }) => edgesOfCondition(when, along));

/** Where what offers say changes beside their goals: as soon as something counts, and where shoppers begin to be nearly there. */
export const spokenEdges = (along: Along): number[] =>
  along.zone.offers.flatMap(({ nearly, goals }) =>
    goals.flatMap(({ counts, target }) => {
      if (target === null) return [];
      const [begins, reached] = measureEdges({ measure: countedMeasure(counts), edges: [1, target] }, along);
      return [begins, ...nearlyEdges(nearly, target, reached)].filter(
        (edge) => typeof edge === 'number' && edge > 0,
      ) as number[];
    }),
  );

/** What is missing is told in what the axis shows, and may be rounded one way or the other where it was worked out of another basis. */
function nearlyEdges(
  nearly: CompiledOffer['nearly'],
  target: number,
  reached: number | null | undefined,
): readonly number[] {
  if (nearly === null || typeof reached !== 'number') return [];
  const within = reached - ('amount' in nearly ? nearly.amount : percentOf(target, nearly.share));
  return [within - 1, within, within + 1];
}

const countedMeasure = (counts: CompiledGoal['counts']): MeasureEdges['measure'] =>
  counts.kind === 'value' ? { kind: 'value', basis: counts.basis } : { kind: counts.kind };

const alongAxis = (measure: ChargeMeasure, axis: SweepAxis): boolean => axisMeasures[axis].includes(measure);

function chargeEdges({ lines, weighing }: CompiledCharge, along: Along): (number | null)[] {
  const { axis, order } = along;
  const reaching = (measure: ChargeMeasure, edges: readonly number[]) =>
    alongAxis(measure, axis) ? edges.map((edge) => countThatReaches(edge, measure, weighing, along)) : [];
  const found = lines.flatMap(({ range, price }) => {
    const priced = along.withoutSteps ? null : price.edges(range);
    return [
      ...(range ? reaching(range.measure, [range.from, range.to]) : []),
      ...(priced ? reaching(priced.measure, priced.edges) : []),
      ...(priced?.rises && axis === 'weight' && alongAxis(priced.measure, axis) ? jumpsOf(weighing, along) : []),
    ];
  });
  // Up to here the volume decides the chargeable weight.
  const byVolume = reaching('weight', [volumeWeight(order.volume, weighing.volumeDivisor)]);
  // Nothing is packed before there is a piece.
  return [...found, ...byVolume, ...(axis === 'items' ? [1] : [])];
}

function conditionEdges(condition: CompiledCondition | null, along: Along): (number | null)[] {
  return condition === null
    ? []
    : leavesOf(condition).flatMap(({ looksAt }) => looksAt.flatMap((edges) => measureEdges(edges, along)));
}

function offerEdges({ when, goals }: CompiledOffer, along: Along): (number | null)[] {
  const goalEdges = goals.flatMap(({ counts, target }) => {
    const prices = counts.goods ? measureEdges(priceEdges(counts.goods), along) : [];
    if (target === null) return prices;
    return [...prices, ...measureEdges({ measure: countedMeasure(counts), edges: [target] }, along)];
  });
  return [...conditionEdges(when, along), ...goalEdges];
}

/** Amounts along the axis at which a measure reaches its edges. */
function measureEdges({ measure, edges }: MeasureEdges, along: Along): (number | null)[] {
  const { axis, order, zone } = along;
  const { packing } = zone.market.terms;
  switch (measure.kind) {
    case 'value':
      return axis === 'goodsValue' ? edges.map((edge) => valueThatReaches(edge, measure.basis, along)) : [];
    case 'unitPrice':
      if (axis === 'goodsValue') return edges.map((edge) => edge * Math.max(1, order.items));
      return axis === 'items' ? edges.map((edge) => (edge > 0 ? Math.floor(order.value / edge) + 1 : null)) : [];
    case 'lines':
      return [];
    case 'parcels':
      return alongAxis('parcels', axis)
        ? edges.map((edge) =>
            countThatReaches(edge, 'parcels', { volumeDivisor: usualVolumeDivisor, packing, ownOf: null }, along),
          )
        : [];
    default:
      return alongAxis(measure.kind, axis) ? edges : [];
  }
}

/** Of jumps of a packed weight at most so many are told apart; beyond, it counts as a slope. */
const mostJumps = 500;

/** Along the weight, where that of the packed goods jumps: each further parcel has its packaging, each step of rounding up its own. */
function jumpsOf(weighing: Weighing, along: Along): (number | null)[] {
  const { packing } = weighing;
  if (packing === null) return [];
  const { mostGoods, roundUpTo } = packing;
  const jumps: (number | null)[] = [];
  for (let nth = 1; nth <= mostJumps; nth++) {
    if (mostGoods > 0) jumps.push(nth * mostGoods + 1);
    if (roundUpTo > 1) jumps.push(countThatReaches(nth * roundUpTo, 'weight', weighing, along));
  }
  return jumps;
}

/** Along the weight, the lowest at which a measure of packed goods comes to an amount; all else moves at the axis' own pace. */
export function countThatReaches(
  amount: number,
  measure: ChargeMeasure,
  weighing: Weighing,
  { zone, axis, order, region }: Along,
): number | null {
  if (axis !== 'weight' || weighing.packing === null || amount <= 0) return amount;
  if (!Number.isFinite(amount)) return null;
  const { terms } = zone.market;
  const rates = taxRatesAt(terms, region);
  return lowestThat(
    (weight) =>
      chargeMeasureOf(measure, cartOfHypotheticalOrder(orderAt(axis, order, weight), terms, rates), weighing) >= amount,
    0,
    axisReach[axis],
  );
}

/** The other way: what a measure of packed goods comes to at an amount along the weight. */
export function countAt(at: number, measure: ChargeMeasure, weighing: Weighing, along: Along): number {
  const { zone, axis, order, region } = along;
  if (axis !== 'weight' || weighing.packing === null) return at;
  const { terms } = zone.market;
  const cart = cartOfHypotheticalOrder(orderAt(axis, order, at), terms, taxRatesAt(terms, region));
  return chargeMeasureOf(measure, cart, weighing);
}

/** The lowest value as shown that comes to an amount in a basis. */
function valueThatReaches(amount: number, basis: CompiledBasis, { zone, region }: Along): number | null {
  if (!basis.convertsTax) return amount;
  const { terms } = zone.market;
  const rates = taxRatesAt(terms, region);
  return lowestThat((value) => convertTax(value, ordinaryArticle, terms, rates) >= amount, 0, axisReach.goodsValue);
}
