import fc from 'fast-check';
import { countMeasures } from '../../src/core/cart/charge-measure.ts';
import { ordinaryArticle } from '../../src/core/cart/ordinary-article.ts';
import type { Product } from '../../src/core/catalogue/product.ts';
import type { EvaluationInput } from '../../src/core/evaluation/evaluation.ts';
import type {
  Amounts,
  AreaPart,
  Basis,
  CartDiscount,
  Charge,
  ChargeLine,
  Condition,
  ConditionNode,
  DeliveryOption,
  Goal,
  GoodsSelection,
  LocalAmount,
  Market,
  Notice,
  Offer,
  OfferWording,
  OptionSelection,
  Policy,
  Reward,
  Shopper,
} from '../../src/core/policy/types.ts';

/** Collections keyed by position. */
const keyed = <T>(list: readonly T[], prefix: string): Record<string, T> =>
  Object.fromEntries(list.map((item, index) => [`${prefix}-${index}`, item]));
const maybe = <T extends object>(model: { [K in keyof T]: fc.Arbitrary<T[K]> }, requiredKeys: (keyof T)[]) =>
  fc.record(model, { requiredKeys }) as fc.Arbitrary<T>;

/** Records whose further properties are there once in `rarity` times each, so that most of what is made does something. */
const rarely = <Always extends object, Rare extends object>(
  always: { [K in keyof Always]: fc.Arbitrary<Always[K]> },
  rare: { [K in keyof Rare]: fc.Arbitrary<Rare[K]> },
  rarity = 7,
): fc.Arbitrary<Always & Partial<Rare>> =>
  fc
    .tuple(
      fc.record(always),
      fc.record(rare),
      fc.record(Object.fromEntries(Object.keys(rare).map((key) => [key, fc.integer({ min: 1, max: rarity })]))),
    )
    .map(
      ([given, more, dice]) =>
        ({ ...given, ...Object.fromEntries(Object.entries(more).filter(([key]) => dice[key] === 1)) }) as Always &
          Partial<Rare>,
    );

const minor = (max: number, min = 0) => fc.integer({ min, max });
/** Amounts of which many meet exactly: edges are hit as often as they are missed. */
const round = (max: number) => fc.integer({ min: 0, max: Math.floor(max / 100) }).map((hundreds) => hundreds * 100);
const following: fc.Arbitrary<LocalAmount> = fc
  .record({
    base: minor(3000, 1),
    buffer: fc.constantFrom('0', '2.5', '10'),
    round: fc.constantFrom('nearest' as const, 'up' as const, 'down' as const),
    step: fc.constantFrom(1, 5, 50, 100),
    less: fc.constantFrom(0, 1, 5),
  })
  .map((parts) => ({ following: parts }));
const local = (max: number, min = 0): fc.Arbitrary<LocalAmount> =>
  fc.oneof(
    { arbitrary: minor(max, min).map((exact): LocalAmount => ({ exact })), weight: 4 },
    { arbitrary: following, weight: 1 },
  );
const exactly = (max: number, min = 0): fc.Arbitrary<LocalAmount> => minor(max, min).map((exact) => ({ exact }));
const amounts = (max: number, min = 0): fc.Arbitrary<Amounts> => local(max, min).map((here) => ({ here }));

const basis = fc.constantFrom<Basis>(
  'afterDiscountsAsShown',
  'afterDiscountsWithTax',
  'afterDiscountsWithoutTax',
  'beforeDiscountsAsShown',
  'beforeDiscountsWithTax',
  'beforeDiscountsWithoutTax',
);
const words = ['red', 'blue'];

const goods: fc.Arbitrary<GoodsSelection> = maybe<GoodsSelection>(
  {
    products: fc.constantFrom(['p-0'], ['p-1', 'p-2']),
    categories: fc.constantFrom(['red'], ['red', 'blue']),
    tags: fc.constantFrom(['blue'], ['none']),
    unitPriceFrom: amounts(600),
    unitPriceBelow: amounts(1200, 1),
  },
  [],
).filter((selection) => Object.keys(selection).length > 0);

