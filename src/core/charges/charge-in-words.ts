import { readOut } from '../conditions/read-out.ts';
import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import { inOrder } from '../ordered.ts';
import type { Charge, ChargeLine, LocalAmount, Policy } from '../policy/types.ts';
import { measures, type CountMeasure } from '../cart/charge-measure.ts';
import { countInWords, unitInWords } from './count-in-words.ts';
import { presetOfCharge } from './presets.ts';
import type { PriceWords } from './prices/price-kind.ts';
import { priceKindOf } from './prices/registry.ts';

/** Says charges of one market. @param writeMoney writes minor units of the market's currency for the reader */
export class ChargeWords implements PriceWords {
  readonly #policy: Policy;
  readonly #marketId: string;
  readonly #writeMoney: (minor: number) => string;

  constructor(policy: Policy, marketId: string, writeMoney: (minor: number) => string) {
    this.#policy = policy;
    this.#marketId = marketId;
    this.#writeMoney = writeMoney;
  }

  /** A charge in one sentence: the usual kinds in short, others line by line. */
  charge(charge: Charge): string {
    const preset = presetOfCharge(charge);
    switch (preset?.kind) {
      case 'flat':
        return this.amount(preset.price);
      case 'perItem':
        return `${this.amount(preset.each)} an item`;
      case 'firstAndFurther':
        return `${this.amount(preset.first)} for the first item, ${this.amount(preset.further)} for each further one`;
      case 'stepsByValue':
        return preset.steps
          .map(({ from, price }, index) =>
            index === 0 ? this.amount(price) : `${this.amount(price)} from ${this.amount(from)}`,
          )
          .join(', ');
      case 'stepsByCount':
        return preset.steps
          .map(({ from, price }, index) =>
            index === 0 && from === 0
              ? this.amount(price)
              : `${this.amount(price)} from ${countInWords(preset.measure, from)}`,
          )
          .join(', ');
      case 'baseAndFactor':
        return `${this.amount(preset.base)} and ${this.amount(preset.factor)} for each ${unitInWords(preset.measure, preset.per, preset.started)}`;
      default:
        return this.#byLines(charge);
    }
  }

  #byLines({ combine, lines, otherwise, handling }: Charge): string {
    const said = inOrder(lines).map(([, line]) => this.line(line));
    const how = { first: 'the first of', sum: 'the sum of', highest: 'the highest of', lowest: 'the lowest of' }[
      combine
    ];
    const list = said.length > 1 ? `${how} what applies: ${said.join('; ')}` : (said[0] ?? 'no line');
    const rest = otherwise.kind === 'price' ? `; otherwise ${this.amount(otherwise.price)}` : '';
    return `${list}${rest}${handling ? `; plus handling of ${'amount' in handling ? this.amount(handling.amount) : `${handling.percent} %`}` : ''}`;
  }

  /** A line: when and where it applies, and its price. */
  line(line: ChargeLine): string {
    const where = this.range(line);
    const when = line.when ? `if ${readOut(this.#policy, line.when, this.#marketId)}` : '';
    return [this.price(line.price), where, when].filter(Boolean).join(' ');
  }

  range({ over }: ChargeLine): string {
    if (!over) return '';
    const write = (value: LocalAmount | number) =>
      typeof value === 'number' ? countInWords(over.measure as CountMeasure, value) : this.amount(value);
    const measure = `of ${measures[over.measure].name}`;
    const zero = typeof over.from === 'number' ? over.from === 0 : 'exact' in over.from && over.from.exact === 0;
    if (over.to === null) return zero ? '' : `from ${write(over.from)} ${measure}`;
    return zero
      ? `below ${write(over.to)} ${measure}`
      : `from ${write(over.from)} to below ${write(over.to)} ${measure}`;
  }

  price(price: ChargeLine['price']): string {
    return priceKindOf(price).inWords(price, this);
  }

  money(minor: number): string {
    return this.#writeMoney(minor);
  }

  amount(amount: LocalAmount): string {
    const minor = resolveAmount(amount, localMoneyOf(this.#policy, this.#marketId));
    return minor === null ? 'an amount without a rate' : this.#writeMoney(minor);
  }
}
