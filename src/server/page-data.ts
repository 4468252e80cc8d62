import type { Draft } from './draft/draft-store.ts';
import { readDraft } from './draft/draft-store.ts';
import { listProducts } from './products/product-store.ts';
import { currentRelease } from './releases/release-store.ts';
import type { Product } from '../core/catalogue/product.ts';
import type { Policy } from '../core/policy/types.ts';

export interface PageData {
  draft: Draft;
  release: { number: number; policy: Policy } | null;
  products: Product[];
  locale: string;
  now: number;
  benchFolded: boolean;
  theme: 'summant-day' | 'summant-night' | null;
  query: Record<string, string>;
}

/** What every page's frame needs, read at once. */
export async function pageData(request: Request, url: URL): Promise<PageData> {
  const [draft, release, products] = await Promise.all([readDraft(), currentRelease(), listProducts()]);
  const cookies = new Map((request.headers.get('cookie') ?? '').split(';').map((pair) => pair.trim().split('=') as [string, string]));
  const theme = cookies.get('summant-theme');
  return {
    draft,
    release: release ? { number: release.number, policy: release.policy } : null,
    products,
    locale: readerLocale(request.headers.get('accept-language')),
    now: Date.now(),
    benchFolded: cookies.get('summant-bench') === 'folded',
    theme: theme === 'summant-day' || theme === 'summant-night' ? theme : null,
    query: Object.fromEntries(url.searchParams),
  };
}

/** The reader's first language that Intl knows; British English without one. */
export function readerLocale(acceptLanguage: string | null): string {
  for (const part of (acceptLanguage ?? '').split(',')) {
    const tag = part.split(';')[0]!.trim();
    try {
      if (tag && tag !== '*' && Intl.NumberFormat.supportedLocalesOf(tag).length > 0) return tag;
    } catch {
      continue;
    }
  }
  return 'en-GB';
}
