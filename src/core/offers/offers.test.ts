import { describe, expect, test } from 'vitest';
import { tree } from '../../../tests/support/conditions.ts';
import { changed, evaluateLines, linesOf, pricesOf } from '../../../tests/support/evaluate-store.ts';
import { ordinaryProduct } from '../../../tests/support/random-policy.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import { checkPolicy } from '../checks/validate.ts';
import type { Evaluation } from '../evaluation/evaluation.ts';
import type { CartDiscount, Goal, Market, Offer, Policy, Reward } from '../policy/types.ts';

type Unordered<T> = T extends unknown ? Omit<T, 'order'> : never;
type Given = Unordered<Reward>;
const parcels = { by: 'kind', kinds: ['parcel'] } as const;
const free: Given = { kind: 'deliveryFree', on: { by: 'kind', kinds: ['parcel'] }, coversOwnDelivery: false };
const eur = (minor: number) => ({ nlbe: { exact: minor } });

const goal = (target: number, rewards: Given[], more: Partial<Goal> = {}): Goal => ({
  order: target,
  measure: { kind: 'countedValue', basis: 'afterDiscountsAsShown' },
  targets: eur(target),
  then: 'replace',
  rewards: Object.fromEntries(rewards.map((reward, index) => [`r${index}`, { ...reward, order: index } as Reward])),
  ...more,
});
const offer = (goals: Goal[], more: Partial<Offer> = {}): Offer => ({
  order: 1,
  name: 'Offer',
  note: '',
  on: true,
  priority: 1,
  combines: false,
  unlock: { by: 'amount' },
  goals: Object.fromEntries(goals.map((item, index) => [`g${index}`, item])),
  ...more,
});

/** The small store with these offers instead of its own. */
const withOffers = (offers: Record<string, Offer>, change: (policy: Policy) => void = () => {}): Policy =>
  changed({ ...smallStore, offers, wording: Object.fromEntries(Object.keys(offers).map((id) => [id, texts])) }, change);
const inDutch = { everyPlace: { 'nl-NL': '{reward}' } };
const texts = { progress: inDutch, onward: inDutch, reached: inDutch };

/** Goods worth 91.85: door 5.95, parcel shop 4.50. */
const goods = { 'tidewing-16': 2, 'line-50': 1 };
const prices = (
  offers: Record<string, Offer>,
  lines: Record<string, number> = goods,
  input: Parameters<typeof evaluateLines>[2] = {},
) => pricesOf(evaluateLines(withOffers(offers), lines, input)).map(([, after]) => after);
const only = (reward: Given, more: Partial<Offer> = {}) => ({ it: offer([goal(1, [reward])], more) });

