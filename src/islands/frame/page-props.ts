import type { Product } from '../../core/catalogue/product.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { DraftOnServer } from '../../client/draft-store.ts';

/** What every page hands its island: enough to draw the whole frame without asking again. */
export interface PageProps {
  draft: DraftOnServer;
  release: { number: number; policy: Policy } | null;
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
