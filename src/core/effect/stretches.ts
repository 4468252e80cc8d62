import { orderOfValue, type HypotheticalOrder } from '../cart/hypothetical-order.ts';
import { compilePolicy, type CompiledZone } from '../evaluation/compile.ts';
import type { Situation } from '../evaluation/context.ts';
import { pricing } from '../evaluation/pricing.ts';
import { priceOptions } from '../evaluation/price-options.ts';
import { evaluateOrder } from '../evaluation/evaluate-order.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import { locate } from '../geography/postcode-regions/region-of-postcode.ts';
import { lowestThat } from '../lowest-that.ts';
import { axisReach, orderAt, type SweepAxis } from '../sweep/axis.ts';
import { noticeEdges, policyEdges, spokenEdges } from '../sweep/edges.ts';
import { mayRise, paidOf, sweepZone } from '../sweep/sweep.ts';
import { same } from '../same.ts';
import { placeIds, type Place } from '../wording/places.ts';
import { renderLead, type RenderedMessage } from '../wording/render.ts';
import {
  differencesOf,
  offeredIn,
  readOf,
  sameButAmounts,
  sameButStates,
  withoutStates,
  type Difference,
  type Offered,
} from './difference.ts';
import { unlikeBetween } from './unlike.ts';

/** Along what an order is followed, all else as in `order`. */
export interface Along {
  axis: SweepAxis;
  order: HypotheticalOrder;
}

/** Measures beside goods value that something looks at which one of the zones has and the other has not, or has otherwise. */
export function otherAxes(before: CompiledZone | null, after: CompiledZone | null): SweepAxis[] {
  const order = orderOfValue(0);
  const unlike = unlikeBetween(before, after);
  return (['weight', 'items'] as const).filter((axis) =>
    unlike.some((zone) => {
      const along = { zone, axis, order, region: undefined };
      return mayRise(zone, axis) || policyEdges(along).length > 1 || noticeEdges(zone.notices, along).length > 0;
    }),
  );
}

/** Stretches that differ otherwise than an ordinary order does: what holds for that is said along goods value. Below it there is none. */
export function beyondOrdinary(stretches: readonly Stretch[]): Stretch[] {
  const ordinary = orderOfValue(0);
  const measureOf = ({ axis }: Stretch) => (axis === 'goodsValue' ? ordinary.value : ordinary[axis]);
  const there = stretches.filter((stretch) => stretch.to === null || stretch.to > measureOf(stretch));
  const first = there.find((stretch) => stretch.from <= measureOf(stretch));
  return there.filter(({ differences }) => !first || !same(differences, first.differences));
}

export interface Stretch {
  axis: SweepAxis;
  from: number;
  to: number | null;
  /** at its start */
  differences: Difference[];
  /** amounts are others further on */
  varies: boolean;
}

/** The stretches of an axis on which something differs, those next to each other that differ in the same as one. */
export function stretchesOf(
  before: CompiledZone | null,
  after: CompiledZone | null,
  situation: Situation,
  along: Along,
): Stretch[] {
  const { axis } = along;
  const starts = [...new Set([before, after].flatMap((zone) => startsOf(zone, situation, along)))].sort(
    (a, b) => a - b,
  );
  const rises = [before, after].some((zone) => zone !== null && mayRise(zone, axis));
  const differing = differingAlong(before, after, situation, along);
  const stretches: Stretch[] = [];
  for (const [index, start] of starts.entries()) {
    const to = starts[index + 1] ?? null;
    const end = (to ?? axisReach[axis]) - 1;
    const from = rises ? firstThatDiffers(start, end, differing) : start;
    const differences = from === null ? [] : differing(from);
    if (from === null || differences.length === 0) continue;
    const last = stretches.at(-1);
    const goesOn = last?.to === from;
    if (goesOn && same(last.differences, differences)) last.to = to;
    else if (goesOn && sameButStates(last.differences, differences))
      Object.assign(last, { to, differences: withoutStates(last.differences, differences) });
    // Along weight and pieces each step has amounts of its own: that they go up or down is what counts.
    else if (goesOn && axis !== 'goodsValue' && sameButAmounts(last.differences, differences))
      Object.assign(last, { to, varies: true });
    else stretches.push({ axis, from, to, differences, varies: rises && !same(differing(end), differences) });
  }
  return stretches;
}

