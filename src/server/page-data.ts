import type { PageData, ThemeChoice } from '../contract/page.ts';
import { readDraft } from './draft/draft-store.ts';
import { policyAddress } from './draft/policy-text.ts';
import { currentState } from './current-state.ts';
import { listProducts } from './products/product-store.ts';
import { currentReleaseBeside } from './releases/release-beside-draft.ts';
import { plainQuery } from '../core/plain-query.ts';

/** Of Astro’s context, what is looked at. */
export interface PageContext {
  request: Request;
  url: URL;
  locals: App.Locals;
}

/** What every page's frame needs, read at once. */
export async function pageData({ request, url, locals: { person } }: PageContext): Promise<PageData> {
  if (!person) throw new Error('a page that anybody may see has no frame');
  const [draft, products, { ended }] = await Promise.all([readDraft(person), listProducts(), currentState()]);
  const cookies = cookiesOf(request);
  const { stamp, ...history } = draft;
  return {
    person: {
      name: person.name,
      role: person.role,
      markets: person.markets,
      account: person.signedIn?.accountId ?? null,
    },
    draft: { ...history, address: policyAddress({ revision: draft.revision, stamp }) },
    release: await currentReleaseBeside(draft.policy),
    products,
    locale: readerLocale(request.headers.get('accept-language')),
    now: Date.now(),
    ended: Object.fromEntries(ended),
    benchFolded: cookies.get('summant-bench') === 'folded',
    theme: themeOf(request),
    query: plainQuery(url.searchParams),
  };
}

const cookiesOf = (request: Request) =>
  new Map((request.headers.get('cookie') ?? '').split(';').map((pair) => pair.trim().split('=') as [string, string]));

/** The theme that a browser has chosen. */
export function themeOf(request: Request): ThemeChoice {
  const theme = cookiesOf(request).get('summant-theme');
  return theme === 'summant-day' || theme === 'summant-night' ? theme : null;
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
