import { compilePacking, type CompiledPacking } from '../packing/rules.ts';
import { localMoneyOf, resolveAmount, type LocalMoney } from '../money/local-amount.ts';
import { percentAsFraction, type PercentFraction } from '../money/rounding.ts';
import type { Amounts, LocalAmount, Market, Policy } from '../policy/types.ts';
import type { Clocks } from '../time/schedule.ts';

/** Tax rates that hold at a destination. */
export interface TaxRates {
  delivery: PercentFraction;
  /** in percent, as written */
  deliveryPercent: string;
  standard: PercentFraction;
  classes: ReadonlyMap<string, PercentFraction>;
}

/** What a market fixes for everything sold in it. */
export interface MarketTerms {
  id: string;
  money: LocalMoney;
  /** whether prices shown and entered contain tax */
  shownWithTax: boolean;
  /** all goods have the standard rate at every destination */
  taxRates: TaxRates;
  regionTaxRates: ReadonlyMap<string, TaxRates>;
  clocks: Clocks;
  /** the store's: of options that have no packing of their own */
  packing: CompiledPacking | null;
  /** following product prices, worked out once each */
  followed: WeakMap<LocalAmount, number>;
}

/** What a market's terms are compiled from beside itself. */
export interface TermsSources extends Pick<Policy, 'store' | 'rates'> {
  id: string;
}

export function compileTerms(market: Market, { id, ...sources }: TermsSources): MarketTerms {
  const taxRates = taxRatesOf(market.tax.delivery, market.tax.classes);
  const regionRates = Object.entries(market.tax.regions ?? {}).map(([region, differing]): [string, TaxRates] => [
    region,
    taxRatesOf(differing.delivery ?? market.tax.delivery, { ...market.tax.classes, ...differing.classes }),
  ]);
  return {
    id,
    money: localMoneyOf({ ...sources, markets: { [id]: market } }, id),
    shownWithTax: market.tax.prices === 'withTax',
    taxRates,
    regionTaxRates: new Map(regionRates),
    clocks: { store: sources.store.timeZone, market: market.timeZone ?? sources.store.timeZone },
    packing: compilePacking(sources.store.packing),
    followed: new WeakMap(),
  };
}

function taxRatesOf(delivery: string, classes: Record<string, string>): TaxRates {
  const fractions = new Map(
    Object.entries(classes).map(([name, percent]): [string, PercentFraction] => [name, percentAsFraction(percent)]),
  );
  return {
    delivery: percentAsFraction(delivery),
    deliveryPercent: delivery,
    standard: fractions.get('standard')!,
    classes: fractions,
  };
}

/** The rates at a destination: those of its region where they differ. */
export function taxRatesAt(terms: MarketTerms, region: string | undefined): TaxRates {
  return (region !== undefined && terms.regionTaxRates.get(region)) || terms.taxRates;
}

/** A market's amount out of a table of amounts, minor units; null where none is stated or it cannot be worked out. */
export function amountIn(amounts: Amounts | undefined, terms: MarketTerms): number | null {
  const amount = amounts?.[terms.id];
  return amount ? resolveAmount(amount, terms.money) : null;
}
