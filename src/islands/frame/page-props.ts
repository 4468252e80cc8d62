import { providePolicy } from '../../client/page-policy.ts';
import type { Operation } from 'rfc6902';
import type { Product } from '../../core/catalogue/product.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { DraftOnServer } from '../../client/draft/draft-state.ts';

/** What every page hands its island: enough to draw the whole frame without asking again. */
export interface PageProps {
  /** `address`: where its policy is fetched */
  draft: Omit<DraftOnServer, 'policy'> & { address: string };
  /** the current release, as what it differs in from the draft: nearly all of the two is the same */
  release: { number: number; patch: Operation[] } | null;
  products: Product[];
  /** the reader's, from Accept-Language */
  locale: string;
  /** the moment of the request, ms since 1970-01-01T00:00Z: what carts without a moment of their own are rehearsed at */
  now: number;
  benchFolded: boolean;
  theme: ThemeChoice;
  /** the address's query, so that what it names is drawn from the start */
  query: Record<string, string>;
}

export type ThemeChoice = 'summant-day' | 'summant-night' | null;

/** What was read for a page, as its view takes it; the policy is left to be fetched, and handed to what is drawn now. */
export function pageProps<Data extends { draft: Omit<DraftOnServer, 'policy'> & { policy: Policy; address: string } }>({
  draft,
  ...rest
}: Data): Omit<Data, 'draft'> & Pick<PageProps, 'draft'> {
  const { policy, ...history } = draft;
  providePolicy(history.address, policy);
  return { ...rest, draft: history };
}
