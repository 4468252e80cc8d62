import { parse as parseCsv } from 'csv-parse/sync';
import { parse as parseHtml, type DefaultTreeAdapterTypes } from 'parse5';
import RssParser from 'rss-parser';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { feedNamespace } from '../../src/core/surfaces/generated/feed.ts';
import { generatedFiles } from '../../src/core/surfaces/generated/registry.ts';
import { policyPage } from '../../src/core/surfaces/generated/policy-page.ts';
import { structuredData } from '../../src/core/surfaces/generated/structured-data.ts';
import { changed } from '../support/evaluate-store.ts';
import { packagedVocabulary, shippingVocabulary, unknownToSchemaOrg } from '../support/schema-org.ts';
import { askedOf, marketsAndLanguages } from '../support/surfaces.ts';

const all = marketsAndLanguages(demoPolicy);
const made = (file: string, marketId: string, language: string, policy = demoPolicy) =>
  [...generatedFiles.of(file).make(askedOf(policy), marketId, language)].join('');
const awkward = changed(demoPolicy, (copy) => {
  copy.store.name = '<Gust & "Moor"> \u0001';
  copy.zones['nlbe-all']!.name = '<b>All</b> | of\nthe `North`';
  copy.options['nlbe-door']!.label = { 'nl-NL': '</script><i>"Pakket", \'huis\'</i>' };
});

type Node = DefaultTreeAdapterTypes.Node;
const elements = (node: Node, name: string): DefaultTreeAdapterTypes.Element[] =>
  'childNodes' in node
    ? node.childNodes.flatMap((child) => [
        ...('tagName' in child && child.tagName === name ? [child] : []),
        ...elements(child, name),
      ])
    : [];
const textOf = (node: Node): string => {
  if ('value' in node) return node.value;
  return 'childNodes' in node ? node.childNodes.map(textOf).join('') : '';
};

test('structured data uses schema.org’s types, properties and ranges alone', () => {
  for (const [marketId, language] of all) {
    const data = structuredData(askedOf(demoPolicy), marketId, language);
    expect(unknownToSchemaOrg(data), marketId).toEqual([]);
    expect(JSON.stringify(data)).toContain('"OfferShippingDetails"');
  }
  // What checks it can tell: a property and a range that are none.
  const wrong = {
    '@graph': [{ '@type': 'OfferShippingDetails', price: 3, shippingRate: { '@type': 'DefinedRegion' } }],
  };
  expect(unknownToSchemaOrg(wrong)).toEqual([
    'OfferShippingDetails has no price',
    'OfferShippingDetails.shippingRate is no {"@type":"DefinedRegion"}',
  ]);
});

test('the vocabulary that is kept is the one that is published', () => {
  const packaged = packagedVocabulary();
  expect(Object.keys(shippingVocabulary).length).toBeGreaterThan(8);
  for (const [name, type] of Object.entries(shippingVocabulary)) expect([name, packaged(name)]).toEqual([name, type]);
});

test('structured data names postcodes as ranges and beginnings, limits as amounts, and days on which goods leave', () => {
  const data = JSON.stringify(structuredData(askedOf(demoPolicy), 'nlbe', 'nl-NL'));
  expect(data).toContain('{"@type":"PostalCodeRangeSpecification","postalCodeBegin":"8891","postalCodeEnd":"8899"}');
  expect(data).toContain('"orderValue":{"@type":"MonetaryAmount","minValue":40,"maxValue":74.99,"currency":"EUR"}');
  expect(data).toContain('"weight":{"@type":"QuantitativeValue","minValue":1850,"maxValue":9849,"unitCode":"GRM"}');
  expect(data).toContain('"cutoffTime":"16:00:00+01:00"');
  expect(JSON.stringify(structuredData(askedOf(demoPolicy), 'uk', 'en-GB'))).toContain('"postalCodePrefix":"ZZ9"');
});

describe('the policy page', () => {
  test('is HTML without errors, whatever names and labels say', () => {
    for (const policy of [demoPolicy, awkward])
      for (const [marketId, language] of all) {
        const errors: string[] = [];
        const html = made('policy-page.html', marketId, language, policy);
        const document = parseHtml(html, { onParseError: ({ code }) => errors.push(code) });
        expect(errors, marketId).toEqual([]);
        const page = policyPage(askedOf(policy), marketId, language);
        expect(elements(document, 'section')).toHaveLength(page.zones.length);
        expect(elements(document, 'tr').length).toBeGreaterThan(page.zones.length);
        expect(elements(document, 'script').concat(elements(document, 'i'), elements(document, 'b'))).toEqual([]);
        expect(elements(document, 'h2').map(textOf)).toContain(page.elsewhere.title);
      }
    const page = textOf(parseHtml(made('policy-page.html', 'nlbe', 'nl-NL', awkward)));
    expect(page).toContain('</script><i>"Pakket", \'huis\'</i>');
  });
  test('every row of a table has as many cells as it has headings, rows that are joined counted', () => {
    const document = parseHtml(made('policy-page.html', 'nlbe', 'nl-NL'));
    for (const body of elements(document, 'tbody')) {
      const rows = elements(body, 'tr');
      const cells = [...elements(body, 'th'), ...elements(body, 'td')];
      const spans = cells.map(({ attrs }) => Number(attrs.find(({ name }) => name === 'rowspan')?.value ?? 1));
      expect(spans.reduce((sum, span) => sum + span, 0)).toBe(rows.length * 4);
    }
  });
});

test('the feed as RSS has what RSS 2.0 asks for, and is read by an independent parser', async () => {
  // RSS Advisory Board, RSS 2.0 Specification: a channel has a title, a link and a description; an item a title or a description.
  const parser = new RssParser();
  for (const policy of [demoPolicy, awkward]) {
    const text = made('feed.rss', 'nlbe', 'nl-NL', policy);
    const feed = await parser.parseString(text);
    expect(feed.title).toBe(policy.store.name.replace('\u0001', ''));
    expect([feed.link, feed.description]).toEqual(['https://shop.example.com/', 'Netherlands & Belgium']);
    expect(feed.items.length).toBeGreaterThan(60);
    expect(new Set(feed.items.map(({ guid }) => guid)).size).toBe(feed.items.length);
    expect(feed.items.every(({ title }) => title)).toBe(true);
    expect(text).toContain(`xmlns:delivery="${feedNamespace}"`);
  }
});

test('the feed as CSV comes back as it went out, and says what the one as RSS does', async () => {
  const rows: Record<string, string>[] = parseCsv(made('feed.csv', 'nlbe', 'nl-NL', awkward), { columns: true });
  expect(rows.map((row) => row.option)).toContain('</script><i>"Pakket", \'huis\'</i>');
  expect(rows.map((row) => row['zone name'])).toContain('<b>All</b> | of\nthe `North`');
  const feed = await new RssParser<object, { price: string }>({
    customFields: { item: [['delivery:price', 'price']] },
  }).parseString(made('feed.rss', 'nlbe', 'nl-NL', awkward));
  expect(rows.map((row) => `nlbe/${row.zone}/${row.id} ${row['delivery price']}`)).toEqual(
    feed.items.map(({ guid, price }) => `${guid} ${price}`),
  );
});