const comparison = fc.constantFrom('is', 'isNot', 'atLeast', 'atMost', 'moreThan', 'lessThan', 'between');
/** An operator with its value, and the upper end where it takes one. */
const compared = (max: number) =>
  fc
    .tuple(comparison, minor(max), minor(max))
    .map(([operator, a, b]) =>
      operator === 'between' ? { operator, value: Math.min(a, b), to: Math.max(a, b) } : { operator, value: a },
    );
const comparedMoney = fc
  .tuple(comparison, minor(2500), minor(2500))
  .map(([operator, a, b]) =>
    operator === 'between'
      ? { operator, amounts: { here: { exact: Math.min(a, b) } }, to: { here: { exact: Math.max(a, b) } } }
      : { operator, amounts: { here: { exact: a } } },
  );
const readIn = fc.constantFrom('store', 'market', 'America/New_York', 'Asia/Tokyo');

type Leaf = Exclude<ConditionNode, { kind: 'group' }>;
type Unordered<T> = T extends unknown ? Omit<T, 'order'> : never;
const cast = (leaf: fc.Arbitrary<object>) => leaf as fc.Arbitrary<Unordered<Leaf>>;

const leaf: fc.Arbitrary<Unordered<Leaf>> = fc.oneof(
  cast(
    fc.record({
      kind: fc.constant('yesNo'),
      fact: fc.constantFrom('shopper.signedIn', 'shopper.business', 'shopper.firstOrder', 'destination.residential'),
      is: fc.boolean(),
    }),
  ),
  cast(
    fc
      .record({
        fact: fc.constantFrom(
          'shopper.group',
          'shopper.billingCountry',
          'shopper.tag',
          'shopper.individual',
          'cart.code',
          'cart.channel',
          'destination.region',
          'destination.zone',
          'destination.country',
          'cart.currency',
          'destination.market',
        ),
        operator: fc.constantFrom('is', 'isNot', 'oneOf', 'noneOf', 'contains'),
      })
      .map(({ fact, operator }) => {
        const known =
          {
            'cart.code': ['SUN', 'MOON'],
            'cart.channel': ['web', 'app'],
            'destination.region': ['NL-NH', 'NL-FR', 'US-AK'],
            'destination.zone': ['zone-0', 'zone-0'],
            'destination.country': ['NL', 'BE'],
            'shopper.billingCountry': ['NL', 'US'],
            'cart.currency': ['EUR', 'JPY'],
            'destination.market': ['here', 'here'],
          }[fact as string] ?? words;
        const several = operator === 'oneOf' || operator === 'noneOf';
        return { kind: 'word', fact, operator, values: several ? [...new Set(known)] : [known[0]] };
      }),
  ),
  cast(
    fc
      .record({
        kind: fc.constant('number'),
        fact: fc.constantFrom('shopper.orderCount', 'cart.items', 'cart.lines', 'line.quantity', 'category.quantity'),
        compared: compared(6),
      })
      .map(({ compared: by, ...rest }) => ({ ...rest, ...by })),
  ),
  cast(
    fc
      .record({
        kind: fc.constant('number'),
        fact: fc.constantFrom(
          'shopper.daysSinceLastOrder',
          'shopper.lifetimeSpend',
          'cart.weight',
          'cart.volume',
          'cart.chargeableWeight',
          'cart.parcels',
          'cart.longestSide',
        ),
        compared: compared(2500),
      })
      .map(({ compared: by, ...rest }) => ({ ...rest, ...by })),
  ),
  cast(
    fc
      .record({ goods, compared: compared(4) })
      .map(({ goods: of, compared: by }) => ({ kind: 'goodsNumber', fact: 'cart.quantityOf', goods: of, ...by })),
  ),
  cast(
    fc
      .record({ fact: fc.constantFrom('cart.goodsValue', 'cart.countedValue', 'line.value'), basis, by: comparedMoney })
      .map(({ by, ...rest }) => ({ kind: 'money', ...rest, ...by })),
  ),
  cast(
    fc
      .record({ basis, goods, by: comparedMoney })
      .map(({ by, ...rest }) => ({ kind: 'goodsMoney', fact: 'cart.valueOf', ...rest, ...by })),
  ),
  cast(fc.record({ kind: fc.constant('contents'), operator: fc.constantFrom('contains', 'only', 'none'), goods })),
  cast(
    fc.record({
      kind: fc.constant('postcode'),
      patterns: fc.constantFrom(['17*'], ['1799ZA', '2000'], ['1000..1799']),
    }),
  ),
  cast(
    fc
      .record({ by: compared(30) })
      .map(({ by }) => ({ kind: 'distance', center: { latitude: 53, longitude: 5 }, ...by })),
  ),
  cast(
    fc.record({
      kind: fc.constant('instant'),
      operator: fc.constantFrom('before', 'after'),
      at: fc.constantFrom('2027-03-28T02:30', '2026-10-25T02:30', '2026-11-24T12:00'),
      readIn: fc.constantFrom('America/New_York', 'Asia/Tokyo'),
    }),
  ),
  cast(
    fc.record({
      kind: fc.constant('instant'),
      operator: fc.constant('between'),
      at: fc.constant('2026-10-25T00:00'),
      to: fc.constant('2026-11-24T12:00'),
      readIn,
    }),
  ),
  cast(fc.record({ kind: fc.constant('weekday'), days: fc.constantFrom([1, 2, 3], [6, 7]), readIn })),
  cast(
    fc.record({
      kind: fc.constant('timeOfDay'),
      from: fc.constantFrom('08:00', '22:00'),
      to: fc.constantFrom('12:00', '02:00'),
      readIn,
    }),
  ),
);

