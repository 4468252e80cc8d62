import type { Statement } from '../statements/statement.ts';
import type { ChargedInMarket } from './charged-in-market.ts';

/** What a market charged under a release, while it was in force. */
export interface ChargedUnder {
  release: number;
  charged: ChargedInMarket;
}

/** Why nobody can tell whether a statement is right. */
export type UnclearBecause = 'otherCurrency' | 'onlySome' | 'neverSo' | 'nothingOfIt';

/** `should`: amounts that would be right, minor units, or days; `since`: the release from which it is not any more. */
export type Verdict =
  | { verdict: 'right' }
  | { verdict: 'stale'; should: readonly (number | string)[]; since: number | null }
  | { verdict: 'unclear'; because: UnclearBecause };

/**
 * Compares what a text states with what the newest release charges. What an earlier one charged is stale since the release after
 * it. What some charge or offer is made of may hold for some orders or shoppers, and is unclear; what nothing is made of and none
 * ever charged is stale where it promises that delivery is free, or where only one amount can be meant, else unclear.
 *
 * @param history releases, the newest first; at least one
 */
export function compareStatement(statement: Statement, history: readonly ChargedUnder[]): Verdict {
  const [now, ...before] = history;
  if (!now) return { verdict: 'unclear', because: 'nothingOfIt' };
  const { charged } = now;
  if (currencyOf(statement) !== null && currencyOf(statement) !== charged.currency)
    return { verdict: 'unclear', because: 'otherCurrency' };
  if (fits(statement, charged)) return { verdict: 'right' };
  const last = before.findIndex((one) => fits(statement, one.charged));
  const should = shouldSay(statement, charged);
  if (last >= 0) return { verdict: 'stale', should, since: history[last]!.release };
  if (holdsForSome(statement, charged)) return { verdict: 'unclear', because: 'onlySome' };
  const isPromise = statement.kind === 'goal' || statement.kind === 'free';
  if (should.length === 1 || (isPromise && should.length > 0)) return { verdict: 'stale', should, since: null };
  return { verdict: 'unclear', because: should.length === 0 ? 'nothingOfIt' : 'neverSo' };
}

function currencyOf(statement: Statement): string | null {
  if (statement.kind === 'free' || statement.kind === 'until') return null;
  return statement.kind === 'range' ? statement.to.currency : statement.amount.currency;
}

function fits(statement: Statement, { goals, prices, perKilo, allFree, ends }: ChargedInMarket): boolean {
  switch (statement.kind) {
    case 'goal':
      return goals.includes(statement.amount.minor);
    case 'price':
      return prices.includes(statement.amount.minor);
    case 'perKilo':
      return perKilo.includes(statement.amount.minor);
    case 'range':
      return prices[0] === statement.from.minor && prices.at(-1) === statement.to.minor;
    case 'free':
      return allFree;
    case 'until': {
      const { year, month, day } = statement.date;
      const two = (count: number) => String(count).padStart(2, '0');
      const written = `-${two(month)}-${two(day)}`;
      return ends.some((end) => (year === null ? end.endsWith(written) : end === `${year}${written}`));
    }
  }
}

/** Whether what is stated is part of some charge or offer: then it may be right of some orders or shoppers, which a sentence seldom says. */
function holdsForSome(statement: Statement, { written, someFree }: ChargedInMarket): boolean {
  switch (statement.kind) {
    case 'goal':
    case 'price':
    case 'perKilo':
      return written.has(statement.amount.minor);
    case 'range':
      return written.has(statement.from.minor) && written.has(statement.to.minor);
    case 'free':
      return someFree;
    case 'until':
      return false;
  }
}

function shouldSay(
  statement: Statement,
  { goals, prices, perKilo, ends }: ChargedInMarket,
): readonly (number | string)[] {
  switch (statement.kind) {
    case 'goal':
    case 'free':
      return goals;
    case 'price':
      return prices;
    case 'perKilo':
      return perKilo;
    case 'range':
      return prices.length > 0 ? [...new Set([prices[0]!, prices.at(-1)!])] : [];
    case 'until':
      return ends;
  }
}
