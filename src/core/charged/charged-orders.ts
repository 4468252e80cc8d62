import type { CompiledPolicy } from '../evaluation/compile.ts';
import type { ReadableOrders } from '../reading/readable-orders.ts';
import { instantOfClock } from '../time/time-zone-clock.ts';
import { Disagreements, type Disagreement } from './disagreements.ts';
import { MarketRules } from './market-rules.ts';

/** Rules and the first day on which shoppers had them. */
export interface RulesSince {
  /** days since 1970-01-01 on the store’s clock */
  day: number;
  compiled: CompiledPolicy;
}

/** Past orders of a market beside the rules of their day. */
export interface ChargedOrders {
  /** orders that are known well enough to be compared */
  compared: number;
  agree: number;
  /** placed before the rules that are known */
  before: number;
  /** that do not say what delivery cost or by which option it came, or by one whose carrier is not asked any more */
  left: number;
  /** the commonest ways to disagree, that with most orders first */
  groups: Disagreement[];
  /** orders that disagree in other ways */
  others: number;
}

/** Orders between two words of progress. */
const stretch = 2000;
const noon = 12 * 60;

/**
 * Compares what orders were charged with the rules of their day: each as one article of its goods value, pieces and weight, at noon
 * on the store’s clock, with the code that was entered and in the arm of an experiment that it names. On the day of a release an
 * order agrees with the rules before it or with those after it.
 *
 * @param rules oldest first @param timeZone of the store @param progress told the share done
 */
export function chargedOrders(
  orders: ReadableOrders,
  marketId: string,
  rules: readonly RulesSince[],
  timeZone: string,
  progress: (share: number) => void = () => undefined,
): ChargedOrders {
  const { columns } = orders;
  const found = new Disagreements(orders);
  const result = { compared: 0, agree: 0, before: 0, left: 0 };
  const times = rules.map(({ day, compiled }) => ({ day, rules: new MarketRules(compiled, marketId, orders) }));
  let [current, day, instant] = [-1, -1, 0];
  for (let place = 0; place < columns.count; place++) {
    if (place % stretch === 0) progress(place / columns.count);
    if (columns.day[place] !== day) {
      day = columns.day[place]!;
      instant = instantOfClock(timeZone, day, noon, 'earlier');
      current = times.findLastIndex((one) => one.day <= day);
    }
    if (columns.delivery[place]! < 0 || columns.options[columns.option[place]!] === '') {
      result.left++;
      continue;
    }
    // The rules that the day began with, and those that came on it.
    const first = times.findIndex((one) => one.day === day);
    const from = first < 0 ? current : Math.max(0, first - 1);
    if (current < 0) {
      result.before++;
      continue;
    }
    let last = times[current]!.rules.compare(place, instant);
    for (let i = current - 1; i >= from && last.verdict !== 'agrees'; i--) {
      const earlier = times[i]!.rules.compare(place, instant);
      if (earlier.verdict === 'agrees') last = earlier;
    }
    // On the day of the first release the rules before it are not known.
    const unknown = first === 0 && last.verdict !== 'agrees';
    if (unknown) result.before++;
    else if (last.verdict === 'notCompared') result.left++;
    else {
      result.compared++;
      if (last.verdict === 'agrees') result.agree++;
      else found.add(place, last);
    }
  }
  progress(1);
  return { ...result, ...found.found() };
}