const nodesOf = (node: fc.Arbitrary<object>, qualifiers: boolean): fc.Arbitrary<Condition> =>
  fc
    .record({
      of: fc.constantFrom('all', 'any', 'none'),
      nodes: fc.array(qualifiers ? fc.oneof(node, fc.constant({ kind: 'qualifier', qualifier: 'q-0' })) : node, {
        maxLength: 3,
      }),
    })
    .map(({ of, nodes }) => ({
      of: of as Condition['of'],
      conditions: keyed(
        nodes.map((item, index) => ({ ...item, order: index }) as ConditionNode),
        'c',
      ),
    }));

/** Trees of up to two levels, with references to the one qualifier. */
export const randomCondition: fc.Arbitrary<Condition> = nodesOf(
  fc.oneof(
    { arbitrary: leaf, weight: 4 },
    { arbitrary: nodesOf(leaf, true).map((tree) => ({ kind: 'group', ...tree })), weight: 1 },
  ),
  true,
);
const plainCondition = nodesOf(leaf, false);

/** A parcel holds an ordinary order's goods. */
const packing = fc.record(
  {
    packaging: minor(100),
    percent: fc.constantFrom('0', '3', '12.5'),
    roundUpTo: fc.constantFrom(1, 100, 500),
    most: fc.constantFrom(1000, 1500, 4000),
  },
  { requiredKeys: [] },
);

const countMeasure = fc.constantFrom(...countMeasures);
const range = (measure: string, from: number, size: number | null): ChargeLine['over'] =>
  (measure === 'goodsValue'
    ? { measure, from: { exact: from }, to: size === null ? null : { exact: from + size } }
    : { measure, from, to: size === null ? null : from + size }) as ChargeLine['over'];
const few = fc.constantFrom('items', 'lines');
const over = fc.oneof(
  fc
    .tuple(fc.oneof(fc.constant('goodsValue'), countMeasure), minor(3000), fc.option(minor(3000, 1)))
    .map(([measure, from, size]) => range(measure, from, size)),
  fc
    .tuple(fc.constant('goodsValue'), round(2000), fc.option(round(2000).map((size) => size + 100)))
    .map(([measure, from, size]) => range(measure, from, size)),
  fc.tuple(few, minor(5), fc.option(minor(5, 1))).map(([measure, from, size]) => range(measure, from, size)),
);

