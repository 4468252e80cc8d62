import { CsvReader } from '../tabular/csv-reader.ts';
import { dayNumber } from '../time/day.ts';
import { isCurrency } from '../money/currency.ts';
import type { RateHistory } from '../money/rate-history.ts';

interface ReferenceRates {
  /** currency → rates against one euro, the oldest first */
  rates: RateHistory;
  rejected: { line: number; column: string; reason: string }[];
}

/**
 * Reads the layout in which the European Central Bank publishes its reference rates (`eurofxref-hist.csv`): a column `Date`
 * with ISO 8601 days, then a column a currency; cells are decimal numbers, or `N/A` where there was none. Lines may end with
 * a comma. Columns of currencies that are no longer in use are passed over, as are empty cells.
 */
export function readReferenceRates(text: string): ReferenceRates {
  const result: ReferenceRates = { rates: {}, rejected: [] };
  let currencies: (string | null)[] | null = null;
  const row = (fields: string[], line: number) => {
    if (!currencies) {
      if (fields[0]?.trim() !== 'Date') {
        result.rejected.push({ line, column: fields[0] ?? '', reason: 'the first column must be called Date' });
        currencies = [];
        return;
      }
      currencies = fields.map((name, index) => (index > 0 && isCurrency(name.trim()) ? name.trim() : null));
      return;
    }
    const day = fields[0]?.trim() ?? '';
    if (currencies.length === 0) return;
    if (dayNumber(day) === null) {
      result.rejected.push({ line, column: 'Date', reason: 'is not a day such as 2026-11-02' });
      return;
    }
    for (const [index, currency] of currencies.entries()) {
      const rate = fields[index]?.trim() ?? '';
      if (!currency || rate === '' || rate === 'N/A') continue;
      if (!/^(0|[1-9][0-9]{0,11})(\.[0-9]{1,12})?$/.test(rate) || !/[1-9]/.test(rate))
        result.rejected.push({ line, column: currency, reason: 'is not a rate such as 7.4603' });
      else (result.rates[currency] ??= []).push({ day, rate });
    }
  };
  const reader = new CsvReader(',', {
    row,
    fault: (reason, line) => result.rejected.push({ line, column: '', reason }),
  });
  reader.push(text.replace(/^﻿/, ''));
  reader.end();
  for (const [currency, rates] of Object.entries(result.rates)) {
    // Of a day that stands twice, the later line holds.
    const byDay = new Map(rates.map((one) => [one.day, one]));
    result.rates[currency] = [...byDay.values()].sort((a, b) => (a.day < b.day ? -1 : 1));
  }
  return result;
}
