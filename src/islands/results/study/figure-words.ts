import { useMemo } from 'react';
import { figureKinds, type FigureId } from '../../../core/results/figures/registry.ts';
import type { FigureUnit } from '../../../core/results/figures/figure.ts';
import { toDecimal } from '../../../core/money/decimal.ts';
import { useNotation } from '../../page/page-context.tsx';

/** Figures as the reader writes them. */
export interface FigureWords {
  value: (id: FigureId, value: number) => string;
  /** with its sign; shares in points */
  difference: (id: FigureId, value: number) => string;
  /** an interval of differences, the unit left out */
  range: (id: FigureId, low: number, high: number) => string;
  /** a relative change with its sign: “+4.2 %” */
  relative: (share: number) => string;
  count: (value: number) => string;
  /** as files of numbers have it: money in the currency, shares of 1 */
  number: (id: FigureId, value: number | null | undefined) => number | null;
}

export function useFigureWords(currency: string): FigureWords {
  const { money, figure, locale } = useNotation();
  return useMemo(() => {
    const percent = new Intl.NumberFormat(locale, {
      style: 'percent',
      minimumFractionDigits: 1,
      maximumFractionDigits: 1,
    });
    const signed = new Intl.NumberFormat(locale, {
      style: 'percent',
      minimumFractionDigits: 1,
      maximumFractionDigits: 1,
      signDisplay: 'exceptZero',
    });
    const fine = new Intl.NumberFormat(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 });
    const whole = new Intl.NumberFormat(locale, { maximumFractionDigits: 0 });
    const write: Record<FigureUnit, (value: number) => string> = {
      money: (value) => money(Math.round(value), currency),
      share: (value) => percent.format(value),
      count: (value) => fine.format(value),
    };
    const apart: Record<FigureUnit, (value: number) => string> = {
      ...write,
      share: (value) => `${fine.format(value * 100)} points`,
    };
    const bare: Record<FigureUnit, (value: number) => string> = {
      money: (value) => figure(Math.round(value), currency),
      share: (value) => fine.format(value * 100),
      count: (value) => fine.format(value),
    };
    const sign = (text: string, value: number) => `${value > 0 ? '+' : ''}${text}`;
    return {
      range: (id, low, high) => {
        const write = bare[figureKinds[id].unit];
        return `${sign(write(low), low)} to ${sign(write(high), high)}`;
      },
      value: (id, value) => write[figureKinds[id].unit](value),
      difference: (id, value) => sign(apart[figureKinds[id].unit](value), value),
      relative: (share) => signed.format(share),
      count: (value) => whole.format(value),
      number: (id, value) => {
        if (value === null || value === undefined) return null;
        return figureKinds[id].unit === 'money' ? Number(toDecimal(Math.round(value), currency)) : value;
      },
    };
  }, [money, figure, locale, currency]);
}