describe('rewards', () => {
  test.each<[string, Given, number[]]>([
    ['free', free, [0, 0]],
    [
      'at a fixed price, never raising it',
      { kind: 'deliveryAt', on: parcels as never, coversOwnDelivery: false, price: eur(500) },
      [500, 450],
    ],
    [
      'less a percentage, rounded half away from zero',
      { kind: 'deliveryLessPercent', on: { by: 'all' }, coversOwnDelivery: false, percent: '33.3' },
      [397, 300],
    ],
    [
      'less an amount, not below nothing',
      { kind: 'deliveryLessAmount', on: { by: 'all' }, coversOwnDelivery: false, amount: eur(500) },
      [95, 0],
    ],
    [
      'an upgrade: the dearer at the cheaper one’s price',
      {
        kind: 'upgrade',
        on: { by: 'list', options: { 'nlbe-door': true } },
        coversOwnDelivery: false,
        priceOf: { by: 'list', options: { 'nlbe-parcel-shop': true } },
      },
      [450, 450],
    ],
    ['only where the price before is at most a cap', { ...free, cap: eur(500) } as Given, [595, 0]],
    ['by list', { ...free, on: { by: 'list', options: { 'nlbe-door': true } } } as Given, [0, 450]],
  ])('%s', (_, reward, expected) => expect(prices(only(reward))).toEqual(expected));
  test('by tag', () => {
    const policy = withOffers(
      only({ ...free, on: { by: 'tag', tags: ['slow'] } } as Given),
      (copy) => (copy.options['nlbe-parcel-shop']!.tags = ['slow']),
    );
    expect(pricesOf(evaluateLines(policy, goods))).toEqual([
      [595, 595],
      [450, 0],
    ]);
  });
  test('an upgrade takes the slower option’s price as other rewards have left it', () => {
    const offers = {
      ...only({
        kind: 'upgrade',
        on: { by: 'list', options: { 'nlbe-door': true } },
        coversOwnDelivery: false,
        priceOf: { by: 'list', options: { 'nlbe-parcel-shop': true } },
      }),
      cheap: offer([
        goal(1, [
          {
            kind: 'deliveryAt',
            on: { by: 'list', options: { 'nlbe-parcel-shop': true } },
            coversOwnDelivery: false,
            price: eur(99),
          },
        ]),
      ]),
    };
    expect(prices(offers)).toEqual([99, 99]);
  });
  test('own delivery prices stay unless the reward covers them; what comes off comes off the charge first', () => {
    const lines = { 'beach-shelter': 1, 'pocket-tern': 1 }; // own 24.50, charge 6.95 and 4.50
    expect(prices(only(free), lines)).toEqual([2450, 2450]);
    expect(prices(only({ ...free, coversOwnDelivery: true } as Given), lines)).toEqual([0, 0]);
    expect(
      prices(
        only({ kind: 'deliveryLessAmount', on: { by: 'all' }, coversOwnDelivery: true, amount: eur(1000) }),
        lines,
      ),
    ).toEqual([2145, 1900]);
  });
  test('on goods: a percentage, rounded once, that changes nothing that charges and goals look at', () => {
    const { totals, measures } = evaluateLines(
      withOffers(only({ kind: 'goodsLessPercent', percent: '12.5', goods: { categories: ['kites'] } })),
      goods,
    );
    expect(totals).toMatchObject({ goods: 9185, goodsReward: 999, toPay: 9185 - 999 + 595 });
    expect(measures!.countedValue).toBe(9185);
  });
  test('gifts of every offer are named', () => {
    const gift: Given = { kind: 'gift', product: 'sticker-sheet', quantity: 2 };
    expect(evaluateLines(withOffers({ ...only(gift), other: offer([goal(99_999, [gift])]) }), goods).gifts).toEqual([
      { offerId: 'it', goalId: 'g0', product: 'sticker-sheet', quantity: 2 },
    ]);
  });
});

describe('several goals', () => {
  const ladder = (then: Goal['then']) =>
    offer([
      goal(5000, [{ kind: 'deliveryLessAmount', on: { by: 'all' }, coversOwnDelivery: false, amount: eur(100) }]),
      goal(9000, [{ kind: 'deliveryLessAmount', on: { by: 'all' }, coversOwnDelivery: false, amount: eur(200) }], {
        then,
      }),
    ]);
  test('a higher one replaces the lower one’s rewards, or adds to them', () => {
    expect(prices({ it: ladder('replace') })).toEqual([395, 250]);
    expect(prices({ it: ladder('add') })).toEqual([295, 150]);
  });
  test('between them the next one leads on', () => {
    const { lead } = evaluateLines(withOffers({ it: ladder('add') }), { 'tidewing-20': 1 });
    expect(lead).toMatchObject({ state: 'onward', goalId: 'g1', arguments: { remaining: 9000 - 5495 } });
  });
});

describe('several offers on one option', () => {
  const less = (minor: number, combines: boolean, priority: number) =>
    offer(
      [goal(1, [{ kind: 'deliveryLessAmount', on: { by: 'all' }, coversOwnDelivery: false, amount: eur(minor) }])],
      { combines, priority },
    );
  const half = (combines: boolean, priority: number) =>
    offer([goal(1, [{ kind: 'deliveryLessPercent', on: { by: 'all' }, coversOwnDelivery: false, percent: '50' }])], {
      combines,
      priority,
    });
  const door = (offers: Record<string, Offer>): [number, string[]] => {
    const [option] = evaluateLines(withOffers(offers), goods).options;
    return [option!.after, option!.setBy.map(({ offerId }) => offerId)];
  };
  test('of those that do not combine the lowest price counts, of equal ones the higher priority', () => {
    expect(door({ a: less(200, false, 1), b: less(300, false, 0) })).toEqual([295, ['b']]);
    expect(door({ a: less(300, false, 1), b: less(300, false, 5) })).toEqual([295, ['b']]);
  });
  test('those that combine apply in priority order', () => {
    expect(door({ a: less(100, true, 2), b: half(true, 1) })).toEqual([247, ['a', 'b']]);
    expect(door({ a: less(100, true, 1), b: half(true, 2) })).toEqual([197, ['b', 'a']]);
  });
  test('together they stand against each of the others alone', () => {
    expect(door({ a: less(100, true, 2), b: less(100, true, 1), c: less(150, false, 9) })).toEqual([395, ['a', 'b']]);
    expect(door({ a: less(100, true, 2), b: less(100, true, 1), c: less(250, false, 0) })).toEqual([345, ['c']]);
  });
});