/** What differs at each place of an axis: of texts only along goods value, and where what speaks looks at the axis. */
function differingAlong(
  before: CompiledZone | null,
  after: CompiledZone | null,
  situation: Situation,
  along: Along,
): (value: number) => Difference[] {
  const { axis, order } = along;
  const speaks =
    axis === 'goodsValue' ||
    unlikeBetween(before, after).some(({ market, offers, notices }) => {
      const within = { zone: { market, options: [], offers }, axis, order, region: undefined };
      return policyEdges(within).length > 0 || noticeEdges(notices, within).length > 0;
    });
  if (speaks) return (value) => differencesAt(before, after, value, situation, along);
  const [was, is] = [before, after].map((zone) => zone && offeredAlong(zone, situation, along));
  return (value) => differencesOf(was?.(value) ?? null, is?.(value) ?? null);
}

/** What an order is offered along an axis, without what only messages need. */
function offeredAlong(zone: CompiledZone, situation: Situation, { axis, order }: Along): (value: number) => Offered {
  const price = pricing(zone, situation);
  const goals = zone.offers.flatMap((offer) => offer.goals.map((goal) => `${offer.id}/${goal.id}`));
  return (value) => {
    const { context, reached } = price(orderAt(axis, order, value));
    return {
      options: priceOptions(context, null).flatMap((option) => {
        const paid = paidOf(option);
        return paid ? [{ optionId: option.option.id, ...paid }] : [];
      }),
      reached: reached.map((number) => goals[number]!),
    };
  };
}

/** Where two prices that rise begin to differ on a stretch: at its start, or on the way to its end; null: nowhere. */
function firstThatDiffers(start: number, last: number, differing: (value: number) => Difference[]): number | null {
  if (differing(start).length > 0) return start;
  return lowestThat((value) => differing(value).length > 0, start, last);
}

/** What an ordinary order differs in, between two zones, at a place of an axis; null: nobody delivers there. */
export function differencesAt(
  before: CompiledZone | null,
  after: CompiledZone | null,
  value: number,
  situation: Situation,
  { axis, order }: Along = { axis: 'goodsValue', order: orderOfValue(0) },
): Difference[] {
  const at = (zone: CompiledZone | null) => zone && evaluateOrder(zone, orderAt(axis, order, value), situation);
  const [was, is] = [at(before), at(after)];
  return [...differencesOf(was && offeredIn(was), is && offeredIn(is)), ...readDifferently(before, was, after, is)];
}

/** The first place and language of the market in which another text is read; a text is worked out only where it may differ. */
function readDifferently(
  before: CompiledZone | null,
  was: Evaluation | null,
  after: CompiledZone | null,
  is: Evaluation | null,
): Difference[] {
  if (before && after && was && is && saysTheSame(before, after) && same(was.speakers, is.speakers)) return [];
  const languages = new Set([before, after].flatMap((zone) => zone?.market.market.languages ?? []));
  for (const language of languages) {
    for (const place of placeIds) {
      const [old, now] = [readIn(before, was, place, language), readIn(after, is, place, language)];
      if (old?.text === now?.text && old?.found.text === now?.found.text) continue;
      return [{ what: 'message', was: old && readOf(old.message), is: now && readOf(now.message) }];
    }
  }
  return [];
}

/** Whether the same speakers read the same in both. */
export const saysTheSame = (before: CompiledZone, after: CompiledZone): boolean =>
  before.policy.look === after.policy.look &&
  before.market.market === after.market.market &&
  [...before.offers, ...before.notices, ...after.offers, ...after.notices].every(
    ({ id }) => before.policy.wording[id] === after.policy.wording[id],
  );

const readIn = (
  zone: CompiledZone | null,
  evaluation: Evaluation | null,
  place: Place,
  language: string,
): RenderedMessage | null =>
  zone && evaluation ? renderLead(compilePolicy(zone.policy), evaluation, place, language) : null;

/** Every place of an axis at which something begins in a zone: a price, a goal, or being nearly there. */
function startsOf(zone: CompiledZone | null, situation: Situation, { axis, order }: Along): number[] {
  if (!zone) return [0];
  const { segments } = sweepZone(zone, axis, situation, order);
  const { region } = locate(situation.destination).destination;
  const along = { zone, axis, order, region };
  return [...segments.map(({ from }) => from), ...spokenEdges(along), ...noticeEdges(zone.notices, along)];
}
