import type { GeneratedId } from '../../surface-kinds/surface-kind.ts';

/** A file that is generated. */
export interface FileShape {
  /** the last part of its address */
  file: string;
  shows: GeneratedId;
  /** as it is chosen */
  called: string;
  type: string;
  /** one for each market and language, or one for the store */
  per: 'language' | 'store';
}

/** Every file that is generated, in the order in which they are offered. */
export const fileShapes = [
  {
    file: 'policy-page.html',
    shows: 'policyPage',
    called: 'policy page, HTML',
    type: 'text/html; charset=utf-8',
    per: 'language',
  },
  {
    file: 'policy-page.md',
    shows: 'policyPage',
    called: 'policy page, Markdown',
    type: 'text/markdown; charset=utf-8',
    per: 'language',
  },
  {
    file: 'banner.txt',
    shows: 'bannerLines',
    called: 'banner, short',
    type: 'text/plain; charset=utf-8',
    per: 'language',
  },
  {
    file: 'banner-long.txt',
    shows: 'bannerLines',
    called: 'banner, long',
    type: 'text/plain; charset=utf-8',
    per: 'language',
  },
  {
    file: 'structured-data.json',
    shows: 'structuredData',
    called: 'structured data',
    type: 'application/ld+json',
    per: 'language',
  },
  { file: 'feed.csv', shows: 'feed', called: 'feed, CSV', type: 'text/csv; charset=utf-8', per: 'language' },
  { file: 'feed.rss', shows: 'feed', called: 'feed, RSS', type: 'application/rss+xml; charset=utf-8', per: 'language' },
  { file: 'rate-sheet.csv', shows: 'rateSheet', called: 'rate sheet', type: 'text/csv; charset=utf-8', per: 'store' },
] as const satisfies readonly FileShape[];

export type FileName = (typeof fileShapes)[number]['file'];