describe('when an offer holds', () => {
  const standing = (more: Partial<Offer>, input: Parameters<typeof evaluateLines>[2] = {}, lines = goods) => {
    const found = evaluateLines(withOffers(only(free, more)), lines, input);
    return [found.offers[0]?.status, found.options[0]!.after];
  };
  test('its schedule', () => {
    const schedule = { readIn: 'store', from: '2026-11-24T12:00', until: '2026-11-24T13:00' } as const;
    const at = (moment: string) => standing({ schedule }, { instant: Date.parse(moment) });
    expect([at('2026-11-24T10:59:59Z'), at('2026-11-24T11:00Z'), at('2026-11-24T12:00Z')]).toEqual([
      ['notYet', 595],
      ['inForce', 0],
      ['over', 595],
    ]);
  });
  test('its markets', () => {
    expect(standing({ markets: { nlbe: true } })).toEqual(['inForce', 0]);
    expect(standing({ markets: { uk: true } })).toEqual([undefined, 595]);
  });
  test('its qualifier', () => {
    const when = tree('all', { kind: 'yesNo', fact: 'shopper.signedIn', is: true });
    expect(standing({ when })).toEqual(['notForShopper', 595]);
    expect(standing({ when }, { shopper: { signedIn: true } })).toEqual(['inForce', 0]);
  });
  test('its limits, by what the shop has recorded', () => {
    const limits = { inAll: 10, perShopper: 2 };
    const used = (inAll: number, byShopper?: number) =>
      standing({ limits }, { redemptions: { it: { inAll, ...(byShopper === undefined ? {} : { byShopper }) } } });
    expect([standing({ limits }), used(9), used(10), used(9, 1), used(9, 2)]).toEqual([
      ['inForce', 0],
      ['inForce', 0],
      ['usedUp', 595],
      ['inForce', 0],
      ['usedUp', 595],
    ]);
  });
  test.each([
    [
      'code',
      0,
      [
        ['needsCode', 595],
        ['inForce', 0],
      ],
    ],
    [
      'amountOrCode',
      99_999,
      [
        ['inForce', 595],
        ['inForce', 0],
      ],
    ],
    [
      'amountAndCode',
      5000,
      [
        ['needsCode', 595],
        ['inForce', 0],
      ],
    ],
    [
      'amountAndCode',
      99_999,
      [
        ['needsCode', 595],
        ['inForce', 595],
      ],
    ],
  ] as const)('unlocked by %s at %i', (by, target, expected) => {
    const it = offer([goal(Math.max(1, target), [free], target === 0 ? { targets: {} } : {})], {
      unlock: { by, codes: { SUN: true } },
    });
    const asked = (codes: string[]) => {
      const found = evaluateLines(withOffers({ it }), goods, { cart: { codes } });
      return [found.offers[0]!.status, found.options[0]!.after];
    };
    expect([asked(['RAIN']), asked([' sun'])]).toEqual(expected);
  });
});

describe('what a goal counts', () => {
  const counted = (more: Partial<Goal>, lines: Record<string, number>) =>
    evaluateLines(withOffers({ it: offer([goal(9999, [free], more)]) }), lines).offers[0]!.goals[0];
  test('only certain goods, in a price range', () => {
    expect(counted({ goods: { categories: ['lines'] } }, goods)).toMatchObject({ counted: 1195 });
    expect(counted({ goods: { unitPriceBelow: eur(2000) } }, goods)).toMatchObject({ counted: 1195 });
  });
  test('pieces, or grams of what is delivered', () => {
    const of = (kind: 'items' | 'weight') =>
      counted(
        { measure: { kind }, targets: { nlbe: { count: 1000 } } },
        { ...goods, 'gift-card-25': 1, 'plan-box': 2 },
      );
    expect(of('items')).toMatchObject({ measure: 'items', counted: 5, remaining: 995, percent: 0 });
    expect(of('weight')).toMatchObject({ measure: 'weight', counted: 925, remaining: 75, percent: 92 });
  });
});

