import { orderOfValue } from '../../cart/hypothetical-order.ts';
import { evaluateHypothetical } from '../../evaluation/evaluate.ts';
import { someoneIn } from '../../evaluation/someone-in.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { Destination } from '../../policy/types.ts';
import type { OrderColumns } from '../columns.ts';
import type { ReplayPlaces, ReplayZones } from './replay-places.ts';
import { weightUnknown, type OrderShipments } from './shipments.ts';
import { Spots, type Spot } from './spots.ts';
import { shopperOfKind } from '../shopper-of-order.ts';

/** What past orders of a market would pay for delivery under the draft, against the current release. Minor units. */
export interface Replay {
  /** orders that were looked at */
  orders: number;
  /** of them, those of which it is known to which postcode they went, and what they weighed */
  placed: number;
  weighed: number;
  less: number;
  more: number;
  same: number;
  /** nothing could be chosen under one of the two */
  without: number;
  /** what shoppers would pay for delivery in all, draft less release */
  change: number;
  /** taken off delivery by offers: under the release, and under the draft */
  givenBefore: number;
  givenNow: number;
  /** orders that would pay something else, the most frequent first */
  examples: ReplayExample[];
}

export interface ReplayExample {
  zoneId: string;
  /** where one of them went; null: it is not known */
  destination: Destination | null;
  /** grams from which they are priced alike; null: it is not known */
  weight: number | null;
  /** goods value */
  value: number;
  /** 0 not known, 1 new, 2 returning */
  shopper: number;
  was: number;
  now: number;
  orders: number;
}

/** Past orders, and where they went with what weight where that is known. */
export interface ReplayedOrders {
  columns: OrderColumns;
  shipments: OrderShipments | null;
}

interface Outcome {
  was: number;
  now: number;
  givenBefore: number;
  givenNow: number;
}

const mostExamples = 6;
/** Kinds of shopper that an export tells apart. */
const kinds = 3;
/** Orders, and orders worked out or places found, between two words of progress. */
const stretch = 20_000;
const evaluated = 200;
/** Of progress, how much counting like orders is. */
const countingShare = 0.1;

/**
 * Replays past orders at one moment: each as one article of its goods value and weight, bought by a guest of whom is known at
 * most whether they had ordered before, where it went, with the option that was chosen where it is offered under both, else with
 * what each would choose at first. An order without a postcode goes somewhere in the zone of its option, one without a weight
 * weighs nothing. Orders alike in all of this have one outcome, which is worked out once.
 *
 * @param every looks at every n-th order only
 */
export function replayOrders(
  { columns, shipments }: ReplayedOrders,
  places: ReplayPlaces,
  instant: number,
  every = 1,
  progress: (share: number) => void = () => undefined,
): Replay {
  const result: Replay = {
    orders: 0,
    placed: 0,
    weighed: 0,
    less: 0,
    more: 0,
    same: 0,
    without: 0,
    change: 0,
    givenBefore: 0,
    givenNow: 0,
    examples: [],
  };
  const options = columns.options.length > 0 ? columns.options : [''];
  const spots = new Spots(places, instant);
  const ofOption = options.map((option) => spots.ofOption(option));
  let found = 0;
  const ofPlace = shipments?.places.map(() => undefined as Spot | null | undefined) ?? [];
  for (let i = 0; i < columns.count; i += every) {
    if (i % stretch < every) progress((countingShare * i) / columns.count);
    const option = columns.option[i]!;
    let spot: Spot | null = null;
    let grams = weightUnknown;
    if (shipments) {
      const place = shipments.place[i]!;
      // Asked for when first met: each is found once, however many orders went there.
      if (ofPlace[place] === undefined) {
        ofPlace[place] = spots.ofPlace(shipments.places[place]!);
        if (++found % evaluated === 0) progress((countingShare * i) / columns.count);
      }
      spot = ofPlace[place];
      grams = shipments.grams[i]!;
    }
    if (spot) result.placed++;
    if (grams !== weightUnknown) result.weighed++;
    countOrder(
      spot ?? ofOption[option]!,
      grams,
      (columns.goods[i]! * kinds + columns.shopper[i]!) * options.length + option,
    );
    result.orders++;
  }
  workOut(spots.all, options, instant, result, (share) => progress(countingShare + (1 - countingShare) * share));
  progress(1);
  return result;
}