const perUnitPrice = fc.record(
  {
    fixed: local(2000),
    perUnit: fc
      .record({
        measure: fc.oneof(fc.constant('goodsValue' as const), countMeasure),
        amount: exactly(300),
        per: minor(1500, 1),
        started: fc.boolean(),
      })
      .chain((unit) =>
        fc.boolean().map((fromNothing) => (fromNothing ? { ...unit, countsFrom: 'nothing' as const } : unit)),
      ),
    max: exactly(9000, 1000),
    min: exactly(900),
  },
  { requiredKeys: ['fixed'] },
);
const percent = fc.constantFrom('0', '5', '12.5', '33.3', '50');
const percentPrice = fc.record(
  { percent, basis, max: exactly(900, 300), min: exactly(250) },
  { requiredKeys: ['percent', 'basis'] },
);
const quotedPrice = fc.record(
  {
    carrier: fc.constantFrom('post', 'ferry'),
    marginPercent: percent,
    marginFixed: exactly(200),
    fallback: exactly(1500),
  },
  { requiredKeys: ['carrier'] },
);

const chargeLine = rarely(
  {
    order: minor(3),
    price: fc.oneof(
      { arbitrary: perUnitPrice, weight: 4 },
      { arbitrary: percentPrice, weight: 2 },
      { arbitrary: quotedPrice, weight: 1 },
    ),
  },
  { over, when: plainCondition },
  3,
) as unknown as fc.Arbitrary<ChargeLine>;

const charge: fc.Arbitrary<Charge> = fc.record(
  {
    combine: fc.constantFrom('first', 'sum', 'highest', 'lowest'),
    volumeDivisor: fc.constantFrom(4000, 5000, 6000),
    lines: fc.array(chargeLine, { minLength: 1, maxLength: 4 }).map((lines) => keyed(lines, 'line')),
    otherwise: fc.constantFrom<Charge['otherwise']>({ kind: 'notOffered' }, { kind: 'price', price: { exact: 777 } }),
    handling: fc.oneof(
      exactly(300).map((amount) => ({ amount })),
      percent.map((share) => ({ percent: share })),
    ),
  },
  { requiredKeys: ['combine', 'lines', 'otherwise'] },
) as fc.Arbitrary<Charge>;

const schedule = fc.record(
  {
    readIn: fc.constantFrom('store', 'market', 'America/New_York'),
    from: fc.constantFrom('2026-03-29T02:30', '2026-10-25T02:30', '2026-11-24T12:00'),
    until: fc.constantFrom('2027-01-01T00:00', '2027-03-28T02:30'),
  },
  { requiredKeys: ['readIn'] },
);

const option = rarely(
  {
    order: minor(3),
    kind: fc.constantFrom('parcel', 'parcel', 'localDelivery', 'pickUp'),
    charge,
    tags: fc.constantFrom(['red'], ['blue']),
  },
  { when: randomCondition, schedule, channels: fc.constant(['web']), packing },
).map(
  (parts) =>
    ({
      zone: 'zone-0',
      on: true,
      name: 'An option',
      label: {},
      estimate: { min: 1, max: 2 },
      ...parts,
    }) as unknown as DeliveryOption,
);

const selection = fc.constantFrom<OptionSelection>(
  { by: 'all' },
  { by: 'kind', kinds: ['parcel'] },
  { by: 'list', options: { 'option-0': true } },
  { by: 'tag', tags: ['red'] },
);
const onOptions = { order: minor(2), on: selection, coversOwnDelivery: fc.boolean() };
const capped = { cap: amounts(2500) };
const reward = fc.oneof(
  rarely({ kind: fc.constant('deliveryFree'), ...onOptions }, capped, 4),
  rarely({ kind: fc.constant('deliveryAt'), price: amounts(900), ...onOptions }, capped, 4),
  rarely({ kind: fc.constant('deliveryLessPercent'), percent, ...onOptions }, capped, 4),
  rarely({ kind: fc.constant('deliveryLessAmount'), amount: amounts(900), ...onOptions }, capped, 4),
  rarely({ kind: fc.constant('upgrade'), priceOf: selection, ...onOptions }, capped, 4),
  fc.record(
    { kind: fc.constant('goodsLessPercent'), order: minor(2), percent, goods },
    { requiredKeys: ['kind', 'order', 'percent'] },
  ),
  fc.record({ kind: fc.constant('gift'), order: minor(2), product: fc.constant('p-0'), quantity: minor(3, 1) }),
) as fc.Arbitrary<Reward>;

