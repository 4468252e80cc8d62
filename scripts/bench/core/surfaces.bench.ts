import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../../demo/products.ts';
import { catalogueOf, type Catalogue, type Product } from '../../../src/core/catalogue/product.ts';
import type { Policy } from '../../../src/core/policy/types.ts';
import type { Asked } from '../../../src/core/surfaces/generated/generated.ts';
import { generatedFiles } from '../../../src/core/surfaces/generated/registry.ts';
import { compareSurface } from '../../../src/server/surfaces/compare-surface.ts';
import { readContent } from '../../../src/server/surfaces/read-content.ts';
import { labelledSentences } from '../../../tests/sentences/all-languages.ts';
import { bigStore } from '../big-store.ts';
import { median, type Bar } from '../bar.ts';

const instant = Date.parse('2026-11-24T11:00Z');
const catalogue = catalogueOf(demoProducts);

/** How long surfaces take to be generated, in how much memory a large feed is, and how long a large page takes to be compared. */
export function bars(): Bar[] {
  // What is known of the demo by its identity is not known of a copy.
  const demo = Array.from({ length: 6 }, () => allFilesOf(structuredClone(demoPolicy), catalogue)).slice(1);
  const big = allFilesOf(inLanguages(bigStore(), 20), catalogue);
  const feed = feedOf(60, 10_000);
  const page = pageCompared();
  return [
    bar('all surfaces of the demo', `${median(demo).toFixed(0)} ms`, 'under 500 ms', median(demo) < 500),
    bar('all surfaces of 3,000 options in 20 languages', `${(big / 1000).toFixed(1)} s`, 'under 20 s', big < 20_000),
    bar(
      'feed of 10,000 products × 60 destinations',
      `${feed.rows} rows, ${(feed.letters / 1_000_000).toFixed(0)} MB, ${(feed.ms / 1000).toFixed(1)} s, at most ${feed.heap.toFixed(0)} MB in use`,
      'under 200 MB',
      feed.heap < 200,
    ),
    bar('comparing a page of 1 MB', `${page.toFixed(0)} ms`, 'under 300 ms', page < 300),
  ];
}

const bar = (name: string, measured: string, required: string, held: boolean): Bar => ({
  name,
  measured,
  required,
  held,
});

const askedOf = (policy: Policy, products: Catalogue): Asked => ({
  policy,
  instant,
  catalogue: products,
  regionName: (code) => code,
  ownPrices: () => true,
  storeAddress: 'https://shop.example.com/',
});

/** ms */
function allFilesOf(policy: Policy, products: Catalogue): number {
  const asked = askedOf(policy, products);
  const began = performance.now();
  let letters = 0;
  for (const { per, make } of generatedFiles.all) {
    if (per === 'store') for (const part of make(asked, '', '')) letters += part.length;
    else
      for (const [id, { languages }] of Object.entries(policy.markets))
        for (const language of languages) for (const part of make(asked, id, language)) letters += part.length;
  }
  if (letters === 0) throw new Error('nothing was generated');
  return performance.now() - began;
}

/** A policy whose markets speak so many languages together. */
function inLanguages(policy: Policy, count: number): Policy {
  const all = [
    'nl',
    'fr',
    'de',
    'en',
    'da',
    'ja',
    'ar',
    'es',
    'it',
    'pt',
    'pl',
    'cs',
    'hu',
    'ro',
    'el',
    'fi',
    'nb',
    'sv',
    'tr',
    'ko',
  ];
  for (const [index, market] of Object.values(policy.markets).entries())
    market.languages = [`${all[index % count]!}-${market.countries[0] ?? 'XX'}`];
  return policy;
}

/** A feed of one market that delivers to so many zones. */
function feedOf(zones: number, count: number) {
  const policy = structuredClone(demoPolicy);
  const options = Object.entries(policy.options).filter(([, { zone }]) => zone === 'uk-all');
  for (let index = 0; index < zones - 2; index++) {
    const id = `zone-${index}`;
    policy.zones[id] = {
      order: 100 + index,
      market: 'uk',
      name: `Zone ${index}`,
      on: true,
      area: { include: { codes: { kind: 'postcodes', country: 'GB', patterns: { [`ZX${index + 10}*`]: true } } } },
    };
    for (const [optionId, option] of options)
      policy.options[`${optionId}-${index}`] = { ...option, zone: id, order: 1000 + index };
  }
  const products: Product[] = Array.from({ length: count }, (_, index) => ({
    ...demoProducts[index % demoProducts.length]!,
    id: `product-${index}`,
  }));
  const asked = askedOf(policy, catalogueOf(products));
  const began = performance.now();
  let [letters, rows, heap] = [0, 0, 0];
  for (const part of generatedFiles.of('feed.rss').make(asked, 'uk', 'en-GB')) {
    letters += part.length;
    if (++rows % 2000 === 0) heap = Math.max(heap, process.memoryUsage().heapUsed);
  }
  return { letters, rows: rows - 2, ms: performance.now() - began, heap: heap / 1_048_576 };
}

/** A page of 1 MB of HTML in paragraphs, most of which say nothing of delivery. ms */
function pageCompared(): number {
  const sentences = labelledSentences.filter(({ language }) => language === 'nl');
  const paragraphs = sentences.map(({ text }) => `<p>${text.replaceAll('<', '&lt;')}</p>`);
  const other = paragraphs.filter((_, index) => sentences[index]!.kind === 'other').join('\n');
  let page = `<!doctype html><html><body>${paragraphs.join('\n')}`;
  while (page.length < 1_000_000) page += other;
  const surface = {
    order: 1,
    name: 'page',
    kind: 'policyPage' as const,
    markets: { nlbe: true as const },
    languages: ['nl-NL'],
  };
  const beside = { history: [{ release: 1, policy: demoPolicy }], catalogue, instant };
  return median(
    Array.from({ length: 5 }, () => {
      const began = performance.now();
      compareSurface(surface, readContent(page, 'html'), beside);
      return performance.now() - began;
    }),
  );
}