describe('the honest remainder, case by case', () => {
  const market = (change: Partial<Market>) => (policy: Policy) => void Object.assign(policy.markets.nlbe!, change);
  const remaining = (
    more: Partial<Goal>,
    discounts: CartDiscount[] = [],
    change: (policy: Policy) => void = () => {},
    target = 10_000,
  ): Evaluation['offers'][number]['goals'][number]['remaining'] =>
    evaluateLines(withOffers({ it: offer([goal(target, [free], more)]) }, change), goods, {
      cart: { discounts, codes: ['SUN'] },
    }).offers[0]!.goals[0]!.remaining;
  const untaxed = { measure: { kind: 'countedValue', basis: 'afterDiscountsWithoutTax' } } as const;
  test('as shown: what is missing', () => expect(remaining({})).toBe(815));
  test('a goal without tax, said with it: 91.85 is 66.03 + 9.88 without, 24.09 is missing, 29.15 with tax', () =>
    expect(remaining(untaxed)).toBe(2915));
  test('a goal with tax where prices are shown without: 111.14 counted of 120.00', () => {
    expect(
      remaining(
        { measure: { kind: 'countedValue', basis: 'afterDiscountsWithTax' } },
        [],
        market({ tax: { prices: 'withoutTax', delivery: '21', classes: { standard: '21' } } }),
        12_000,
      ),
    ).toBe(732);
  });
  test('grossed up for a percentage that will cut what is added: (100.00 − 82.66) ÷ 0.9', () =>
    expect(remaining({}, [{ kind: 'percent', percent: '10' }])).toBe(1926));
  test('not for one that names no goods the goal counts before discounts', () =>
    expect(
      remaining({ measure: { kind: 'countedValue', basis: 'beforeDiscountsAsShown' } }, [
        { kind: 'percent', percent: '10' },
      ]),
    ).toBe(815));
  test('a fixed discount that is larger than the cart eats into what is added', () =>
    expect(remaining({}, [{ kind: 'amount', amount: 20_000 }])).toBe(10_000 + 20_000 - 9185));
  test('a discount that begins to apply on the way is taken in: 10 % from 95.00', () =>
    expect(remaining({}, [{ kind: 'percent', percent: '10', from: 9500 }])).toBe(1926));
  test('one that would cease to apply on the way: no promise is made', () => {
    expect(remaining({}, [{ kind: 'percent', percent: '10', code: 'SUN', below: 10_000 }])).toBeNull();
    expect(remaining({}, [{ kind: 'percent', percent: '10', code: 'SUN', below: 20_000 }])).toBe(1926);
  });
  test('nothing reaches it under a discount of everything', () =>
    expect(remaining({}, [{ kind: 'percent', percent: '100' }])).toBeNull());
  test('a discount of nearly everything is still worked out', () =>
    expect(remaining({}, [{ kind: 'percent', percent: '99.99' }])!).toBeGreaterThan(9_000_000));
  test('at least the price from which articles count', () =>
    expect(remaining({ goods: { unitPriceFrom: eur(3000) } })).toBe(3000));
  test('uncounted goods take their share of a fixed discount with them', () => {
    const lines = { ...goods, 'gift-card-50': 1 };
    const found = evaluateLines(withOffers({ it: offer([goal(10_000, [free])]) }), lines, {
      cart: { discounts: [{ kind: 'amount', amount: 1000 }] },
    }).offers[0]!.goals[0]!;
    expect(found).toMatchObject({ counted: 8538 });
    // 91.85 + r less its share of 10.00 over 141.85 + r
    const r = found.remaining!;
    expect(9185 + r - Math.round((1000 * (9185 + r)) / (14_185 + r))).toBeGreaterThanOrEqual(10_000);
  });
  test('in whole yen and in thousandths of a dinar', () => {
    expect(remaining({}, [], market({ currency: 'JPY' }))).toBe(815);
    expect(
      remaining(
        untaxed,
        [],
        (policy) =>
          market({ currency: 'BHD', tax: { prices: 'withTax', delivery: '10', classes: { standard: '10' } } })(policy),
        9_000,
      ),
    ).toBe(715);
  });
  test('a goal kept to the cash increment', () => {
    const follow = {
      targets: { nlbe: { following: { base: 10_001, buffer: '0', round: 'nearest', step: 1, less: 0 } } },
    } as const;
    expect(remaining(follow, [], market({ cashIncrement: 5 }))).toBe(815);
  });
  test('none where adding goods would lose the offer: nothing over three pieces', () => {
    const few = offer([goal(10_000, [free])], {
      when: tree('all', { kind: 'number', fact: 'cart.items', operator: 'atMost', value: 3 }),
    });
    const found = evaluateLines(withOffers({ it: few }), goods);
    expect(found.offers[0]!.goals[0]!.remaining).toBeNull();
    expect(found.lead).toBeNull();
  });
  test('found by the second evaluator: a rounding may make a dearer article fall short again', () => {
    const policy = withOffers({ it: offer([goal(672, [free], { goods: { tags: ['blue'] } })]) });
    const lines = [583, 609].map((price) => ({
      product: ordinaryProduct(0, { prices: { nlbe: price }, tags: price === 609 ? ['blue'] : [] }),
      quantity: 1,
    }));
    const remainder = (more: number[]) =>
      evaluateLines(
        policy,
        {},
        {
          cart: {
            lines: [
              ...lines,
              ...more.map((price) => ({
                product: ordinaryProduct(0, { prices: { nlbe: price }, tags: ['blue'] }),
                quantity: 1,
              })),
            ],
            discounts: [{ kind: 'percent', percent: '50' }],
          },
        },
      ).offers[0]!.goals[0]!;
    expect(remainder([]).remaining).toBe(736);
    expect([733, 734, 735, 736, 737].map((price) => remainder([price]).reached)).toEqual([
      false,
      true,
      false,
      true,
      true,
    ]);
  });
});

