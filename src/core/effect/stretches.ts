import { orderOfValue, type HypotheticalOrder } from '../cart/hypothetical-order.ts';
import { compilePolicy, type CompiledZone } from '../evaluation/compile.ts';
import type { Situation } from '../evaluation/context.ts';
import { evaluateHypothetical } from '../evaluation/evaluate.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import { locate } from '../geography/postcode-regions/region-of-postcode.ts';
import { lowestThat } from '../lowest-that.ts';
import { percentOf } from '../money/rounding.ts';
import { axisReach, orderAt, type SweepAxis } from '../sweep/axis.ts';
import { noticeEdges, policyEdges } from '../sweep/edges.ts';
import { mayRise, sweepZone } from '../sweep/sweep.ts';
import { same } from '../same.ts';
import { placeIds, type Place } from '../wording/places.ts';
import { renderLead, type RenderedMessage } from '../wording/render.ts';
import { differencesOf, readOf, type Difference } from './difference.ts';
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

/** Stretches that differ otherwise than an order of the lowest measure does: what holds for that is said along goods value. */
export function beyondFirst(stretches: readonly Stretch[]): Stretch[] {
  const first = stretches.find(({ from }) => from <= 1);
  return stretches.filter((stretch) => !first || !same(stretch.differences, first.differences));
}

export interface Stretch {
  axis: SweepAxis;
  from: number;
  to: number | null;
  differences: Difference[];
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
  const differing = (value: number) => differencesAt(before, after, value, situation, along);
  const stretches: Stretch[] = [];
  for (const [index, start] of starts.entries()) {
    const to = starts[index + 1] ?? null;
    const from = rises ? firstThatDiffers(start, (to ?? axisReach[axis]) - 1, differing) : start;
    const differences = from === null ? [] : differing(from);
    if (from === null || differences.length === 0) continue;
    const last = stretches.at(-1);
    if (last?.to === from && JSON.stringify(last.differences) === JSON.stringify(differences)) last.to = to;
    else stretches.push({ axis, from, to, differences });
  }
  return stretches;
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
  const at = (zone: CompiledZone | null) => zone && evaluateHypothetical(zone, orderAt(axis, order, value), situation);
  const [was, is] = [at(before), at(after)];
  return [...differencesOf(was, is), ...readDifferently(before, was, after, is)];
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
  const nearly = zone.offers.flatMap(({ nearly: near, goals }) =>
    goals.flatMap(({ target }) => {
      if (near === null || target === null) return [];
      const within = 'amount' in near ? near.amount : percentOf(target, near.share);
      return [target - within - 1, target - within, target - within + 1].filter((value) => value > 0);
    }),
  );
  const { region } = locate(situation.destination).destination;
  return [...segments.map(({ from }) => from), ...nearly, ...noticeEdges(zone.notices, { zone, axis, order, region })];
}
