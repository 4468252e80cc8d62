import type { ConditionNode, GoodsSelection } from '../../src/core/policy/types.ts';

type Unordered<T> = T extends unknown ? Omit<T, 'order'> : never;
export type ReadLeaf = Unordered<Exclude<ConditionNode, { kind: 'group' }>>;
/** A tree as it is read: what groups of one say is said by the one. */
export interface ReadTree {
  of: 'all' | 'any' | 'none';
  nodes: (ReadLeaf | ReadTree)[];
}

/** Names that read-outs use for ids. */
export interface ReadNames {
  qualifiers: Record<string, string>;
  zones: Record<string, string>;
  markets: Record<string, string>;
}

const weekdays = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const bases: Record<string, string> = {};
for (const side of ['before', 'after'] as const)
  for (const [words, end] of [
    ['as shown', 'AsShown'],
    ['with tax', 'WithTax'],
    ['without tax', 'WithoutTax'],
  ] as const)
    bases[`${side} discounts, ${words}`] = `${side}Discounts${end}`;

const words: [facts: string, fact: string, several: boolean][] = [
  ['the shopper’s groups', 'shopper.group', true],
  ['the shopper’s tags', 'shopper.tag', true],
  ['the codes entered', 'cart.code', true],
  ['the shopper', 'shopper.individual', false],
  ['the currency', 'cart.currency', false],
  ['the channel', 'cart.channel', false],
  ['the country', 'destination.country', false],
  ['the region', 'destination.region', false],
  ['the zone', 'destination.zone', false],
  ['the market', 'destination.market', false],
];
const yesNo: [text: string, fact: string, is: boolean][] = [
  ['the shopper is signed in', 'shopper.signedIn', true],
  ['the shopper is a guest', 'shopper.signedIn', false],
  ['the shopper buys for a business', 'shopper.business', true],
  ['the shopper buys privately', 'shopper.business', false],
  ['it is the shopper’s first order', 'shopper.firstOrder', true],
  ['the shopper has ordered before', 'shopper.firstOrder', false],
  ['the destination is residential', 'destination.residential', true],
  ['the destination is a business', 'destination.residential', false],
];
const numbers: [text: string, fact: string, unit: string][] = [
  ['the shopper’s number of past orders', 'shopper.orderCount', ''],
  ['the time since the shopper’s last order', 'shopper.daysSinceLastOrder', ' days'],
  ['the shopper’s spend so far', 'shopper.lifetimeSpend', '€'],
  ['the number of items', 'cart.items', ''],
  ['the number of lines', 'cart.lines', ''],
  ['the weight', 'cart.weight', ' g'],
  ['the volume', 'cart.volume', ' cm³'],
  ['the chargeable weight at 5000 cm³ a kilogram', 'cart.chargeableWeight', ' g'],
  ['the longest side', 'cart.longestSide', ' mm'],
  ['the quantity of some line', 'line.quantity', ''],
  ['the pieces in some one category', 'category.quantity', ''],
];
const values: [text: string, fact: string][] = [
  ['the goods value', 'cart.goodsValue'],
  ['the counted value', 'cart.countedValue'],
  ['the value of some line', 'line.value'],
];

/**
 * Reads an English read-out of a condition back, in one market whose currency is the euro: descends from the left, never
 * looking at how read-outs are written. Knows nothing that is not in the sentence, except names.
 * @throws Error where the sentence goes on in a way that it does not know
 */