describe('an earlier choice', () => {
  const earlier = (option: string, price: number, country = 'NL') =>
    evaluateLines(smallStore, { winder: 1 }, { earlier: { option, price }, destination: { country, postcode: '' } });
  test('is still there at the same price or another, and stays chosen', () => {
    expect(earlier('nlbe-parcel-shop', 450)).toMatchObject({
      preselected: 'nlbe-parcel-shop',
      earlier: { still: 'same', was: 450, now: 450 },
    });
    expect(earlier('nlbe-parcel-shop', 0).earlier).toMatchObject({ still: 'dearer', was: 0, now: 450 });
    expect(earlier('nlbe-parcel-shop', 999).earlier).toMatchObject({ still: 'cheaper' });
  });
  test('or is gone, and why', () => {
    expect(earlier('nlbe-parcel-shop', 450, 'GB')).toMatchObject({
      preselected: 'uk-collection',
      earlier: { still: 'gone', because: 'notInZone' },
    });
    expect(earlier('nlbe-parcel-shop', 450, 'CA').earlier).toMatchObject({ still: 'gone', because: 'noMarket' });
    const later = changed(
      smallStore,
      (policy) => (policy.options['nlbe-door']!.schedule = { readIn: 'store', from: '2027-01-01T00:00' }),
    );
    expect(evaluateLines(later, { winder: 1 }, { earlier: { option: 'nlbe-door', price: 695 } }).earlier).toMatchObject(
      { because: 'notNow' },
    );
  });
});

test('words for those who miss out are said only where nothing else is', () => {
  const members = offer([goal(1000, [free])], {
    when: tree('all', { kind: 'yesNo', fact: 'shopper.signedIn', is: true }),
    priority: 9,
  });
  const policy = changed(
    { ...smallStore, offers: { members } },
    (copy) => (copy.wording = { members: { missedOut: { everyPlace: { 'nl-NL': 'Voor leden.' } } } }),
  );
  expect(evaluateLines(policy, goods).lead).toMatchObject({ speakerId: 'members', state: 'missedOut' });
  const withOther = changed(policy, (copy) => {
    copy.offers.other = offer([goal(99_999, [free])]);
    copy.wording.other = { progress: inDutch };
  });
  expect(evaluateLines(withOther, goods).lead).toMatchObject({ speakerId: 'other', state: 'progress' });
  expect(
    evaluateLines(
      changed(policy, (copy) => (copy.wording = {})),
      goods,
    ).lead,
  ).toBeNull();
});

