import { minorPerMajor } from '../../core/money/currency.ts';
import { parseAmount, toDecimal } from '../../core/money/decimal.ts';
import { parseMeasured } from './typed-text.ts';
import type { Parsed } from '../../ui/TypedField.tsx';

const highest = 1_000_000_000_000;

/** Reads a goal typed in a market's currency; empty means not offered where that is allowed. Minor units. */
export function parseGoal(text: string, currency: string, emptyAllowed: boolean): Parsed<number | null> {
  if (text.trim() === '' && emptyAllowed) return { ok: true, value: null };
  const parsed = parseAmount(text, currency);
  if (!parsed.ok) return parsed;
  if (parsed.minor > highest) return { ok: false, reason: `At most ${highest / minorPerMajor(currency)}.` };
  return { ok: true, value: parsed.minor };
}

/** Reads a goal in pieces, or in grams as weights are written; empty means not offered. */
export const parseCount = (text: string, measure: string): Parsed<number | null> =>
  text.trim() === '' ? { ok: true, value: null } : parseMeasured(measure, 0, 999_999_999)(text);

/** A goal as its field shows it. @param currency null: a count */
export function shownGoal(target: number | null, currency: string | null): string {
  if (target === null) return '';
  return currency === null ? String(target) : toDecimal(target, currency);
}
