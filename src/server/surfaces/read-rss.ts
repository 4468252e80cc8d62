import { SaxesParser } from 'saxes';
import { feedNamespace } from '../../core/surfaces/generated/feed.ts';
import type { FeedPrice } from '../../core/surfaces/compared/compare-rows.ts';

/** A feed as XML: its prices where Summant made it, and everything that people read in it. */
export interface ReadFeed {
  prices: FeedPrice[];
  /** titles and descriptions, a line each */
  text: string;
}

const read = new Set(['title', 'description', 'summary', 'content']);

/** Reads RSS or another feed of items in XML. @returns null for what is no XML; entities of its own and files that it names are not followed */
export function readFeedXml(xml: string): ReadFeed | null {
  const parser = new SaxesParser({ xmlns: true });
  const lines: string[] = [];
  const prices: FeedPrice[] = [];
  let item: Partial<FeedPrice> = {};
  let said = '';
  let failed = false;
  parser.on('error', () => void (failed = true));
  parser.on('opentag', () => void (said = ''));
  parser.on('text', (text) => void (said += text));
  parser.on('cdata', (text) => void (said += text));
  parser.on('closetag', ({ local, uri }) => {
    const text = said.trim();
    said = '';
    if (uri === feedNamespace) {
      if (local === 'product') item.product = text;
      if (local === 'zone') item.zone = text;
      if (local === 'price') item.price = text;
    } else if (read.has(local) && text !== '') lines.push(text);
    if (local !== 'item' && local !== 'entry') return;
    const { product, zone, price } = item;
    if (product !== undefined && zone !== undefined && price !== undefined) prices.push({ product, zone, price });
    item = {};
  });
  try {
    parser.write(xml.replace(/^\ufeff/, '')).close();
  } catch {
    return null;
  }
  return failed ? null : { prices, text: lines.join('\n') };
}
