import { convertAmount } from '../../money/convert.ts';
import { currencyExponent, priceUnit } from '../../money/currency.ts';
import { localMoneyOf } from '../../money/local-amount.ts';
import { spreadAmount } from '../../money/spread-amount.ts';
import { readNumber, type DecimalMark } from '../../tabular/read-number.ts';
import type { Goal, Policy } from '../../policy/types.ts';
import { resolveTarget } from '../target.ts';

/** A goal's cell in the grid. `value`: minor units or a count; null for not offered. */
interface TargetCell {
  offer: string;
  goal: string;
  market: string;
  value: number | null;
}

/** A pasted cell that cannot be taken, and why. `row` and `column` count from 1 within what was pasted. */
interface WrongCell {
  row: number;
  column: number;
  text: string;
  reason: string;
}

/**
 * Cells of a spreadsheet put onto the grid from a cell on, rightward and downward. Numbers are read as a reader's language
 * writes them; an empty cell is a market without the offer. Either all of it fits, or what does not is told.
 *
 * @param text rows parted by line breaks, cells by tabs
 * @param rows goals below one another, from the one pasted at
 * @param markets beside one another, from the one pasted at
 */
export function pastedTargets(
  text: string,
  rows: readonly { offer: string; goal: string }[],
  markets: readonly string[],
  policy: Policy,
  mark: DecimalMark,
): { cells: TargetCell[]; wrong: WrongCell[] } {
  const cells: TargetCell[] = [];
  const wrong: WrongCell[] = [];
  for (const [down, line] of text
    .replace(/\r?\n$/, '')
    .split(/\r?\n/)
    .entries()) {
    for (const [along, raw] of line.split('\t').entries()) {
      const place = rows[down];
      const market = markets[along];
      const note = (reason: string) => wrong.push({ row: down + 1, column: along + 1, text: raw.trim(), reason });
      if (!place || market === undefined) {
        note('lies outside of the grid');
        continue;
      }
      const read = readTarget(
        raw,
        policy.offers[place.offer]!.goals[place.goal]!,
        policy.markets[market]!.currency,
        mark,
      );
      if ('reason' in read) note(read.reason);
      else cells.push({ ...place, market, value: read.value });
    }
  }
  return { cells, wrong };
}

function readTarget(
  raw: string,
  { measure }: Goal,
  currency: string,
  mark: DecimalMark,
): { value: number | null } | { reason: string } {
  const text = raw.trim();
  if (text === '') return { value: null };
  const exponent = measure.kind === 'countedValue' ? currencyExponent(currency) : 0;
  const read = readNumber(text, mark, exponent);
  if (!read.ok) return { reason: 'is not a number' };
  if (read.rounded) return { reason: exponent === 0 ? 'is not a whole number' : `has more than ${exponent} decimals` };
  return read.minor < 0 ? { reason: 'a goal is not less than nothing' } : { value: read.minor };
}

/** How a reader's language writes decimals. */
export function decimalMarkOf(locale: string): DecimalMark {
  const part = new Intl.NumberFormat(locale).formatToParts(1.5).find(({ type }) => type === 'decimal');
  return part?.value === ',' ? 'comma' : 'point';
}

/** Beyond this a market asks so much more or less than the others that one should look at it again. */
const uneven = 0.35;

/**
 * Markets whose amount stands out: what it comes to in the base currency, as a multiple of the median of all markets. Only
 * amounts of money compare, and only with an adopted rate; two markets do not make one of them the odd one.
 */
export function unevenTargets(
  { targets, measure }: Goal,
  policy: Pick<Policy, 'store' | 'rates' | 'markets'>,
): Map<string, number> {
  if (measure.kind !== 'countedValue') return new Map();
  const inBase = Object.entries(targets).flatMap(([market, target]) => {
    const money = localMoneyOf(policy, market);
    const minor = resolveTarget(target, money);
    if (minor === null || money.rate === null || !policy.markets[market]) return [];
    const base = convertAmount(
      minor,
      { rate: money.rate, exponent: currencyExponent(money.currency) },
      { rate: '1', exponent: currencyExponent(money.baseCurrency) },
    );
    return [{ market, base }];
  });
  if (inBase.length < 3) return new Map();
  const sorted = inBase.map(({ base }) => base).sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  const median = sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
  return new Map(
    inBase.flatMap(({ market, base }) =>
      Math.abs(base / median - 1) > uneven ? [[market, base / median] as const] : [],
    ),
  );
}

/** Targets of every market that has one, following the amount of the base currency, rounded to a step; the base currency's own are exact. */
export function followingTargets(
  { targets, measure }: Goal,
  base: number,
  units: number,
  policy: Policy,
): Goal['targets'] {
  if (measure.kind !== 'countedValue') return targets;
  return Object.fromEntries(
    Object.entries(targets).map(([market, target]): [string, Goal['targets'][string]] => {
      const money = localMoneyOf(policy, market);
      if (money.currency === money.baseCurrency) return [market, { exact: base }];
      return [
        market,
        money.rate === null
          ? target
          : { following: { base, buffer: '0', round: 'nearest', step: stepIn(money.currency, units), less: 0 } },
      ];
    }),
  );
}

/** Exact targets rounded to multiples, and following ones to that step from now on. */
export function roundedTargets({ targets, measure }: Goal, units: number, policy: Policy): Goal['targets'] {
  if (measure.kind !== 'countedValue') return targets;
  return Object.fromEntries(
    Object.entries(targets).map(([market, target]): [string, Goal['targets'][string]] => {
      const step = stepIn(policy.markets[market]?.currency ?? policy.store.baseCurrency, units);
      if ('exact' in target)
        return [market, { exact: target.exact === 0 ? 0 : Math.max(step, Math.round(target.exact / step) * step) }];
      return [
        market,
        'following' in target
          ? { following: { ...target.following, step, less: Math.min(target.following.less, step - 1) } }
          : target,
      ];
    }),
  );
}

/** One target put into all the markets that are named: amounts converted by following the base, counts as they are. */
export function spreadTarget(
  from: string,
  { targets, measure }: Goal,
  markets: readonly string[],
  units: number,
  policy: Policy,
): Goal['targets'] {
  const source = targets[from];
  if (!source) return targets;
  const there = (market: string): Goal['targets'][string] | null => {
    if ('count' in source || measure.kind !== 'countedValue') return source;
    return spreadAmount(source, from, market, stepIn(policy.markets[market]!.currency, units), policy);
  };
  const spread = markets.flatMap((market) => {
    const target = there(market);
    return target ? [[market, target] as const] : [];
  });
  return { ...targets, ...Object.fromEntries(spread) };
}

/** Minor units that so many units of a price tag come to. */
const stepIn = (currency: string, units: number): number => units * priceUnit(currency);