function countOrder({ alike, weightClass }: Spot, grams: number, who: number): void {
  const weight = grams === weightUnknown ? weightUnknown : weightClass(grams);
  let orders = alike.get(weight);
  if (!orders) alike.set(weight, (orders = new Map()));
  orders.set(who, (orders.get(who) ?? 0) + 1);
}

/** Works out what becomes of all that were counted. Evaluations are not kept. */
function workOut(
  spots: readonly Spot[],
  options: readonly string[],
  instant: number,
  result: Replay,
  progress: (share: number) => void,
): void {
  let done = 0;
  let worked = 0;
  for (const { zones, destination, alike } of spots) {
    for (const [grams, orders] of alike) {
      const weight = grams === weightUnknown ? 0 : grams;
      // Sorted, orders that differ in their option alone stand side by side.
      const keys = Float64Array.from(orders.keys()).sort();
      let last = -1;
      let both: ReturnType<typeof evaluateBoth> = null;
      for (const key of keys) {
        const [who, option] = [Math.floor(key / options.length), key % options.length];
        const [value, shopper] = [Math.floor(who / kinds), who % kinds];
        if (who !== last) {
          both = evaluateBoth(zones, destination, { ...orderOfValue(value), weight }, { instant, shopper });
          last = who;
          if (++worked % evaluated === 0) progress(done / result.orders);
        }
        const count = orders.get(key)!;
        done += count;
        tally(result, both && outcomeOf(both.draft, both.release, options[option]!), count, {
          zoneId: zones.draft?.id ?? '',
          destination,
          weight: grams === weightUnknown ? null : grams,
          value,
          shopper,
        });
      }
    }
  }
}

/** null: one of the two does not deliver there */
function evaluateBoth(
  { draft, release }: ReplayZones,
  destination: Destination | null,
  order: ReturnType<typeof orderOfValue>,
  who: { instant: number; shopper: number },
): { draft: Evaluation; release: Evaluation | null } | null {
  if (!draft || release === null) return null;
  const someone = someoneIn(draft, who.instant, shopperOfKind(who.shopper));
  const situation = destination ? { ...someone, destination } : someone;
  return {
    draft: evaluateHypothetical(draft, order, situation),
    release: release ? evaluateHypothetical(release, order, situation) : null,
  };
}

function tally(
  result: Replay,
  outcome: Outcome | null,
  orders: number,
  like: Omit<ReplayExample, 'was' | 'now' | 'orders'>,
): void {
  if (!outcome) {
    result.without += orders;
    return;
  }
  const difference = outcome.now - outcome.was;
  if (difference < 0) result.less += orders;
  else if (difference > 0) result.more += orders;
  else result.same += orders;
  result.change += difference * orders;
  result.givenBefore += outcome.givenBefore * orders;
  result.givenNow += outcome.givenNow * orders;
  if (difference === 0) return;
  const { examples } = result;
  const place = examples.findIndex(
    (other) => orders > other.orders || (orders === other.orders && like.value < other.value),
  );
  if (place >= 0 || examples.length < mostExamples)
    examples.splice(place < 0 ? examples.length : place, 0, { ...like, was: outcome.was, now: outcome.now, orders });
  if (examples.length > mostExamples) examples.pop();
}

function outcomeOf(draft: Evaluation, release: Evaluation | null, option: string): Outcome | null {
  const chosen = (evaluation: Evaluation, id: string | null) =>
    evaluation.options.find(({ optionId }) => optionId === id);
  const both = chosen(draft, option) && (release === null || chosen(release, option));
  const now = chosen(draft, both ? option : draft.preselected);
  if (!now) return null;
  if (release === null) return { was: now.before, now: now.after, givenBefore: 0, givenNow: now.before - now.after };
  const was = chosen(release, both ? option : release.preselected);
  return was
    ? { was: was.after, now: now.after, givenBefore: was.before - was.after, givenNow: now.before - now.after }
    : null;
}
