import { feedPricesOfCsv, type FeedPrice } from '../../core/surfaces/compared/compare-rows.ts';
import {
  sentencesOf,
  statementsIn,
  type Reading,
  type Sentence,
} from '../../core/surfaces/statements/read-statements.ts';
import type { Statement } from '../../core/surfaces/statements/statement.ts';
import { readFeedXml } from './read-rss.ts';
import { visiblePage } from './visible-text.ts';

export type ContentFormat = 'text' | 'html' | 'csv' | 'xml' | 'json';

/** What a surface says, taken apart as far as that depends on no policy. */
export interface ReadContent {
  format: ContentFormat;
  /** sentences, as readers see them; of data the file itself */
  text: string;
  /** structured data that stands in a page, or is all of it, parsed; nothing of what is no JSON */
  structured: unknown[];
  /** prices of a feed that Summant made once; null: it is none */
  prices: FeedPrice[] | null;
  /** what the text states for a language and currency, looked for once */
  statements: (reading: Reading) => readonly Statement[];
}

/** Takes apart what was read of a surface. */
export function readContent(content: string, format: ContentFormat): ReadContent {
  switch (format) {
    case 'html': {
      const { text, data } = visiblePage(content);
      return { format, text, structured: data.flatMap(parsed), prices: null, statements: statementsOf(text) };
    }
    case 'json':
      return { format, text: content, structured: parsed(content), prices: null, statements: statementsOf(content) };
    case 'csv':
      return {
        format,
        text: content,
        structured: [],
        prices: feedPricesOfCsv(content),
        statements: statementsOf(content),
      };
    case 'xml': {
      const feed = readFeedXml(content);
      const text = feed?.text ?? content;
      const prices = feed && feed.prices.length > 0 ? feed.prices : null;
      return { format, text, structured: [], prices, statements: statementsOf(text) };
    }
    case 'text':
      return { format, text: content, structured: [], prices: null, statements: statementsOf(content) };
  }
}

function parsed(json: string): unknown[] {
  try {
    return [JSON.parse(json)];
  } catch {
    return [];
  }
}

function statementsOf(text: string): ReadContent['statements'] {
  let sentences: Sentence[] | null = null;
  const known = new Map<string, Statement[]>();
  return (reading) => {
    const key = `${reading.language.split('-')[0]} ${reading.currency}`;
    let found = known.get(key);
    if (!found) known.set(key, (found = statementsIn((sentences ??= sentencesOf(text)), reading)));
    return found;
  };
}