test('goods that may not go there: nothing can be chosen, and which they are', () => {
  const lines = linesOf({ winder: 1 }).map((line) => ({ ...line, product: { ...line.product, notTo: ['NL'] } }));
  expect(evaluateLines(smallStore, {}, { cart: { lines } })).toMatchObject({
    noOptions: 'goodsBarred',
    options: [],
    lead: null,
    measures: { barred: ['winder'] },
  });
});

describe('what is told must be true', () => {
  const inMarket = (change: (policy: Policy) => void, offers: Record<string, Offer>) => withOffers(offers, change);
  const read = (policy: Policy, lines: Record<string, number>, input: Parameters<typeof evaluateLines>[2] = {}) =>
    evaluateLines(policy, lines, input).speakers.map(({ speakerId, state }) => `${speakerId} ${state}`);

  test('a cash increment is applied once, to charge, own price and rewards together', () => {
    const cash = (policy: Policy) => {
      policy.markets.nlbe!.cashIncrement = 50;
      policy.options['nlbe-door']!.charge = {
        combine: 'first',
        lines: { flat: { order: 1, price: { fixed: { exact: 480 } } } },
        otherwise: { kind: 'notOffered' },
      };
    };
    const own = ordinaryProduct(0, { prices: { nlbe: 1000 }, ownDelivery: { nlbe: 7992 } });
    const plain = ordinaryProduct(0, { id: 'plain', prices: { nlbe: 1000 } });
    const door = (policy: Policy) =>
      evaluateLines(
        policy,
        {},
        {
          cart: {
            lines: [
              { product: own, quantity: 1 },
              { product: plain, quantity: 1 },
            ],
          },
        },
      ).options.find(({ optionId }) => optionId === 'nlbe-door')!;
    // 4.80 + 79.92 = 84.72
    expect(door(inMarket(cash, {})).after).toBe(8450);
    expect(
      door(
        inMarket(
          cash,
          only({ kind: 'deliveryLessAmount', on: { by: 'all' }, coversOwnDelivery: false, amount: eur(10) }),
        ),
      ).setBy,
    ).toEqual([]);
  });
  test('an upgrade does not take credit for what another offer gave its own option', () => {
    const all = { by: 'all' } as const;
    const offers = {
      upgrade: offer([goal(1, [{ kind: 'upgrade', on: all, coversOwnDelivery: false, priceOf: all }])], {
        priority: 9,
      }),
      cheap: offer([
        goal(1, [
          {
            kind: 'deliveryAt',
            on: { by: 'list', options: { 'nlbe-parcel-shop': true } },
            coversOwnDelivery: false,
            price: eur(99),
          },
        ]),
      ]),
    };
    const { options } = evaluateLines(withOffers(offers), goods);
    expect(options.map(({ optionId, after, setBy }) => [optionId, after, setBy.map(({ offerId }) => offerId)])).toEqual(
      [
        ['nlbe-door', 99, ['upgrade']],
        ['nlbe-parcel-shop', 99, ['cheap']],
      ],
    );
  });
  test('the same product on two lines is one line', () => {
    const product = ordinaryProduct(0, { prices: { nlbe: 333 } });
    const twice = [
      { product, quantity: 1 },
      { product: { ...product }, quantity: 2 },
    ];
    const { measures } = evaluateLines(withOffers({}), {}, { cart: { lines: twice } });
    expect(measures).toMatchObject({ lines: 1, items: 3, goodsValue: 999 });
    const condition = offer([goal(1, [free])], {
      when: tree('all', { kind: 'number', fact: 'line.quantity', operator: 'atLeast', value: 3 }),
    });
    expect(evaluateLines(withOffers({ it: condition }), {}, { cart: { lines: twice } }).offers[0]!.status).toBe(
      'inForce',
    );
  });
  test('free is not said where own delivery prices remain, or a cap keeps the reward away', () => {
    expect(read(withOffers(only(free)), { 'beach-shelter': 1 })).toEqual([]);
    expect(read(withOffers({ it: offer([goal(99_999, [{ ...free, cap: eur(100) } as Given])]) }), goods)).toEqual([]);
    expect(read(withOffers({ it: offer([goal(99_999, [free])]) }), goods)).toEqual(['it progress']);
  });
  test('an offer without a text, or without a promise for its next goal, silences nobody', () => {
    const offers = { mute: offer([goal(99_999, [free])], { priority: 9 }), other: offer([goal(50_000, [free])]) };
    const policy = changed(withOffers(offers), (copy) => delete copy.wording.mute);
    expect(read(policy, goods)).toEqual(['other progress']);
    // The second goal counts goods that are too dear to be bought one by one; what the first one gives is still told.
    const two = offer([
      goal(1, [{ kind: 'deliveryAt', on: { by: 'all' }, coversOwnDelivery: false, price: eur(100) }]),
      goal(80_000, [free], { order: 2, goods: { unitPriceBelow: eur(1) } }),
    ]);
    expect(read(withOffers({ two }), goods)).toEqual(['two reached']);
    const gift = offer([
      goal(99_999, [
        { kind: 'gift', product: 'winder', quantity: 1 },
        { ...free, on: { by: 'list', options: { 'uk-tracked': true } } } as Given,
      ]),
    ]);
    expect(read(withOffers({ gift }), goods)).toEqual(['gift progress']);
  });
  test('the best of what is given speaks, not the first by priority', () => {
    const half = { kind: 'deliveryLessPercent', on: { by: 'all' }, coversOwnDelivery: false, percent: '50' } as Given;
    expect(
      read(
        withOffers({ newcomer: offer([goal(1, [half])], { priority: 9 }), everyone: offer([goal(1, [free])]) }),
        goods,
      ),
    ).toEqual(['everyone reached']);
  });
  test('goals in pieces are promised only while the offer stays for this shopper', () => {
    const few = offer([goal(4, [free], { measure: { kind: 'items' }, targets: { nlbe: { count: 4 } } })], {
      when: tree('all', { kind: 'number', fact: 'cart.items', operator: 'atMost', value: 3 }),
    });
    expect(evaluateLines(withOffers({ few }), goods).offers[0]!.goals[0]).toMatchObject({
      remaining: null,
      reached: false,
    });
  });
  test('where nothing is to be delivered nothing is promised', () => {
    const digital = { product: ordinaryProduct(0, { prices: { nlbe: 500 }, needsDelivery: false }), quantity: 1 };
    expect(
      evaluateLines(withOffers({ it: offer([goal(99_999, [free])]) }), {}, { cart: { lines: [digital] } }).offers[0]!
        .goals[0]!.remaining,
    ).toBeNull();
  });
  test('over, not yet, or for others: never reached, with a status', () => {
    const at = (more: Partial<Offer>) => evaluateLines(withOffers(only(free, more)), goods).offers[0]!;
    for (const [more, status] of [
      [{ schedule: { readIn: 'store', until: '2020-01-01T00:00' } }, 'over'],
      [{ schedule: { readIn: 'store', from: '2099-01-01T00:00' } }, 'notYet'],
      [{ when: tree('any') }, 'notForShopper'],
    ] as const) {
      expect(at(more as Partial<Offer>)).toMatchObject({
        status,
        goals: [{ reached: false, remaining: null, percent: 99 }],
      });
    }
  });
  test('a goal of nothing is reached by every cart, the empty one too', () => {
    expect(
      evaluateLines(withOffers({ it: offer([goal(0, [free])]) }), { winder: 1 }).offers[0]!.goals[0],
    ).toMatchObject({ reached: true, percent: 100 });
    expect(checkPolicy({ ...withOffers({ it: offer([goal(0, [free])]) }), wording: {} }).ok).toBe(true);
  });
  test('a weekend goal that asks less comes before the standing one, whatever their priorities', () => {
    const offers = { standing: offer([goal(20_000, [free])], { priority: 9 }), weekend: offer([goal(10_000, [free])]) };
    expect(read(withOffers(offers), goods)).toEqual(['weekend progress', 'standing progress']);
  });
});
