import type { PageData } from '../contract/page.ts';
import { readDraft } from './draft/draft-store.ts';
import { policyAddress } from './draft/policy-text.ts';
import { currentState } from './quote/current-state.ts';
import { listProducts } from './products/product-store.ts';
import { currentReleaseBeside } from './releases/release-beside-draft.ts';
import { plainQuery } from '../core/plain-query.ts';

/** What every page's frame needs, read at once. */
export async function pageData(request: Request, url: URL): Promise<PageData> {
  const [draft, products, { ended }] = await Promise.all([readDraft(), listProducts(), currentState()]);
  const cookies = new Map(
    (request.headers.get('cookie') ?? '').split(';').map((pair) => pair.trim().split('=') as [string, string]),
  );
  const theme = cookies.get('summant-theme');
  const { stamp, ...history } = draft;
  return {
    draft: { ...history, address: policyAddress({ revision: draft.revision, stamp }) },
    release: await currentReleaseBeside(draft.policy),
    products,
    locale: readerLocale(request.headers.get('accept-language')),
    now: Date.now(),
    ended: Object.fromEntries(ended),
    benchFolded: cookies.get('summant-bench') === 'folded',
    theme: theme === 'summant-day' || theme === 'summant-night' ? theme : null,
    query: plainQuery(url.searchParams),
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