const goal = (countGoals: boolean): fc.Arbitrary<Goal> =>
  fc
    .record({
      measure: countGoals ? fc.constantFrom('countedValue', 'items', 'weight') : fc.constant('countedValue'),
      basis,
      target: fc.oneof(
        minor(3000),
        fc.constant(0),
        round(2900).map((amount) => amount + 100),
      ),
      count: minor(8, 1),
      goods: fc.option(goods, { freq: 2 }),
      then: fc.constantFrom('replace' as const, 'add' as const),
      rewards: fc.array(reward, { minLength: 1, maxLength: 2 }).map((list) => keyed(list, 'reward')),
    })
    .map(({ measure, basis: of, target, count, goods: selected, then, rewards }) => ({
      order: target,
      measure:
        measure === 'countedValue' ? { kind: 'countedValue', basis: of } : { kind: measure as 'items' | 'weight' },
      ...(selected ? { goods: selected } : {}),
      targets: {
        here: measure === 'countedValue' ? { exact: target } : { count: measure === 'items' ? count : target },
      },
      then,
      rewards,
    }));

const unlock = fc.oneof(
  { arbitrary: fc.constant<Offer['unlock']>({ by: 'amount' }), weight: 4 },
  {
    arbitrary: fc
      .constantFrom('code' as const, 'amountOrCode' as const, 'amountAndCode' as const)
      .map((by): Offer['unlock'] => ({ by, codes: { SUN: true } })),
    weight: 2,
  },
);

const offer = rarely(
  {
    goals: fc.array(goal(true), { minLength: 1, maxLength: 3 }).map((list) => keyed(list, 'goal')),
    priority: fc.integer({ min: -2, max: 2 }),
    combines: fc.boolean(),
    unlock,
  },
  {
    when: randomCondition,
    schedule,
    limits: fc.record({ inAll: minor(2, 1), perShopper: minor(2, 1) }, { requiredKeys: [] }),
    nearly: percent.map((share) => ({ share })),
  },
  5,
).map((parts) => ({ order: 1, name: 'An offer', note: '', on: true, ...parts }) as unknown as Offer);

const mostlyOn = fc.oneof({ arbitrary: fc.constant(true), weight: 5 }, { arbitrary: fc.constant(false), weight: 1 });
const notice = rarely(
  { priority: fc.integer({ min: -2, max: 2 }), on: mostlyOn },
  {
    when: randomCondition,
    schedule,
    markets: fc.constant({ here: true as const }),
    countdown: fc.record(
      {
        to: fc.constant('moment' as const),
        at: fc.constantFrom('2026-10-25T02:30', '2026-11-24T12:00', '2026-11-24T16:00'),
        readIn: fc.constantFrom('store', 'America/New_York'),
        withinHours: fc.constantFrom(2, 48),
      },
      { requiredKeys: ['to', 'at', 'readIn'] },
    ),
  },
  4,
).map((parts) => ({ order: 1, name: 'A notice', note: '', ...parts }) as unknown as Notice);

const areaPart: fc.Arbitrary<AreaPart> = fc.oneof(
  fc.constant<AreaPart>({ kind: 'wholeMarket' }),
  fc.constant<AreaPart>({ kind: 'country', country: 'NL' }),
  fc.constantFrom('NL-NH', 'NL-FR', 'US-AK').map((region): AreaPart => ({ kind: 'region', region })),
  fc
    .subarray(['1799ZA', '1799ZB', '17*', '1*', '17??ZA', '1000..1999', '1700..1799', '1799..1799'], {
      minLength: 1,
      maxLength: 3,
    })
    .map((patterns): AreaPart => ({
      kind: 'postcodes',
      country: 'NL',
      patterns: Object.fromEntries(patterns.map((pattern) => [pattern, true])),
    })),
  fc
    .record({ distance: fc.constantFrom(1, 5, 50), unit: fc.constantFrom('km' as const, 'mi' as const) })
    .map((size): AreaPart => ({ kind: 'radius', center: { latitude: 53, longitude: 5 }, ...size })),
);

