import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { changed, tuesday } from '../../../../tests/support/evaluate-store.ts';
import { askedOf, marketsAndLanguages } from '../../../../tests/support/surfaces.ts';
import { emptyPolicy } from '../../policy/empty.ts';
import { compilePolicy } from '../../evaluation/compile.ts';
import { chargedInMarket } from '../compared/charged-in-market.ts';
import { compareStatement } from '../compared/compare-statement.ts';
import { readStatements } from '../statements/read-statements.ts';
import { bannerLines } from './banner-lines.ts';
import { policyPage } from './policy-page.ts';
import { generatedFiles } from './registry.ts';

const plain = (text: string | undefined) => text?.replaceAll(/[\u00a0\u202f]/g, ' ');
const pageOf = (marketId: string, language: string, policy = demoPolicy) =>
  policyPage(askedOf(policy), marketId, language);
const rowsOf = (marketId: string, language: string, optionId: string, policy = demoPolicy) =>
  pageOf(marketId, language, policy)
    .zones.flatMap(({ options }) => options)
    .find(({ id }) => id === optionId)!
    .rows.map(({ order, price }) => plain(`${order}: ${price}`));

describe('the policy page', () => {
  test('says what each order pays, with the goals that everybody has', () => {
    expect(rowsOf('nlbe', 'nl-NL', 'nlbe-door')).toEqual([
      'artikelen onder € 40,00: € 6,95',
      'artikelen van € 40,00 tot € 75,00: € 5,95',
      'artikelen vanaf € 75,00: gratis',
    ]);
    // The store packs its goods in 150 g, which its steps at 2 and 10 kg count.
    expect(rowsOf('nlbe', 'nl-NL', 'nlbe-islands-ferry')).toEqual([
      'artikelen onder € 75,00, gewicht onder 1,85 kg: € 8,95',
      'artikelen onder € 75,00, gewicht van 1,85 kg tot 9,85 kg: € 11,95',
      'artikelen onder € 75,00, gewicht vanaf 9,85 kg: € 18,95',
      'artikelen vanaf € 75,00: gratis',
    ]);
  });
  test('says charges that are no plain amounts in words, and what offers make of them', () => {
    expect(rowsOf('deat', 'de-DE', 'deat-door')).toEqual([
      'Waren unter 79,00 €: zusammen: 5,90 €; 4,00 € (längste Seite ab 120 cm); 2,50 € (die Bestellung enthält Waren mit dem Merkmal heavy)',
      'Waren ab 79,00 € und unter 139,00 €: 1,90 €',
      'Waren ab 139,00 €: kostenlos',
    ]);
    expect(rowsOf('us', 'en-US', 'us-express')[0]).toBe(
      'goods below $95.00: 14% of the goods’ value, at least $24.95, at most $79.95, plus handling of $2.50',
    );
    expect(rowsOf('jp', 'ja-JP', 'jp-air')[1]).toBe('商品が￥12,000以上: 無料');
    expect(rowsOf('nlbe', 'nl-NL', 'nlbe-islands-air')[0]).toBe(
      'artikelen onder € 75,00: wat de vervoerder voor het pakket rekent',
    );
  });
  test('says free from a goal on also where an order without weight costs nothing before it', () => {
    const byWeight = changed(demoPolicy, (copy) => {
      const perKilo = { measure: 'weight' as const, amount: { exact: 500 }, per: 1000, started: false };
      copy.options['us-economy']!.charge = {
        combine: 'first',
        lines: { only: { order: 1, price: { fixed: { exact: 0 }, perUnit: perKilo } } },
        otherwise: { kind: 'notOffered' },
      };
    });
    expect(rowsOf('us', 'en-US', 'us-economy', byWeight)).toEqual([
      'goods below $95.00: $5.00 for each kg with packaging',
      'goods from $95.00: free',
    ]);
  });
  test('names conditions, dates and places beside the option, and nobody’s code or number', () => {
    const { zones, offers } = pageOf('nlbe', 'nl-NL');
    const van = zones.flatMap(({ options }) => options).find(({ id }) => id === 'nlbe-round-van')!;
    expect(van.notes.join(' ')).toContain('gewicht: hoogstens 12 kg');
    expect(pageOf('uk', 'en-GB').zones[1]!.options[1]!.notes).toEqual(['Only from 1 June 2026 until 1 September 2026']);
    const said = JSON.stringify([zones, offers]);
    for (const secret of ['SCHOOL', 'GUST10', 'POSTCARD', 'S-0000']) expect(said).not.toContain(secret);
  });
  test('says where nothing is brought, and falls back to English words where a language has none', () => {
    const bare = changed(demoPolicy, (copy) => {
      copy.markets.uk!.languages = ['en-GB', 'sv-SE'];
      for (const option of Object.values(copy.options)) if (option.zone === 'uk-all') option.on = false;
    });
    const [all] = pageOf('uk', 'sv-SE', bare).zones;
    expect(all).toMatchObject({ options: [], none: 'We do not deliver there at the moment.' });
  });
  test('takes the store’s own words, and those that ship where its own cannot be filled', () => {
    const own = changed(demoPolicy, (copy) => {
      copy.surfaceTexts = { free: { nl: 'voor niets' }, intro: { 'nl-NL': 'Wij brengen het naar {nowhere}.' } };
    });
    expect(rowsOf('nlbe', 'nl-NL', 'nlbe-door', own)[2]).toBe('artikelen vanaf € 75,00: voor niets');
    expect(pageOf('nlbe', 'nl-NL', own).intro[0]).toMatch(/^Wij bezorgen in: /);
  });
});

