import { toDecimal } from '../money/decimal.ts';
import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import { inOrder } from '../ordered.ts';
import type { Amounts, Basis, Comparison, GoodsSelection, Policy } from '../policy/types.ts';

const basisWords: Record<Basis, string> = {
  afterDiscountsAsShown: 'after discounts, as shown',
  afterDiscountsWithTax: 'after discounts, with tax',
  afterDiscountsWithoutTax: 'after discounts, without tax',
  beforeDiscountsAsShown: 'before discounts, as shown',
  beforeDiscountsWithTax: 'before discounts, with tax',
  beforeDiscountsWithoutTax: 'before discounts, without tax',
};

/** A value in a basis, such as “before discounts, without tax”. */
export function basisInWords(basis: Basis): string {
  return basisWords[basis];
}

/** All of them, as choices. */
export const basesInWords = Object.entries(basisWords) as [Basis, string][];

/** What parts of conditions mean in English, in a policy: for all markets, or for one. */
export class Reader {
  constructor(
    readonly policy: Policy,
    private readonly marketId: string | undefined,
  ) {}

  /** A comparison of amounts, as each market states it. */
  money(operator: Comparison, amounts: Amounts, to: Amounts | undefined): string {
    const { policy, marketId } = this;
    const stating = () => inOrder(policy.markets).flatMap(([id]) => (amounts[id] ? [id] : []));
    const markets = marketId === undefined ? stating() : [marketId];
    const clauses = markets.map((id) => {
      const money = localMoneyOf(policy, id);
      const minor = (table: Amounts | undefined) => (table?.[id] ? resolveAmount(table[id], money) : null);
      const [value, end] = [minor(amounts), minor(to)];
      if (value === null || (to !== undefined && end === null)) return null;
      const clause = compared(
        operator,
        value,
        end ?? undefined,
        (amount) => `${toDecimal(amount, money.currency)} ${money.currency}`,
      );
      return marketId === undefined ? `${clause} in ${policy.markets[id]?.name ?? id}` : clause;
    });
    const stated = clauses.filter((clause) => clause !== null);
    return stated.length > 0 ? stated.join(', ') : 'has no amount here, so it never holds';
  }

  /** Goods such as products, categories and tags, any of which is enough, in a price range. */
  goods({ products, categories, tags, unitPriceFrom, unitPriceBelow }: GoodsSelection): string {
    const any = (ids: readonly string[]) =>
      listed(
        ids.map((id) => `“${id}”`),
        'or',
      );
    const named = [
      products ? `the products ${any(products)}` : '',
      categories ? `the categories ${any(categories)}` : '',
      tags ? `goods tagged ${any(tags)}` : '',
    ].filter(Boolean);
    const from = unitPriceFrom ? ` with a price that ${this.money('atLeast', unitPriceFrom, undefined)}` : '';
    const below = unitPriceBelow ? ` with a price that ${this.money('lessThan', unitPriceBelow, undefined)}` : '';
    return `${named.length > 0 ? named.join(' or ') : 'any goods'}${from}${below}`;
  }

  clock(readIn: string): string {
    if (readIn === 'store') return 'on the store’s clock';
    return readIn === 'market' ? 'on the market’s clock' : `on the clock of ${readIn}`;
  }
}

/** @param whole the smallest difference is 1, so that “more than” is said as the next amount too */
export function compared(
  operator: Comparison,
  value: number,
  to: number | undefined,
  write: (value: number) => string,
  whole = true,
): string {
  switch (operator) {
    case 'is':
      return `is exactly ${write(value)}`;
    case 'isNot':
      return `is known and is not ${write(value)}`;
    case 'atLeast':
      return `is at least ${write(value)}`;
    case 'atMost':
      return `is at most ${write(value)}`;
    case 'moreThan':
      return `is more than ${write(value)}${whole ? `, which is at least ${write(Math.floor(value) + 1)}` : ''}`;
    case 'lessThan':
      return `is less than ${write(value)}${whole ? `, which is at most ${write(Math.ceil(value) - 1)}` : ''}`;
    case 'between':
      return `is from ${write(value)} to ${write(to ?? value)}, both included`;
  }
}

export function listed(words: readonly string[], last: string): string {
  return words.length > 1 ? `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}` : words.join('');
}
