import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { changed } from '../../../tests/support/evaluate-store.ts';
import { randomPolicyWithZones } from '../../../tests/support/random-policy.ts';
import { ordinaryArticle } from '../cart/ordinary-article.ts';
import { catalogueOf } from '../catalogue/product.ts';
import { compilePolicy, type CompiledZone } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import { somewhereIn } from '../evaluation/somewhere-in.ts';
import { checkPolicy } from '../checks/validate.ts';
import type { Destination, Guarantee } from '../policy/types.ts';
import { mayRise } from '../sweep/sweep.ts';
import { localIn, verdictOn, type Verdict } from './broken.ts';
import { guaranteeInWords } from './guarantee-in-words.ts';
import { claimKinds } from './registry.ts';
import { starterGuarantees } from './starters.ts';

const now = Date.parse('2026-11-24T11:00Z');
const products = catalogueOf(demoProducts);

const verdict = (guarantee: Partial<Guarantee> & Pick<Guarantee, 'claim'>, policy = demoPolicy): Verdict =>
  verdictOn(
    { order: 1, name: 'It', on: true, ...guarantee },
    { compiled: compilePolicy(policy), catalogue: products, now, locale: 'en-GB' },
  );
const says = ({ broken }: Verdict): string[] =>
  broken.map(({ market, says: what }) => `${market.id}: ${what}`.replaceAll(/\s/g, ' '));
const all = { by: 'all' } as const;

describe('starters', () => {
  test.each(starterGuarantees.map((starter) => [starter.name, starter] as const))(
    '“%s” is a guarantee of the demo that can be read and looked at',
    (name, { begin }) => {
      const guarantee: Guarantee = { order: 1, name, on: true, ...begin(demoPolicy)! };
      const policy = changed(demoPolicy, (copy) => (copy.guarantees = { it: guarantee }));
      expect(checkPolicy(policy)).toMatchObject({ ok: true });
      expect(guaranteeInWords(guarantee, policy, 'en-GB')).toMatch(/^In all markets.*\.$/);
      expect(verdict(guarantee, policy).notExamined).toEqual([]);
    },
  );
  test('there are a dozen, of every kind of claim', () => {
    expect(starterGuarantees).toHaveLength(12);
    const kinds = starterGuarantees.map(({ begin }) => begin(demoPolicy)!.claim.kind);
    expect(new Set(kinds)).toEqual(new Set(claimKinds.all.map(({ kind }) => kind)));
  });
});

describe('a claim', () => {
  test('that something can be chosen is broken by the option that goes', () => {
    const claim = { kind: 'offered', of: 'some', on: all } as const;
    expect(says(verdict({ claim }))).toEqual([]);
    const without = changed(demoPolicy, ({ options }) => {
      for (const option of Object.values(options)) if (option.zone === 'jp-all') option.on = false;
    });
    expect(says(verdict({ claim }, without))).toEqual(['jp: none of them can be chosen']);
    expect(says(verdict({ claim: { ...claim, of: 'each' }, markets: { nlbe: true } }))).toEqual([
      expect.stringMatching(/^nlbe: “.*” cannot be chosen$/),
    ]);
  });
  test('of a highest price holds to the cent', () => {
    const of = (atMost: number): Partial<Guarantee> & Pick<Guarantee, 'claim'> => ({
      markets: { deat: true },
      when: {
        of: 'all',
        conditions: { de: { order: 1, kind: 'word', fact: 'destination.country', operator: 'is', values: ['DE'] } },
      },
      claim: { kind: 'costsAtMost', of: 'each', on: all, atMost },
    });
    const dearest = Math.max(
      ...verdict(of(0)).broken.flatMap(({ along, zone, value }) =>
        zone.options.flatMap((_, index) => along!.pricesAt(value)[index]?.after ?? []),
      ),
    );
    expect(dearest).toBeGreaterThan(0);
    expect(says(verdict(of(dearest - 1)))).toHaveLength(1);
  });
  test('that nothing gets dearer is broken by a price that does, with both amounts', () => {
    const claim = { kind: 'neverRises', on: { by: 'list', options: { 'uk-highlands-parcel': true } } } as const;
    const [dearer] = says(verdict({ claim: { kind: 'neverRises', on: all }, markets: { uk: true } }));
    expect(dearer).toMatch(/^uk: “.*” costs £9\.46 with goods of £60\.04, and £9\.45 with goods of £60\.03$/);
    expect(says(verdict({ claim, markets: { nlbe: true } }))).toEqual([]);
  });
  test('that some never pay more than guests is broken where they do', () => {
    const members: Partial<Guarantee> & Pick<Guarantee, 'claim'> = {
      when: {
        of: 'all',
        conditions: { a: { order: 1, kind: 'word', fact: 'shopper.group', operator: 'contains', values: ['members'] } },
      },
      claim: { kind: 'noMoreThanGuests', on: all },
    };
    expect(says(verdict(members))).toEqual([]);
    const worse = changed(demoPolicy, ({ offers }) => {
      offers['free-delivery']!.when = { of: 'none', conditions: members.when!.conditions };
      offers['members-sooner']!.on = false;
    });
    expect(says(verdict(members, worse))).toContainEqual(
      expect.stringMatching(/^nlbe: “.*” costs them €\d+\.\d\d, and a guest €0\.00$/),
    );
  });
  test('that something is read is broken by a language without texts', () => {
    const claim = { kind: 'read', until: 'goalReached' } as const;
    const silent = changed(demoPolicy, (policy) => {
      for (const speaker of Object.keys(policy.wording)) delete policy.wording[speaker];
    });
    expect(says(verdict({ claim, markets: { uk: true } }, silent))).toEqual(['uk: nothing is read in en-GB']);
    expect(says(verdict({ claim, markets: { uk: true } }))).toEqual([]);
  });
  test('that goals agree compares them exactly at adopted rates', () => {
    const goals = (dkk: number) =>
      changed(demoPolicy, (policy) => {
        policy.rates = { ...policy.rates, DKK: { rate: '7.5', adoptedAt: '2026-11-20' } };
        const { targets } = policy.offers['free-delivery']!.goals.first!;
        for (const market of Object.keys(targets)) if (market !== 'nlbe' && market !== 'dk') delete targets[market];
        targets.nlbe = { exact: 7500 };
        targets.dk = { exact: dkk };
      });
    const claim = { kind: 'goalsAgree', offer: 'free-delivery', within: 20 } as const;
    // 75.00 EUR are 562.50 DKK, and a fifth more 675.00.
    expect(says(verdict({ claim }, goals(67500)))).toEqual([]);
    expect(says(verdict({ claim }, goals(67501)))).toEqual([
      'dk: the goal of “Free delivery” is DKK 675.01 in one market and €75.00 in another',
    ]);
  });
  test('whose condition nobody meets is not examined, which is said', () => {
    expect(
      verdict({
        claim: { kind: 'offered', of: 'some', on: all },
        when: {
          of: 'all',
          conditions: {
            a: { order: 1, kind: 'number', fact: 'cart.weight', operator: 'atLeast', value: 10 },
            b: { order: 2, kind: 'number', fact: 'cart.weight', operator: 'atMost', value: 9 },
          },
        },
      }).notExamined,
    ).toEqual(['No ordinary order was found for which its condition holds.']);
  });
});