describe('banner lines', () => {
  test('say from when delivery is free wherever it goes', () => {
    const lines = bannerLines(askedOf(demoPolicy), 'deat', 'de-DE')!;
    expect(plain(lines.short)).toBe('Kostenlose Lieferung ab 139,00 €');
  });
  test('say a price where some zone has no goal, and nothing where nothing is brought', () => {
    const none = changed(demoPolicy, (copy) => (copy.offers['free-delivery']!.on = false));
    expect(plain(bannerLines(askedOf(none), 'uk', 'en-GB')!.short)).toBe('Delivery from £4.95');
    const free = changed(none, (copy) => {
      for (const option of Object.values(copy.options))
        if (option.zone === 'dk-all')
          option.charge = { combine: 'first', lines: {}, otherwise: { kind: 'price', price: { exact: 0 } } };
    });
    expect(bannerLines(askedOf(free), 'dk', 'da-DK')!.short).toBe('Gratis levering på alle ordrer');
    const nothing = changed(none, (copy) => (copy.zones['dk-all']!.on = false));
    expect(bannerLines(askedOf(nothing), 'dk', 'da-DK')).toBeNull();
  });
  test('do not promise what ends again as more is bought', () => {
    const capped = changed(demoPolicy, (copy) => {
      const lines = {
        a: {
          order: 1,
          over: { measure: 'goodsValue' as const, from: { exact: 0 }, to: { exact: 20_000 } },
          price: { fixed: { exact: 500 } },
        },
        b: {
          order: 2,
          over: { measure: 'goodsValue' as const, from: { exact: 20_000 }, to: null },
          price: { fixed: { exact: 90_000 } },
        },
      };
      for (const option of Object.values(copy.options))
        if (option.zone === 'dk-all') option.charge = { combine: 'first', lines, otherwise: { kind: 'notOffered' } };
      for (const goal of Object.values(copy.offers['free-delivery']!.goals))
        for (const reward of Object.values(goal.rewards))
          if ('cap' in reward || reward.kind === 'deliveryFree') reward.cap = { dk: { exact: 1000 } };
    });
    expect(bannerLines(askedOf(capped), 'dk', 'da-DK')!.short).toMatch(/^Levering fra/);
  });
});

test('nothing that is generated is stale beside what it is generated from, and banners are right', () => {
  let [read, right] = [0, 0];
  for (const [marketId, language, currency] of marketsAndLanguages(demoPolicy)) {
    const compiled = compilePolicy(demoPolicy);
    const charged = chargedInMarket(compiled, compiled.markets.get(marketId)!, tuesday);
    const verdictsOf = (text: string) =>
      readStatements(text, { language, currency }).map((one) => ({
        text: text.slice(one.start, one.end),
        ...compareStatement(one, [{ release: 1, charged }]),
      }));
    const { short, long } = bannerLines(askedOf(demoPolicy), marketId, language)!;
    for (const line of [short, long]) {
      const verdicts = verdictsOf(line);
      expect(verdicts.length, line).toBeGreaterThan(0);
      expect(
        verdicts.filter(({ verdict }) => verdict !== 'right'),
        line,
      ).toEqual([]);
    }
    const page = pageOf(marketId, language);
    const lines = page.zones.flatMap(({ options }) =>
      options.flatMap(({ label, rows }) => rows.map(({ order, price }) => `${label} | ${order} | ${price}`)),
    );
    const verdicts = verdictsOf(lines.join('\n'));
    expect(
      verdicts.filter(({ verdict }) => verdict === 'stale'),
      marketId,
    ).toEqual([]);
    read += verdicts.length;
    right += verdicts.filter(({ verdict }) => verdict === 'right').length;
  }
  expect(read).toBeGreaterThan(20);
  expect(right / read).toBeGreaterThan(0.6);
});

test('every file is made of every market, also of one that has nothing yet', () => {
  const bare = emptyPolicy();
  bare.markets.only = {
    order: 1,
    name: 'Only',
    countries: [],
    currency: 'EUR',
    languages: ['nl-NL'],
    tax: { prices: 'withTax', delivery: '21', classes: {} },
    preselect: 'first',
  };
  for (const { file, make } of generatedFiles.all) {
    const text = [...make(askedOf(bare), 'only', 'nl-NL')].join('');
    expect(typeof text, file).toBe('string');
    if (!file.startsWith('banner')) expect(text, file).not.toBe('');
  }
});
