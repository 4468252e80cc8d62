import type {
  Amounts,
  Comparison,
  Condition,
  ConditionNode,
  Coordinates,
  CountMeasure,
  GoodsSelection,
} from '../../policy/types.ts';
import { formatMoney } from '../../money/format.ts';
import { inOrder } from '../../ordered.ts';
import type { SurfaceTextId } from './surface-words.ts';
import type { SurfaceWriter } from './surface-writer.ts';

type Leaf = Exclude<ConditionNode, { kind: 'group' | 'qualifier' }>;
type LeafOf<K extends Leaf['kind']> = Extract<Leaf, { kind: K }>;

/** A condition as shoppers read it: each fact with its value, “weight: at most 5 kg”. Qualifiers are told by what they ask. */
export function conditionInWords(
  { of, conditions }: Pick<Condition, 'of' | 'conditions'>,
  writer: SurfaceWriter,
): string {
  return treeInWords({ of, conditions }, writer, new Set());
}

type Tree = Pick<Condition, 'of' | 'conditions'>;

function treeInWords({ of, conditions }: Tree, writer: SurfaceWriter, within: ReadonlySet<string>): string {
  const parts = inOrder(conditions).map(([, node]) => {
    const said = nodeInWords(node, writer, within);
    return isCompound(node, writer) && Object.keys(conditions).length > 1 ? `(${said})` : said;
  });
  if (parts.length === 0) return writer.say(of === 'any' ? 'no' : 'yes');
  if (of === 'none') return writer.say('noneOf', { conditions: writer.list(parts, 'disjunction') });
  return writer.list(parts, of === 'any' ? 'disjunction' : 'conjunction');
}

function isCompound(node: ConditionNode, writer: SurfaceWriter): boolean {
  const tree = treeOf(node, writer);
  return tree !== null && (tree.of === 'none' || Object.keys(tree.conditions).length > 1);
}

function treeOf(node: ConditionNode, { policy }: SurfaceWriter): Tree | null {
  if (node.kind === 'group') return node;
  return node.kind === 'qualifier' ? (policy.qualifiers[node.qualifier]?.condition ?? null) : null;
}

function nodeInWords(node: ConditionNode, writer: SurfaceWriter, within: ReadonlySet<string>): string {
  if (node.kind === 'group') return treeInWords(node, writer, within);
  if (node.kind === 'qualifier') {
    const { qualifier } = node;
    const tree = within.has(qualifier) ? null : treeOf(node, writer);
    return tree ? treeInWords(tree, writer, new Set([...within, qualifier])) : qualifier;
  }
  return leafInWords(node, writer);
}

const factNames: {
  [K in LeafOf<'yesNo' | 'word' | 'number' | 'money'>['fact']]: SurfaceTextId;
} = {
  'shopper.signedIn': 'signedIn',
  'shopper.firstOrder': 'firstOrder',
  'shopper.business': 'business',
  'destination.residential': 'residential',
  'shopper.group': 'group',
  'shopper.tag': 'tag',
  'shopper.billingCountry': 'billingCountry',
  'shopper.individual': 'individual',
  'cart.code': 'code',
  'cart.currency': 'currency',
  'cart.channel': 'channel',
  'destination.country': 'country',
  'destination.region': 'region',
  'destination.zone': 'zone',
  'destination.market': 'market',
  'shopper.orderCount': 'orderCount',
  'shopper.daysSinceLastOrder': 'daysSince',
  'shopper.lifetimeSpend': 'lifetimeSpend',
  'cart.items': 'items',
  'cart.lines': 'lines',
  'line.quantity': 'lineQuantity',
  'category.quantity': 'categoryQuantity',
  'cart.weight': 'weight',
  'cart.chargeableWeight': 'chargeableWeight',
  'cart.parcels': 'parcels',
  'cart.volume': 'volume',
  'cart.longestSide': 'longestSide',
  'cart.goodsValue': 'goodsValue',
  'cart.countedValue': 'goodsCounted',
  'line.value': 'lineValue',
};

function leafInWords(node: Leaf, writer: SurfaceWriter): string {
  const fact = (name: string, value: string) => writer.say('fact', { fact: name, value });
  const named = (id: SurfaceTextId, value: string) => fact(writer.say(id), value);
  switch (node.kind) {
    case 'yesNo':
      return named(factNames[node.fact], writer.say(node.is ? 'yes' : 'no'));
    case 'word':
      return named(factNames[node.fact], wordsIn(node, writer));
    case 'number':
      return named(factNames[node.fact], compared(node.operator, node.value, node.to, writer, writesOf(node, writer)));
    case 'money':
      return named(factNames[node.fact], comparedMoney(node.operator, node.amounts, node.to, writer));
    case 'goodsMoney':
      return fact(
        writer.say('valueOf', { goods: goodsInWords(node.goods, writer) }),
        comparedMoney(node.operator, node.amounts, node.to, writer),
      );
    case 'goodsNumber':
      return fact(
        writer.say('quantityOf', { goods: goodsInWords(node.goods, writer) }),
        compared(node.operator, node.value, node.to, writer, (count) => writer.count('items', count)),
      );
    case 'contents':
      return writer.say(contents[node.operator], { goods: goodsInWords(node.goods, writer) });
    case 'postcode':
      return named('postcode', postcodeList(node.patterns, writer));
    case 'distance':
      return fact(
        writer.say('distance', { point: pointInWords(node.center, writer) }),
        compared(node.operator, node.value, node.to, writer, (km) => writer.distance(km, 'km')),
      );
    case 'weekday':
      return named(
        'weekday',
        writer.list(
          node.days.map((day) => writer.weekday(day)),
          'disjunction',
        ),
      );
    case 'timeOfDay':
      return named('timeOfDay', `${writer.time(node.from)}–${writer.time(node.to)}`);
    case 'instant':
      return named('moment', momentIn(node, writer));
  }
}

