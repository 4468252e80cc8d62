import type { OrderColumns } from '../orders/columns.ts';
import { responseOf, usualAssumption } from '../orders/response.ts';
import { passer, type OrderFilter } from '../orders/tally.ts';
import type { AssumedShare, Assumption } from '../policy/types.ts';
import type { Assumed, MoveTerms } from './move.ts';

/** How orders of a period were delivered. */
export interface OptionShare {
  /** id of the option, or what the export called it */
  id: string;
  orders: number;
  /** what those paid on average that paid anything, minor units; null: none did */
  paid: number | null;
}

export function optionShares(columns: OrderColumns, filter: OrderFilter): OptionShare[] {
  const { count, option, options, delivery } = columns;
  const passes = passer(columns, filter);
  const [orders, paying, paid] = [options, options, options].map(({ length }) => new Float64Array(length)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let i = 0; i < count; i++) {
    if (!passes(i)) continue;
    orders[option[i]!]!++;
    if (delivery[i]! <= 0) continue;
    paying[option[i]!]!++;
    paid[option[i]!]! += delivery[i]!;
  }
  return options
    .map((id, i) => ({ id, orders: orders[i]!, paid: paying[i]! > 0 ? paid[i]! / paying[i]! : null }))
    .filter((share) => share.orders > 0)
    .sort((a, b) => b.orders - a.orders);
}

/** A share of which nothing is stated. */
export const nothingStated: AssumedShare = { likely: '0', low: '0', high: '0' };

/** What is assumed in a market, in plain numbers. @param options how its orders were delivered */
export function moveTerms(assumption: Assumption | undefined, options: readonly OptionShare[]): MoveTerms {
  const { lost = nothingStated, won = nothingStated, ownCost = {}, ...response } = assumption ?? usualAssumption;
  return {
    response: responseOf(response),
    lost: assumedOf(lost),
    won: assumedOf(won),
    ownCost: ownCostOf(options, ownCost),
  };
}

function assumedOf({ likely, low, high }: AssumedShare): Assumed {
  const share = Number(likely) / 100;
  return { likely: share, low: Math.min(share, Number(low) / 100), high: Math.max(share, Number(high) / 100) };
}

/** The average over how orders were delivered; an option of which nothing is stated costs what is paid for it. Null: none is stated */
function ownCostOf(options: readonly OptionShare[], stated: Readonly<Record<string, number>>): number | null {
  if (!options.some(({ id }) => Object.hasOwn(stated, id))) return null;
  let [sum, all] = [0, 0];
  for (const { id, orders, paid } of options) {
    sum += orders * (Object.hasOwn(stated, id) ? stated[id]! : (paid ?? 0));
    all += orders;
  }
  return sum / all;
}
