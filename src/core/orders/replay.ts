import { orderOfValue } from '../cart/imagined-order.ts';
import type { CompiledZone } from '../evaluation/compile.ts';
import { evaluateImagined } from '../evaluation/evaluate.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import type { Shopper } from '../policy/types.ts';
import { shopperNew, shopperReturning, type OrderColumns } from './columns.ts';

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
/** Orders, and orders worked out anew, between two words of progress. */
const stretch = 20_000;
const anew = 200;

/** Of whom an export tells that they are new or returning, and nothing else. */
const shopperOf = (kind: number): Shopper | undefined => (kind === shopperNew ? { signedIn: false, orderCount: 0 } : kind === shopperReturning ? { signedIn: false, orderCount: 1 } : undefined);

/**
 * Replays past orders at one moment: each as one light article of its goods value, bought by a guest of whom is known at most
 * whether they had ordered before, somewhere in the zone, with the option that was chosen where it is offered under both, else
 * with what each would choose at first. Orders alike in all of this have one outcome, which is worked out once.
 *
 * @param release null: there is none, so that every order pays what is charged before offers
 * @param every looks at every n-th order only
 */
export function replayOrders(columns: OrderColumns, draft: CompiledZone, release: CompiledZone | null, instant: number, every = 1, progress: (share: number) => void = () => undefined): Replay {
  const result: Replay = { orders: 0, less: 0, more: 0, same: 0, without: 0, change: 0, givenBefore: 0, givenNow: 0, examples: [] };
  const outcomes = new Map<string, { outcome: Outcome | null; value: number; shopper: number; orders: number }>();
  const named = draft.include.find(({ country }) => country !== null)?.country;
  const destination = { country: named ?? draft.market.market.countries[0] ?? '', postcode: '' };
  const evaluations = new Map<string, [Evaluation, Evaluation | null]>();
  for (let i = 0; i < columns.count; i += every) {
    if (i % stretch < every) progress(i / columns.count);
    const [value, shopper, option] = [columns.goods[i]!, columns.shopper[i]!, columns.option[i]!];
    const key = `${value} ${shopper} ${option}`;
    let known = outcomes.get(key);
    if (!known) {
      const who = `${value} ${shopper}`;
      let pair = evaluations.get(who);
      if (!pair) {
        const person = shopperOf(shopper);
        const situation = { destination, instant, ...(person ? { shopper: person } : {}) };
        pair = [evaluateImagined(draft, orderOfValue(value), situation), release && evaluateImagined(release, orderOfValue(value), situation)];
        evaluations.set(who, pair);
        if (evaluations.size % anew === 0) progress(i / columns.count);
      }
      known = { outcome: outcomeOf(pair[0], pair[1], columns.options[option] ?? ''), value, shopper, orders: 0 };
      outcomes.set(key, known);
    }
    known.orders++;
    result.orders++;
    const { outcome } = known;
    if (!outcome) {
      result.without++;
      continue;
    }
    const difference = outcome.now - outcome.was;
    if (difference < 0) result.less++;
    else if (difference > 0) result.more++;
    else result.same++;
    result.change += difference;
    result.givenBefore += outcome.givenBefore;
    result.givenNow += outcome.givenNow;
  }
  result.examples = [...outcomes.values()]
    .flatMap(({ outcome, value, shopper, orders }) => (outcome && outcome.now !== outcome.was ? [{ value, shopper, was: outcome.was, now: outcome.now, orders }] : []))
    .sort((a, b) => b.orders - a.orders || a.value - b.value)
    .slice(0, mostExamples);
  progress(1);
  return result;
}

function outcomeOf(draft: Evaluation, release: Evaluation | null, option: string): Outcome | null {
  const chosen = (evaluation: Evaluation, id: string | null) => evaluation.options.find(({ optionId }) => optionId === id);
  const both = chosen(draft, option) && (release === null || chosen(release, option));
  const now = chosen(draft, both ? option : draft.preselected);
  if (!now) return null;
  if (release === null) return { was: now.before, now: now.after, givenBefore: 0, givenNow: now.before - now.after };
  const was = chosen(release, both ? option : release.preselected);
  return was ? { was: was.after, now: now.after, givenBefore: was.before - was.after, givenNow: now.before - now.after } : null;
}
