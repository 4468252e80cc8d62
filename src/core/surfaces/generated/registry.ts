import { rateSheet, rateSheetColumns } from '../../options/rate-sheet.ts';
import { Registry } from '../../registry.ts';
import type { GeneratedId } from '../../surface-kinds/surface-kind.ts';
import { csvOf } from '../../tabular/write-csv.ts';
import { bannerLines } from './banner-lines.ts';
import { feedCsv, feedRss } from './feed.ts';
import type { Asked } from './generated.ts';
import { policyPage } from './policy-page.ts';
import { policyPageHtml } from './policy-page-html.ts';
import { policyPageMarkdown } from './policy-page-markdown.ts';
import { structuredData, structuredDataText } from './structured-data.ts';

/** All that is known of one file that is generated. */
export interface GeneratedFile {
  /** the last part of its address */
  file: string;
  shows: GeneratedId;
  /** as it is chosen */
  called: string;
  type: string;
  /** one for each market and language, or one for the store */
  per: 'language' | 'store';
  /** a part at a time; nothing where there is nothing to say. Of a store, market and language are empty */
  make: (asked: Asked, marketId: string, language: string) => Iterable<string>;
}

const banner = (which: 'short' | 'long'): GeneratedFile['make'] =>
  function* (asked, marketId, language) {
    const lines = bannerLines(asked, marketId, language);
    if (lines) yield `${lines[which]}\n`;
  };

/** Every file that is generated, in the order in which they are offered. */
export const generatedFiles = new Registry<GeneratedFile>('generated file', ({ file }) => file, [
  {
    file: 'policy-page.html',
    shows: 'policyPage',
    called: 'Policy page',
    type: 'text/html; charset=utf-8',
    per: 'language',
    make: (asked, marketId, language) => [policyPageHtml(policyPage(asked, marketId, language))],
  },
  {
    file: 'policy-page.md',
    shows: 'policyPage',
    called: 'Policy page, Markdown',
    type: 'text/markdown; charset=utf-8',
    per: 'language',
    make: (asked, marketId, language) => [policyPageMarkdown(policyPage(asked, marketId, language))],
  },
  {
    file: 'banner.txt',
    shows: 'bannerLines',
    called: 'Banner, short',
    type: 'text/plain; charset=utf-8',
    per: 'language',
    make: banner('short'),
  },
  {
    file: 'banner-long.txt',
    shows: 'bannerLines',
    called: 'Banner, long',
    type: 'text/plain; charset=utf-8',
    per: 'language',
    make: banner('long'),
  },
  {
    file: 'structured-data.json',
    shows: 'structuredData',
    called: 'Structured data',
    type: 'application/ld+json',
    per: 'language',
    make: (asked, marketId, language) => [structuredDataText(structuredData(asked, marketId, language))],
  },
  {
    file: 'feed.csv',
    shows: 'feed',
    called: 'Feed, CSV',
    type: 'text/csv; charset=utf-8',
    per: 'language',
    make: feedCsv,
  },
  {
    file: 'feed.rss',
    shows: 'feed',
    called: 'Feed, RSS',
    type: 'application/rss+xml; charset=utf-8',
    per: 'language',
    make: feedRss,
  },
  {
    file: 'rate-sheet.csv',
    shows: 'rateSheet',
    called: 'Rate sheet',
    type: 'text/csv; charset=utf-8',
    per: 'store',
    make: ({ policy }) => [csvOf(rateSheetColumns, rateSheet(policy, null).rows)],
  },
]);
