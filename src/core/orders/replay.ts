import { orderOfValue } from '../cart/hypothetical-order.ts';
import type { CompiledMarket, CompiledZone } from '../evaluation/compile.ts';
import { evaluateHypothetical } from '../evaluation/evaluate.ts';
import { someoneIn } from '../evaluation/someone-in.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import type { OrderColumns } from './columns.ts';
import { shopperOfKind } from './shopper-of-order.ts';

/** What past orders of a market would pay for delivery under the draft, against the current release. Minor units. */
export interface Replay {
  /** orders that were looked at */
  orders: number;
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
  /** goods value */
  value: number;
  /** 0 not known, 1 new, 2 returning */
  shopper: number;
  was: number;
  now: number;
  orders: number;
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
/** Orders, and orders worked out anew, between two words of progress. */
const stretch = 20_000;
const anew = 200;

/** Where an order is replayed: the zone that the option belongs to under the draft, and what the release has for it. */
interface ReplayZones {
  draft: CompiledZone;
  /** null: there is no release, so that every order pays what is charged before offers */
  release: CompiledZone | null;
}

/** The zones in which orders of every option are replayed: its own zone where that is on, else the first zone of the market; null where no zone is on. */
export function replayZonesOf(
  draft: CompiledMarket | undefined,
  release: CompiledMarket | undefined,
): ((option: string) => ReplayZones) | null {
  const zoneIn = (market: CompiledMarket, option: string) =>
    market.zones.find(({ id, policy }) => id === policy.options[option]?.zone) ?? market.zones[0];
  if (!draft || draft.zones.length === 0) return null;
  return (option) => ({ draft: zoneIn(draft, option)!, release: (release && zoneIn(release, option)) ?? null });
}

/**
 * Replays past orders at one moment: each as one light article of its goods value, bought by a guest of whom is known at most
 * whether they had ordered before, somewhere in the zone of the option that was chosen, with that option where it is offered
 * under both, else with what each would choose at first. Orders alike in all of this have one outcome, which is worked out once.
 *
 * @param every looks at every n-th order only
 */
export function replayOrders(
  columns: OrderColumns,
  zonesOf: (option: string) => ReplayZones,
  instant: number,
  every = 1,
  progress: (share: number) => void = () => undefined,
): Replay {
  const result: Replay = {
    orders: 0,
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
  const chosen = options.map(zonesOf);
  const zones = [...new Map(chosen.map((one) => [one.draft.id, one])).values()];
  const zoneOf = chosen.map(({ draft }) => zones.findIndex((zone) => zone.draft.id === draft.id));
  /** by value, shopper and zone: what becomes of each option, and how many orders took it; evaluations themselves are not kept */
  const known = new Map<number, { outcomes: (Outcome | null)[]; orders: Uint32Array }>();
  for (let i = 0; i < columns.count; i += every) {
    if (i % stretch < every) progress(i / columns.count);
    const [value, shopper, option] = [columns.goods[i]!, columns.shopper[i]!, columns.option[i]!];
    const zone = zoneOf[option]!;
    const who = (value * kinds + shopper) * zones.length + zone;
    let alike = known.get(who);
    if (!alike) {
      const { draft, release } = zones[zone]!;
      const situation = someoneIn(draft, instant, shopperOfKind(shopper));
      const [ahead, current] = [
        evaluateHypothetical(draft, orderOfValue(value), situation),
        release && evaluateHypothetical(release, orderOfValue(value), situation),
      ];
      alike = {
        outcomes: options.map((id, index) => (zoneOf[index] === zone ? outcomeOf(ahead, current, id) : null)),
        orders: new Uint32Array(options.length),
      };
      known.set(who, alike);
      if (known.size % anew === 0) progress(i / columns.count);
    }
    alike.orders[option]!++;
    result.orders++;
  }
  for (const [who, { outcomes, orders }] of known) {
    const [zone, person] = [who % zones.length, Math.floor(who / zones.length)];
    for (const [option, outcome] of outcomes.entries())
      if (orders[option]! > 0)
        count(result, outcome, orders[option]!, {
          zoneId: zones[zone]!.draft.id,
          value: Math.floor(person / kinds),
          shopper: person % kinds,
        });
  }
  progress(1);
  return result;
}

function count(
  result: Replay,
  outcome: Outcome | null,
  orders: number,
  like: Pick<ReplayExample, 'zoneId' | 'value' | 'shopper'>,
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
