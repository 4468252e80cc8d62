import type { Catalogue } from '../../catalogue/product.ts';
import { localMoneyOf, resolveAmount } from '../../money/local-amount.ts';
import { formatMoney } from '../../money/format.ts';
import type { CountMeasure } from '../../cart/charge-measure.ts';
import type { Amounts, LocalAmount, Market, Policy } from '../../policy/types.ts';
import { fallBack } from '../../wording/languages/fall-back.ts';
import { shareInWords } from '../../wording/outside/given.ts';
import { renderText } from '../../wording/render.ts';
import { shippedWords, sourceWords } from './known-languages.ts';
import type { SurfaceTextId } from './surface-words.ts';

type Values = Readonly<Record<string, string | number>>;

/** Writes what generated surfaces say of a market in one of its languages. */
export class SurfaceWriter {
  readonly policy: Policy;
  readonly marketId: string;
  readonly market: Market;
  readonly language: string;
  readonly #money: ReturnType<typeof localMoneyOf>;

  readonly #catalogue: Catalogue;

  /** @param marketId of the policy */
  constructor({ policy, catalogue }: { policy: Policy; catalogue: Catalogue }, marketId: string, language: string) {
    this.#catalogue = catalogue;
    this.policy = policy;
    this.marketId = marketId;
    this.market = policy.markets[marketId]!;
    this.language = language;
    this.#money = localMoneyOf(policy, marketId);
  }

  /** A text with its values. One of the store’s own that cannot be filled is told in the words that ship. */
  say(id: SurfaceTextId, values: Values = {}): string {
    const shipped = (shippedWords(this.language) ?? sourceWords)[id];
    const own = ownText(this.policy, id, this.language);
    return (own && renderText(own, this.language, values)) ?? renderText(shipped, this.language, values) ?? '';
  }

  /** Minor units of the market's currency. */
  money(minor: number): string {
    return formatMoney(minor, this.market.currency, this.language);
  }

  /** Minor units that an amount comes to here; null where it has no rate. */
  minor(amount: LocalAmount | undefined): number | null {
    return amount ? resolveAmount(amount, this.#money) : null;
  }

  amount(amount: LocalAmount): string {
    const minor = this.minor(amount);
    return minor === null ? '–' : this.money(minor);
  }

  amountIn(amounts: Amounts | undefined): string {
    const amount = amounts?.[this.marketId];
    return amount ? this.amount(amount) : '–';
  }

  /** A decimal percentage. */
  percent(percent: string): string {
    return shareInWords(percent, this.language);
  }

  /** One after another, with the comma of the language. */
  clauses(parts: readonly string[]): string {
    return parts.length < 2 ? parts.join('') : parts.reduce((first, second) => this.say('clauses', { first, second }));
  }

  list(parts: readonly string[], type: 'conjunction' | 'disjunction' = 'conjunction'): string {
    return this.#known(`list ${type}`, () => new Intl.ListFormat(this.language, { type })).format(parts as never);
  }

  country(code: string): string {
    const names = this.#known('country', () => {
      const known = new Intl.DisplayNames(this.language, { type: 'region', fallback: 'code' });
      return { format: (region: string) => known.of(region) ?? region };
    });
    return names.format(code as never);
  }

  number(value: number): string {
    return this.#known('number', () => new Intl.NumberFormat(this.language)).format(value as never);
  }

  /** What is counted once: “item”, “500 g”, and of a single unit its name alone, “kg”. */
  unit(measure: CountMeasure, per: number): string {
    if (per === 1 && measure === 'items') return this.say('eachItem');
    if (per === 1 && measure === 'lines') return this.say('eachLine');
    if (per === 1 && measure === 'parcels') return this.say('eachParcel');
    if (per === 1000 && (measure === 'weight' || measure === 'chargeableWeight')) return this.#unitName('kilogram');
    return this.count(measure, per);
  }

  product(id: string): string {
    return this.#catalogue.get(id)?.name ?? id;
  }

  /** A count of a measure with its unit: grams from a kilogram on in kilograms. */
  count(measure: CountMeasure, count: number): string {
    switch (measure) {
      case 'items':
        return this.say('countItems', { count });
      case 'lines':
        return this.say('countLines', { count });
      case 'parcels':
        return this.say('countParcels', { count });
      case 'volume':
        return `${this.number(count)} cm³`;
      case 'longestSide':
        return count >= 10 && count % 10 === 0 ? this.#unit('centimeter', count / 10) : this.#unit('millimeter', count);
      case 'weight':
      case 'chargeableWeight':
        return count >= 1000 && count % 10 === 0 ? this.#unit('kilogram', count / 1000) : this.#unit('gram', count);
    }
  }

  distance(distance: number, unit: 'km' | 'mi'): string {
    return this.#unit(unit === 'km' ? 'kilometer' : 'mile', distance);
  }

  /** A local time as it is kept, `YYYY-MM-DDTHH:MM`, as people write it. */
  moment(local: string): string {
    const wholeDay = local.endsWith('T00:00');
    const format = this.#known(
      wholeDay ? 'day' : 'moment',
      () =>
        new Intl.DateTimeFormat(this.language, {
          dateStyle: 'long',
          ...(wholeDay ? {} : { timeStyle: 'short' as const }),
          timeZone: 'UTC',
          calendar: 'gregory',
        }),
    );
    return format.format(new Date(`${local}Z`) as never);
  }

  /** `HH:MM` as people write it. */
  time(clock: string): string {
    const format = this.#known(
      'time',
      () => new Intl.DateTimeFormat(this.language, { timeStyle: 'short', timeZone: 'UTC' }),
    );
    return format.format(new Date(`2024-01-01T${clock}Z`) as never);
  }

  /** @param iso 1 is Monday */
  weekday(iso: number): string {
    const format = this.#known(
      'weekday',
      () => new Intl.DateTimeFormat(this.language, { weekday: 'long', timeZone: 'UTC' }),
    );
    // The first of January 2024 was a Monday.
    return format.format(new Date(Date.UTC(2024, 0, iso)) as never);
  }

  #unit(unit: string, value: number): string {
    return this.#known(`unit ${unit}`, () => this.#unitFormat(unit)).format(value as never);
  }

  #unitFormat(unit: string): Intl.NumberFormat {
    return new Intl.NumberFormat(this.language, {
      style: 'unit',
      unit,
      unitDisplay: 'short',
      maximumFractionDigits: 3,
    });
  }

  #unitName(unit: string): string {
    const named = this.#known(`name ${unit}`, () => {
      const parts = this.#unitFormat(unit).formatToParts(1);
      const name = parts.find(({ type }) => type === 'unit')?.value ?? '';
      return { format: () => name };
    });
    return named.format(undefined as never);
  }

  #known(key: string, make: () => Format): Format {
    const known = `${this.language} ${key}`;
    let format = formats.get(known);
    if (!format) {
      if (formats.size >= mostFormats) formats.clear();
      formats.set(known, (format = make()));
    }
    return format;
  }
}

interface Format {
  format: (value: never) => string;
}
/** By language, and what they write. */
const formats = new Map<string, Format>();
const mostFormats = 1000;

/** What the store has written in place of a text that ships, in the language or its base language; null: nothing. */
export function ownText({ surfaceTexts }: Policy, id: SurfaceTextId, language: string): string | null {
  const texts = surfaceTexts && Object.hasOwn(surfaceTexts, id) ? surfaceTexts[id] : undefined;
  const found = fallBack(texts, language, []);
  return found && found.rank <= 1 ? texts![found.language]! : null;
}
