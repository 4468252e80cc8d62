import { rateSheet, rateSheetColumns } from '../../options/rate-sheet.ts';
import { Registry } from '../../registry.ts';
import { csvOf } from '../../tabular/write-csv.ts';
import { bannerLines } from './banner-lines.ts';
import { feedCsv, feedRss } from './feed.ts';
import { fileShapes, type FileName, type FileShape } from './files.ts';
import type { Asked } from './generated.ts';
import { policyPage } from './policy-page.ts';
import { policyPageHtml } from './policy-page-html.ts';
import { policyPageMarkdown } from './policy-page-markdown.ts';
import { structuredData, structuredDataText } from './structured-data.ts';

/** Makes a file a part at a time; nothing where there is nothing to say. Of the store, market and language are empty. */
type Make = (asked: Asked, marketId: string, language: string) => Iterable<string>;

const makers: Record<FileName, Make> = {
  'policy-page.html': (...asked) => [policyPageHtml(policyPage(...asked))],
  'policy-page.md': (...asked) => [policyPageMarkdown(policyPage(...asked))],
  'banner.txt': (...asked) => bannerLine('short', asked),
  'banner-long.txt': (...asked) => bannerLine('long', asked),
  'structured-data.json': (...asked) => [structuredDataText(structuredData(...asked))],
  'feed.csv': feedCsv,
  'feed.rss': feedRss,
  'rate-sheet.csv': ({ policy }) => [csvOf(rateSheetColumns, rateSheet(policy, null).rows)],
};

function bannerLine(which: 'short' | 'long', asked: Parameters<Make>): string[] {
  const lines = bannerLines(...asked);
  return lines ? [`${lines[which]}\n`] : [];
}

/** All that is known of one file that is generated. */
export interface GeneratedFile extends FileShape {
  make: Make;
}

/** Every file that is generated. */
export const generatedFiles = new Registry<GeneratedFile>(
  'generated file',
  ({ file }) => file,
  fileShapes.map((shape) => ({ ...shape, make: makers[shape.file] })),
);