/** Markets of every tax habit, with and without cash increments, of two, no and three decimals. */
const market: fc.Arbitrary<Market> = fc
  .record({
    kind: fc.constantFrom<Pick<Market, 'currency' | 'cashIncrement'>>(
      { currency: 'EUR' },
      { currency: 'CHF', cashIncrement: 5 },
      { currency: 'JPY' },
      { currency: 'BHD', cashIncrement: 25 },
    ),
    prices: fc.constantFrom('withTax' as const, 'withTax' as const, 'withoutTax' as const),
    standard: fc.constantFrom('21', '8.1', '0', '19'),
    preselect: fc.constantFrom('first' as const, 'cheapest' as const),
    elsewhere: fc.boolean(),
    regions: fc.constantFrom(
      {},
      {
        'NL-NH': { delivery: '6', classes: { standard: '12.5' } },
        'US-AK': { delivery: '7', classes: { standard: '3' } },
      },
    ),
  })
  .map(({ kind, prices, standard, preselect, elsewhere, regions }) => ({
    order: 1,
    name: 'Here',
    countries: ['NL', 'US'],
    ...kind,
    languages: ['en-GB'],
    tax: { prices, delivery: standard, classes: { standard, reduced: '5.5' }, regions },
    preselect,
    timeZone: 'Europe/Amsterdam',
    ...(elsewhere ? { elsewhere } : {}),
  }));

const zone = fc.record({
  order: minor(2),
  on: fc.boolean(),
  include: fc.array(areaPart, { minLength: 1, maxLength: 3 }),
  exclude: fc.array(areaPart, { maxLength: 1 }),
});

const noticeTexts = (style: number, id: string): OfferWording => {
  const texts = [
    { everyPlace: { 'en-GB': id } },
    { strip: { 'en-GB': id } },
    { everyPlace: { 'en-GB': `Free: ${id}` } },
    {},
  ][style]!;
  return Object.keys(texts).length > 0 ? { notice: texts } : {};
};

const textStates = ['invite', 'progress', 'nearly', 'reached', 'onward', 'missedOut'] as const;
/** Of each state a text in every place, in the strip alone, that says free, that is other for gifts, or none. */
const wordingOf = (styles: readonly number[], offer: string): OfferWording =>
  Object.fromEntries(
    textStates.flatMap((state, index) => {
      const text = `${offer} ${state}`;
      const texts = [
        {},
        { everyPlace: { 'en-GB': text } },
        { everyPlace: { 'en-GB': `{reward, select, gift {${text}: gift} other {${text}}}` } },
        { strip: { 'en-GB': text } },
        { everyPlace: { 'en-GB': `Free: ${text}` } },
      ][styles[index]!]!;
      return Object.keys(texts).length > 0 ? [[state, texts]] : [];
    }),
  );