export function parseReadOut(sentence: string, names: ReadNames): ReadTree {
  let rest = sentence;
  const fail = (): never => {
    throw new Error(`“${sentence}” cannot be read from “${rest}”`);
  };
  const take = (text: string): boolean => {
    if (!rest.startsWith(text)) return false;
    rest = rest.slice(text.length);
    return true;
  };
  const match = (pattern: RegExp): RegExpExecArray | null => {
    const found = new RegExp(`^(?:${pattern.source})`, 'u').exec(rest);
    if (found) rest = rest.slice(found[0].length);
    return found;
  };
  const must = (pattern: RegExp): RegExpExecArray => match(pattern) ?? fail();
  const quoted = (): string[] => {
    const list = [must(/“([^”]*)”/)[1]!];
    // “X” holds is a condition of its own.
    const another = /(?:, | or )“([^”]*)”(?! holds)/;
    for (let next = match(another); next; next = match(another)) list.push(next[1]!);
    return list;
  };
  const idOf = (table: Record<string, string>, name: string) =>
    Object.entries(table).find(([, known]) => known === name)?.[0] ?? name;

  /** A comparison; where the next amount is said as well, it must be the next one. */
  const compared = (read: () => number): { operator: string; value: number; to?: number } => {
    must(/ /);
    if (take('is exactly ')) return { operator: 'is', value: read() };
    if (take('is known and is not ')) return { operator: 'isNot', value: read() };
    if (take('is at least ')) return { operator: 'atLeast', value: read() };
    if (take('is at most ')) return { operator: 'atMost', value: read() };
    for (const [operator, text, next, by] of [
      ['moreThan', 'is more than ', ', which is at least ', 1],
      ['lessThan', 'is less than ', ', which is at most ', -1],
    ] as const) {
      if (!take(text)) continue;
      const value = read();
      if (take(next) && read() !== value + by) fail();
      return { operator, value };
    }
    if (!take('is from ')) fail();
    const value = read();
    must(/ to /);
    const to = read();
    must(/, both included/);
    return { operator: 'between', value, to };
  };
  const minor = (text: string) => Math.round(Number(text.replace(/,/g, '')) * 100);
  const euros = () => minor(must(/(\d+\.\d\d) EUR/)[1]!);
  const money = () => {
    const { operator, value, to } = compared(euros);
    return {
      operator,
      amounts: { nlbe: { exact: value } },
      ...(to === undefined ? {} : { to: { nlbe: { exact: to } } }),
    };
  };
  const goods = (): GoodsSelection => {
    const selection: Record<string, unknown> = {};
    if (!take('any goods')) {
      do {
        if (take('the products ')) selection.products = quoted();
        else if (take('the categories ')) selection.categories = quoted();
        else if (take('goods tagged ')) selection.tags = quoted();
        else fail();
      } while (match(/ or (?=the products |the categories |goods tagged )/));
    }
    while (take(' with a price that')) {
      const { operator, value } = compared(euros);
      selection[operator === 'atLeast' ? 'unitPriceFrom' : 'unitPriceBelow'] = { nlbe: { exact: value } };
    }
    return selection as GoodsSelection;
  };
  const clock = () => {
    if (take(' on the store’s clock')) return 'store';
    if (take(' on the market’s clock')) return 'market';
    return must(/ on the clock of ([A-Za-z_/]+)/)[1]!;
  };
  const minute = () => must(/\d{4}-\d\d-\d\d \d\d:\d\d/)[0].replace(' ', 'T');

  const leaf = (): ReadLeaf => {
    const held = match(/“([^”]*)” holds/);
    if (held) return { kind: 'qualifier', qualifier: idOf(names.qualifiers, held[1]!) };
    for (const [text, fact, is] of yesNo) if (take(text)) return { kind: 'yesNo', fact, is } as ReadLeaf;
    for (const [text, fact, several] of words) {
      const verb = several ? /( include| are known and do not include) (?=“)/ : /( is| is known and is not) (?=“)/;
      const found = match(new RegExp(`${text}${verb.source}`));
      if (!found) continue;
      const list = quoted().map((name) => {
        if (fact === 'destination.zone') return idOf(names.zones, name);
        if (fact === 'destination.market') return idOf(names.markets, name);
        return name;
      });
      const not = found[1]!.includes('known');
      return {
        kind: 'word',
        fact,
        operator: wordOperator(list.length > 1, not),
        values: list,
      } as ReadLeaf;
    }
    if (take('the number of items of '))
      return {
        kind: 'goodsNumber',
        fact: 'cart.quantityOf',
        goods: goods(),
        ...compared(() => Number(must(/-?\d+/)[0])),
      } as ReadLeaf;
    for (const [text, fact, unit] of numbers)
      if (take(text))
        return {
          kind: 'number',
          fact,
          ...compared(() =>
            unit === '€'
              ? minor(must(/-?€[\d,]+\.\d\d/)[0].replace('€', ''))
              : Number(must(new RegExp(`(-?\\d+)${unit}`))[1]),
          ),
        } as ReadLeaf;
    for (const [text, fact] of values) {
      if (!take(`${text} `)) continue;
      return { kind: 'money', fact, basis: basis(), ...money() } as ReadLeaf;
    }
    if (take('the value of ')) {
      const of = goods();
      must(/ /);
      return { kind: 'goodsMoney', fact: 'cart.valueOf', goods: of, basis: basis(), ...money() } as ReadLeaf;
    }
    for (const [text, operator] of [
      ['the cart contains nothing but ', 'only'],
      ['the cart contains none of ', 'none'],
      ['the cart contains ', 'contains'],
    ] as const)
      if (take(text)) return { kind: 'contents', operator, goods: goods() };
    if (take('the postcode matches '))
      return { kind: 'postcode', patterns: must(/[A-Z0-9*?.]+(?: or [A-Z0-9*?.]+)*/)[0].split(' or ') } as ReadLeaf;
    const from = match(/the distance from (-?[\d.]+), (-?[\d.]+)/);
    if (from)
      return {
        kind: 'distance',
        center: { latitude: Number(from[1]), longitude: Number(from[2]) },
        ...compared(() => Number(must(/([\d.]+) km/)[1])),
      } as ReadLeaf;
    if (take('it is from ')) {
      const at = minute();
      must(/ until /);
      return { kind: 'instant', operator: 'between', at, to: minute(), readIn: clock() };
    }
    if (take('it is before ')) return { kind: 'instant', operator: 'before', at: minute(), readIn: clock() };
    if (take('it is ')) {
      const at = minute();
      must(/ or later/);
      return { kind: 'instant', operator: 'after', at, readIn: clock() };
    }
    if (take('the day is ')) {
      const days = must(/[A-Z][a-z]+day(?:(?:, | or )[A-Z][a-z]+day)*/)[0].split(/, | or /);
      return { kind: 'weekday', days: days.map((day) => weekdays.indexOf(day) + 1), readIn: clock() } as ReadLeaf;
    }
    const time = match(/the time is from (\d\d:\d\d) until (?:the end of the day|(\d\d:\d\d)( of the next day)?)/);
    if (time) {
      const to = time[2] ?? '00:00';
      if (time[2] && Boolean(time[3]) !== to <= time[1]!) fail();
      return { kind: 'timeOfDay', from: time[1]!, to, readIn: clock() };
    }
    return fail();
  };
  const basis = () => bases[must(/((?:before|after) discounts, (?:as shown|with tax|without tax)),/)[1]!]!;
  const node = (): ReadLeaf | ReadTree => {
    if (take('(')) {
      const inner = tree();
      must(/\)/);
      return inner;
    }
    if (take('always')) return { of: 'all', nodes: [] };
    if (take('never')) return { of: 'any', nodes: [] };
    return leaf();
  };
  const tree = (): ReadTree => {
    if (take('none of this holds: ')) {
      const nodes = [node()];
      while (take('; ')) nodes.push(node());
      return { of: 'none', nodes };
    }
    const nodes = [node()];
    const by = rest.startsWith(' or ') ? ' or ' : ' and ';
    while (take(by)) nodes.push(node());
    const [first] = nodes;
    if (nodes.length === 1 && 'of' in first!) return first;
    return { of: by === ' or ' ? 'any' : 'all', nodes };
  };
  const read = tree();
  if (rest !== '') fail();
  return read;
}

/** How a fact is compared with one word or several. */
export function wordOperator(several: boolean, not: boolean): 'is' | 'isNot' | 'oneOf' | 'noneOf' {
  if (several) return not ? 'noneOf' : 'oneOf';
  return not ? 'isNot' : 'is';
}
