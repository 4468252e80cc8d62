import { formatMoney } from '../money/format.ts';
import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import { toDecimal } from '../money/decimal.ts';
import { inOrder } from '../ordered.ts';
import type { Amounts, Basis, Comparison, Condition, ConditionNode, GoodsSelection, Policy } from '../policy/types.ts';
import type { LeafNode } from './compile-leaf.ts';

const language = 'en-GB';

/**
 * A condition as an English clause that says exactly what is computed: “the shopper is signed in and (the destination's
 * zone is “Islands” or …)”. Trees inside trees stand in brackets, so that it can be read in one way only.
 *
 * @param marketId states the amounts of that market only; those of every market when absent
 */
export function readOut(policy: Policy, condition: Condition, marketId?: string): string {
  return new Reader(policy, marketId).tree(condition);
}

/** The first moment after a stretch of the day, in words. */
function timeUntil({ from, to }: { from: string; to: string }): string {
  if (to === '00:00') return 'the end of the day';
  return to <= from ? `${to} of the next day` : to;
}

const weekdayNames = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

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

const yesNoWords: Record<Extract<LeafNode, { kind: 'yesNo' }>['fact'], [yes: string, no: string]> = {
  'shopper.signedIn': ['the shopper is signed in', 'the shopper is a guest'],
  'shopper.business': ['the shopper buys for a business', 'the shopper buys privately'],
  'shopper.firstOrder': ['it is the shopper’s first order', 'the shopper has ordered before'],
  'destination.residential': ['the destination is residential', 'the destination is a business'],
};

const wordWords: Record<Extract<LeafNode, { kind: 'word' }>['fact'], { name: string; several: boolean }> = {
  'shopper.group': { name: 'the shopper’s groups', several: true },
  'shopper.tag': { name: 'the shopper’s tags', several: true },
  'shopper.individual': { name: 'the shopper', several: false },
  'cart.code': { name: 'the codes entered', several: true },
  'cart.currency': { name: 'the currency', several: false },
  'cart.channel': { name: 'the channel', several: false },
  'destination.country': { name: 'the country', several: false },
  'destination.region': { name: 'the region', several: false },
  'destination.zone': { name: 'the zone', several: false },
  'destination.market': { name: 'the market', several: false },
};

/** A fact of words as read-outs name it, and how its being or not being something is said. */
export function wordFactInWords(fact: keyof typeof wordWords): { name: string; is: string; isNot: string } {
  const { name, several } = wordWords[fact];
  return several
    ? { name, is: 'include', isNot: 'are known and do not include' }
    : { name, is: 'is', isNot: 'is known and is not' };
}

const numberWords: Record<Extract<LeafNode, { kind: 'number' }>['fact'], { name: string; unit: string }> = {
  'shopper.orderCount': { name: 'the shopper’s number of past orders', unit: '' },
  'shopper.daysSinceLastOrder': { name: 'the time since the shopper’s last order', unit: ' days' },
  'shopper.lifetimeSpend': { name: 'the shopper’s spend so far', unit: '' },
  'cart.items': { name: 'the number of items', unit: '' },
  'cart.lines': { name: 'the number of lines', unit: '' },
  'cart.weight': { name: 'the weight', unit: ' g' },
  'cart.volume': { name: 'the volume', unit: ' cm³' },
  'cart.chargeableWeight': { name: 'the chargeable weight at 5000 cm³ a kilogram', unit: ' g' },
  'cart.longestSide': { name: 'the longest side', unit: ' mm' },
  'line.quantity': { name: 'the quantity of some line', unit: '' },
};

class Reader {
  constructor(
    private readonly policy: Policy,
    private readonly marketId: string | undefined,
  ) {}

  tree({ of, conditions }: Pick<Condition, 'of' | 'conditions'>): string {
    const nodes = inOrder(conditions);
    if (nodes.length === 0) return of === 'any' ? 'never' : 'always';
    const [first] = nodes;
    if (nodes.length === 1 && first && of !== 'none') return this.node(first[1]);
    const parts = nodes.map(([, node]) =>
      node.kind === 'group' && this.isCompound(node) ? `(${this.node(node)})` : this.node(node),
    );
    if (of === 'none') return `none of this holds: ${parts.join('; ')}`;
    return parts.join(of === 'all' ? ' and ' : ' or ');
  }

  private isCompound({ of, conditions }: Pick<Condition, 'of' | 'conditions'>): boolean {
    const nodes = Object.values(conditions);
    const [first] = nodes;
    if (of === 'none') return nodes.length > 0;
    return nodes.length > 1 || (first?.kind === 'group' && this.isCompound(first));
  }