function policyOf(parts: {
  market: Market;
  options: DeliveryOption[];
  offers: Offer[];
  qualifier: Condition;
  styles: number[][];
  packing: Policy['store']['packing'] | null;
  notices: { notice: Notice; style: number }[];
}): Policy {
  return {
    version: 4,
    store: {
      name: 'A store',
      baseCurrency: 'EUR',
      timeZone: 'Europe/Amsterdam',
      origin: { country: 'NL', postcode: '' },
      ...(parts.packing ? { packing: parts.packing } : {}),
    },
    rates: {
      CHF: { rate: '0.9518', adoptedAt: '2026-11-02' },
      JPY: { rate: '162.85', adoptedAt: '2026-11-02' },
      BHD: { rate: '0.4123', adoptedAt: '2026-11-02' },
    },
    markets: { here: parts.market },
    zones: {
      'zone-0': {
        order: 1,
        market: 'here',
        name: 'All',
        on: true,
        area: { include: { whole: { kind: 'wholeMarket' } } },
      },
    },
    options: keyed(parts.options, 'option'),
    qualifiers: { 'q-0': { order: 1, name: 'The qualifier', condition: parts.qualifier } },
    offers: keyed(parts.offers, 'offer'),
    ...(parts.notices.length > 0
      ? {
          notices: keyed(
            parts.notices.map(({ notice: one }, order) => ({ ...one, order })),
            'notice',
          ),
        }
      : {}),
    wording: Object.fromEntries([
      ...parts.offers.map((_, index) => [`offer-${index}`, wordingOf(parts.styles[index]!, `offer-${index}`)]),
      ...parts.notices.map(({ style }, index) => [`notice-${index}`, noticeTexts(style, `notice-${index}`)]),
    ]) as Policy['wording'],
    testCarts: {},
  };
}

/** Policies of one market and zone in which everything that can be said may be said. */
export const randomPolicy: fc.Arbitrary<Policy> = fc
  .record({
    market,
    options: fc.array(option, { minLength: 1, maxLength: 3 }),
    offers: fc.array(offer, { maxLength: 3 }),
    qualifier: plainCondition,
    packing: fc.option(packing, { freq: 2 }),
    notices: fc.array(fc.record({ notice, style: fc.nat({ max: 3 }) }), { maxLength: 2 }),
    styles: fc.array(fc.array(fc.nat({ max: 4 }), { minLength: 6, maxLength: 6 }), { minLength: 3, maxLength: 3 }),
  })
  .map(policyOf);

/** The same with several zones, each with the options. */
export const randomPolicyWithZones: fc.Arbitrary<Policy> = fc
  .tuple(randomPolicy, fc.array(zone, { minLength: 1, maxLength: 4 }))
  .map(([policy, zones]) => ({
    ...policy,
    zones: keyed(
      zones.map(({ order, on, include, exclude }, index) => ({
        order,
        on,
        market: 'here',
        name: `Zone ${index}`,
        area: { include: keyed(include, 'part'), exclude: keyed(exclude, 'part') },
      })),
      'zone',
    ),
    options: Object.fromEntries(
      zones.flatMap((_, index) =>
        Object.entries(policy.options).map(([id, item]) => [
          index === 0 ? id : `${id}-${index}`,
          { ...item, zone: `zone-${index}` },
        ]),
      ),
    ),
  }));

/** An ordinary product: counts, needs delivery, taxed as standard, charged in the ordinary way. */
export function ordinaryProduct(price: number, change: Partial<Product> = {}): Product {
  return {
    ...ordinaryArticle,
    id: 'ordinary',
    sku: 'O-1',
    name: 'Ordinary',
    prices: { here: price },
    weightGrams: 100,
    ...change,
  };
}

const side = minor(400, 5);
const mostly = (usual: boolean) =>
  fc.oneof({ arbitrary: fc.constant(usual), weight: 5 }, { arbitrary: fc.constant(!usual), weight: 1 });

export const randomProduct: fc.Arbitrary<Product> = fc
  .record({
    id: fc.constantFrom('p-0', 'p-1', 'p-2', 'p-3'),
    price: fc.oneof(minor(900), round(900)),
    taxClass: fc.constantFrom('standard', 'standard', 'reduced', 'unheard-of'),
    categories: fc.subarray(words),
    tags: fc.subarray(words),
    needsDelivery: mostly(true),
    countsTowardGoals: mostly(true),
    shipsFree: mostly(false),
    own: fc.option(minor(2000), { freq: 2 }),
    weightGrams: fc.option(minor(2000, 1)),
    sizeMm: fc.option(fc.tuple(side, side, side)),
    barred: mostly(false),
    preparationDays: fc.constantFrom(0, 0, 1, 3, 8),
  })
  .map(({ price, own, barred, ...rest }) =>
    ordinaryProduct(price, {
      ...rest,
      ownDelivery: own === null || price % 3 > 0 ? null : { here: own },
      notTo: barred && price % 4 === 0 ? ['NL-FR', 'BE'] : [],
    }),
  );