test('whatever is guaranteed of prices is so for every cart of one article, and what is broken shows itself', () => {
  let broken = 0;
  let held = 0;
  fc.assert(
    fc.property(
      randomPolicyWithZones,
      fc.constantFrom('offered' as const, 'costsAtMost' as const, 'free' as const),
      fc.constantFrom('some' as const, 'each' as const),
      fc.oneof(fc.integer({ min: 0, max: 3000 }), fc.constant(100_000)),
      fc.array(fc.integer({ min: 1, max: 90_000 }), { minLength: 30, maxLength: 30 }),
      (policy, kind, of, atMost, values) => {
        const claim = kind === 'costsAtMost' ? { kind, of, on: all, atMost } : { kind, of, on: all };
        const compiled = compilePolicy(policy);
        const found = verdict({ claim, markets: { here: true } }, policy);
        fc.pre(found.notExamined.length === 0);
        const breaks = (destination: Destination, zone: CompiledZone, value: number): boolean => {
          const product = { ...ordinaryArticle, prices: { here: value } };
          const { options } = evaluate(compiled, {
            cart: { lines: [{ product, quantity: 1 }] },
            destination,
            instant: now,
          });
          if (kind === 'offered') return of === 'some' ? options.length === 0 : options.length < zone.options.length;
          const most = kind === 'free' ? 0 : localIn(zone)(atMost)!;
          const dear = options.filter(({ after }) => after > most);
          return of === 'some' ? dear.length === options.length : dear.length > 0;
        };
        if (found.broken.length === 0) {
          for (const zone of compiled.markets.get('here')!.zones) {
            const place = somewhereIn(compiled, zone);
            // What an option costs is looked at where stretches begin; in between it may rise, but not go.
            if (!place || (kind !== 'offered' && mayRise(zone, 'goodsValue'))) continue;
            for (const value of values)
              expect([zone.id, value, breaks(place, zone, value)]).toEqual([zone.id, value, false]);
            held++;
          }
        }
        for (const { along, zone, value } of found.broken) {
          const guest = along!.shopperClass.id === '' && along!.order.weight === 0 && along!.order.items === 1;
          if (!guest || along!.situation.instant !== now || value === 0) continue;
          expect([zone.id, value, breaks(along!.destination, zone, value)]).toEqual([zone.id, value, true]);
          broken++;
        }
      },
    ),
    { numRuns: 60 },
  );
  expect(broken).toBeGreaterThan(3);
  expect(held).toBeGreaterThan(0);
}, 120_000);