const contents = { contains: 'contains', only: 'containsOnly', none: 'containsNone' } as const;

function momentIn({ operator, at, to }: LeafOf<'instant'>, writer: SurfaceWriter): string {
  if (operator === 'between') return writer.say('isBetween', { from: writer.moment(at), to: writer.moment(to ?? at) });
  return writer.say(operator === 'before' ? 'isBefore' : 'isAfter', { at: writer.moment(at) });
}

const countsOf: Partial<Record<LeafOf<'number'>['fact'], CountMeasure>> = {
  'cart.items': 'items',
  'line.quantity': 'items',
  'category.quantity': 'items',
  'cart.lines': 'lines',
  'cart.weight': 'weight',
  'cart.chargeableWeight': 'chargeableWeight',
  'cart.parcels': 'parcels',
  'cart.volume': 'volume',
  'cart.longestSide': 'longestSide',
};

function writesOf({ fact }: LeafOf<'number'>, writer: SurfaceWriter): (value: number) => string {
  if (fact === 'shopper.lifetimeSpend')
    return (value) => formatMoney(value, writer.policy.store.baseCurrency, writer.language);
  const measure = countsOf[fact];
  // The name of the fact says what is counted already.
  const plain = measure === undefined || measure === 'items' || measure === 'lines' || measure === 'parcels';
  return plain ? (value) => writer.number(value) : (value) => writer.count(measure, value);
}

/** Of codes and of single customers only that there are some: whoever has one knows it, and nobody else is to. */
const kept: readonly LeafOf<'word'>['fact'][] = ['cart.code', 'shopper.individual'];

function wordsIn({ fact, operator, values }: LeafOf<'word'>, writer: SurfaceWriter): string {
  const { policy } = writer;
  const negated = operator === 'isNot' || operator === 'noneOf';
  if (kept.includes(fact)) return writer.say(negated ? 'no' : 'yes');
  const own = <T>(table: Record<string, T>, id: string): T | undefined =>
    Object.hasOwn(table, id) ? table[id] : undefined;
  const name = (word: string): string => {
    if (fact === 'destination.country' || fact === 'shopper.billingCountry') return writer.country(word);
    if (fact === 'destination.zone') return own(policy.zones, word)?.name ?? word;
    return fact === 'destination.market' ? (own(policy.markets, word)?.name ?? word) : word;
  };
  const value = writer.list(values.map(name), 'disjunction');
  return negated ? writer.say('not', { value }) : value;
}

const operators: Record<Exclude<Comparison, 'is' | 'between'>, SurfaceTextId> = {
  isNot: 'not',
  atLeast: 'isAtLeast',
  atMost: 'isAtMost',
  moreThan: 'isMoreThan',
  lessThan: 'isLessThan',
};

function compared(
  operator: Comparison,
  value: number,
  to: number | undefined,
  writer: SurfaceWriter,
  write: (value: number) => string,
): string {
  if (operator === 'is') return write(value);
  if (operator === 'between') return writer.say('isBetween', { from: write(value), to: write(to ?? value) });
  return writer.say(operators[operator], { value: write(value) });
}

function comparedMoney(operator: Comparison, amounts: Amounts, to: Amounts | undefined, writer: SurfaceWriter): string {
  const value = writer.amountIn(amounts);
  if (operator === 'is' || !amounts[writer.marketId]) return value;
  if (operator === 'between') return writer.say('isBetween', { from: value, to: writer.amountIn(to) });
  return writer.say(operators[operator], { value });
}

/** Goods, any of which is enough, as shoppers know them. */
export function goodsInWords(
  { products, categories, tags, unitPriceFrom, unitPriceBelow }: GoodsSelection,
  writer: SurfaceWriter,
): string {
  const names = (words: readonly string[]) => writer.list(words, 'disjunction');
  const kinds = [
    ...(products ? [writer.say('products', { names: names(products.map((id) => writer.product(id))) })] : []),
    ...(categories ? [writer.say('categories', { names: names(categories) })] : []),
    ...(tags ? [writer.say('tags', { names: names(tags) })] : []),
  ];
  let goods = kinds.length > 0 ? writer.list(kinds, 'disjunction') : writer.say('anyGoods');
  if (unitPriceFrom) goods = writer.say('pricedFrom', { goods, amount: writer.amountIn(unitPriceFrom) });
  if (unitPriceBelow) goods = writer.say('pricedBelow', { goods, amount: writer.amountIn(unitPriceBelow) });
  return goods;
}

/** So many postcodes are named; of more, how many there are besides. */
const mostPostcodes = 60;

export function postcodeList(patterns: readonly string[], writer: SurfaceWriter): string {
  const named = patterns.slice(0, mostPostcodes).map((pattern) => pattern.replace('..', '–'));
  if (patterns.length > mostPostcodes) named.push(writer.say('more', { count: patterns.length - mostPostcodes }));
  return named.join(', ');
}

/** A point by the name of the pick-up place that is there, else by its degrees. */
export function pointInWords({ latitude, longitude }: Coordinates, { policy }: SurfaceWriter): string {
  const there = Object.values(policy.places ?? {}).find(
    ({ coordinates }) => coordinates?.latitude === latitude && coordinates.longitude === longitude,
  );
  return there?.name ?? `${latitude}°, ${longitude}°`;
}