export const randomLines = fc.array(fc.record({ product: randomProduct, quantity: minor(4, 1) }), { maxLength: 5 });

const onlyWhen = { code: fc.constant('MOON'), goods, from: minor(1500), below: minor(6000, 500) };
const discount = fc.oneof(
  rarely({ kind: fc.constant('percent'), percent: fc.constantFrom('5', '12.5', '50') }, onlyWhen, 4),
  rarely({ kind: fc.constant('amount'), amount: minor(900) }, onlyWhen, 4),
) as fc.Arbitrary<CartDiscount>;

const shopper = fc.record(
  {
    signedIn: fc.boolean(),
    individual: fc.constantFrom(...words),
    groups: fc.subarray(words, { minLength: 1 }),
    tags: fc.subarray(words, { minLength: 1 }),
    business: fc.boolean(),
    orderCount: minor(6),
    lastOrderAt: fc.constantFrom('2026-11-23T23:30:00Z', '2026-03-29T00:30:00Z', '2020-01-01T00:00:00Z'),
    lifetimeSpend: minor(2500),
    billingCountry: fc.constantFrom('NL', 'BE'),
  },
  { requiredKeys: ['signedIn'] },
) as fc.Arbitrary<Shopper>;

export const randomDestination = fc.record(
  {
    country: fc.constantFrom('NL', 'NL', 'NL', 'NL', 'NL', 'NL', 'BE', 'US'),
    postcode: fc.constantFrom('', '1799 ZA', '1799-zb', '1712', '2000', '99501'),
    region: fc.constantFrom('NL-NH', 'NL-FR', 'NL-GR'),
    coordinates: fc.record({ latitude: fc.double({ min: 52.9, max: 53.2, noNaN: true }), longitude: fc.constant(5) }),
    residential: fc.boolean(),
  },
  { requiredKeys: ['country', 'postcode'] },
);

/** Moments around clock changes and schedule ends, and some others. */
export const randomInstant = fc.oneof(
  fc
    .constantFrom(
      '2026-10-25T00:29Z',
      '2026-10-25T00:30Z',
      '2026-10-25T01:30Z',
      '2026-11-24T11:00Z',
      '2027-03-28T00:59Z',
      '2027-03-28T01:00Z',
      '2027-03-28T06:30Z',
      '2026-12-31T23:00Z',
    )
    .map((at) => Date.parse(at)),
  fc
    .integer({ min: Date.parse('2026-01-01T00:00Z') / 60_000, max: Date.parse('2027-12-31T00:00Z') / 60_000 })
    .map((minute) => minute * 60_000),
);

export const randomInput: fc.Arbitrary<EvaluationInput> = fc
  .record(
    {
      lines: randomLines,
      codes: fc.constantFrom([], ['sun'], ['MOON '], ['Sun', 'moon']),
      discounts: fc.array(discount, { maxLength: 2 }),
      channel: fc.constantFrom('web', 'app'),
      shopper,
      destination: randomDestination,
      instant: randomInstant,
      quotes: fc.record({ post: minor(1500), ferry: fc.constant(null) }),
      redemptions: fc.record({ 'offer-0': fc.record({ inAll: minor(2), byShopper: minor(2) }) }),
      earlier: fc.record({ option: fc.constantFrom('option-0', 'option-1'), price: fc.constantFrom(0, 777) }),
    },
    { requiredKeys: ['lines', 'codes', 'destination', 'instant'] },
  )
  .map(
    ({ lines, codes, discounts, channel, ...situation }) =>
      ({
        ...situation,
        cart: { lines, codes, ...(discounts ? { discounts } : {}), ...(channel ? { channel } : {}) },
      }) as EvaluationInput,
  );

export const here = { country: 'NL', postcode: '' };