  private node(node: ConditionNode): string {
    switch (node.kind) {
      case 'group':
        return this.tree(node);
      case 'qualifier':
        return `“${this.policy.qualifiers[node.qualifier]?.name ?? node.qualifier}” holds`;
      case 'yesNo':
        return yesNoWords[node.fact][node.is ? 0 : 1];
      case 'word':
        return this.word(node);
      case 'number':
        return this.number(node);
      case 'goodsNumber':
        return `the number of items of ${this.goods(node.goods)} ${compared(node.operator, node.value, node.to, String)}`;
      case 'money':
      case 'goodsMoney': {
        const name = {
          'cart.goodsValue': 'the goods value',
          'cart.countedValue': 'the counted value',
          'line.value': 'the value of some line',
          'cart.valueOf': '',
        }[node.fact];
        const of = node.kind === 'goodsMoney' ? `the value of ${this.goods(node.goods)}` : name;
        return `${of} ${basisWords[node.basis]}, ${this.money(node.operator, node.amounts, node.to)}`;
      }
      case 'contents':
        return (
          { contains: 'the cart contains', only: 'the cart contains nothing but', none: 'the cart contains none of' }[
            node.operator
          ] + ` ${this.goods(node.goods)}`
        );
      case 'postcode':
        return `the postcode matches ${node.patterns.join(' or ')}`;
      case 'distance':
        return `the distance from ${node.center.latitude}, ${node.center.longitude} ${compared(node.operator, node.value, node.to, (km) => `${km} km`, false)}`;
      case 'instant': {
        const at = local(node.at);
        const clock = this.clock(node.readIn);
        if (node.operator === 'between') return `it is from ${at} until ${local(node.to ?? node.at)} ${clock}`;
        return `it is ${node.operator === 'before' ? `before ${at}` : `${at} or later`} ${clock}`;
      }
      case 'weekday':
        return `the day is ${list(
          [...node.days].sort((a, b) => a - b).map((day) => weekdayNames[day - 1]!),
          'or',
        )} ${this.clock(node.readIn)}`;
      case 'timeOfDay':
        return `the time is from ${node.from} until ${timeUntil(node)} ${this.clock(node.readIn)}`;
    }
  }

  private word({ fact, operator, values }: Extract<ConditionNode, { kind: 'word' }>): string {
    const { name, is, isNot } = wordFactInWords(fact);
    const shown = list(
      values.map((value) => `“${this.nameOf(fact, value)}”`),
      'or',
    );
    const negated = operator === 'isNot' || operator === 'noneOf';
    return `${name} ${negated ? isNot : is} ${shown}`;
  }

  private number({ fact, operator, value, to }: Extract<ConditionNode, { kind: 'number' }>): string {
    const { name, unit } = numberWords[fact];
    const write = (amount: number) =>
      fact === 'shopper.lifetimeSpend'
        ? formatMoney(amount, this.policy.store.baseCurrency, language)
        : `${amount}${unit}`;
    return `${name} ${compared(operator, value, to, write)}`;
  }

  private money(operator: Comparison, amounts: Amounts, to: Amounts | undefined): string {
    const markets =
      this.marketId === undefined
        ? inOrder(this.policy.markets)
            .map(([id]) => id)
            .filter((id) => amounts[id])
        : [this.marketId];
    const clauses = markets.map((id) => {
      const money = localMoneyOf(this.policy, id);
      const minor = (table: Amounts | undefined) => (table?.[id] ? resolveAmount(table[id], money) : null);
      const [value, end] = [minor(amounts), minor(to)];
      if (value === null || (to !== undefined && end === null)) return null;
      const clause = compared(
        operator,
        value,
        end ?? undefined,
        (amount) => `${toDecimal(amount, money.currency)} ${money.currency}`,
      );
      return this.marketId === undefined ? `${clause} in ${this.policy.markets[id]?.name ?? id}` : clause;
    });
    const stated = clauses.filter((clause) => clause !== null);
    return stated.length > 0 ? stated.join(', ') : 'has no amount here, so it never holds';
  }

  /** @param goods such as products, categories and tags, any of which is enough, in a price range */
  private goods({ products, categories, tags, unitPriceFrom, unitPriceBelow }: GoodsSelection): string {
    const named = [
      products
        ? `the products ${list(
            products.map((id) => `“${id}”`),
            'or',
          )}`
        : '',
      categories
        ? `the categories ${list(
            categories.map((id) => `“${id}”`),
            'or',
          )}`
        : '',
      tags
        ? `goods tagged ${list(
            tags.map((id) => `“${id}”`),
            'or',
          )}`
        : '',
    ].filter(Boolean);
    const from = unitPriceFrom ? ` with a price that ${this.money('atLeast', unitPriceFrom, undefined)}` : '';
    const below = unitPriceBelow ? ` with a price that ${this.money('lessThan', unitPriceBelow, undefined)}` : '';
    return `${named.length > 0 ? named.join(' or ') : 'any goods'}${from}${below}`;
  }

  private nameOf(fact: string, value: string): string {
    if (fact === 'destination.zone') return this.policy.zones[value]?.name ?? value;
    if (fact === 'destination.market') return this.policy.markets[value]?.name ?? value;
    return value;
  }

  private clock(readIn: string): string {
    if (readIn === 'store') return 'on the store’s clock';
    return readIn === 'market' ? 'on the market’s clock' : `on the clock of ${readIn}`;
  }
}

/** @param whole the smallest difference is 1, so that “more than” is said as the next amount too */
function compared(
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

function local(text: string): string {
  return text.replace('T', ' ');
}

function list(words: string[], last: string): string {
  return words.length > 1 ? `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}` : words.join('');
}
