import type { Operation } from 'rfc6902';
import type { Product } from '../core/catalogue/product.ts';
import type { MarketLimit } from '../core/people/market-limit.ts';
import type { Role } from '../core/people/roles.ts';
import type { Draft } from './shapes/draft.ts';

export type ThemeChoice = 'summant-day' | 'summant-night' | null;

/** Whom a page is shown to. */
export interface PagePerson {
  name: string;
  role: Role;
  markets: MarketLimit;
  /** id of the account; null: nobody has one */
  account: string | null;
}

/** What every page hands its island: enough to draw the whole frame without asking again. */
export interface PageProps {
  /** `address`: where its policy is fetched */
  draft: Omit<Draft, 'policy'> & { address: string };
  /** the current release, as what it differs in from the draft: nearly all of the two is the same */
  release: { number: number; patch: Operation[] } | null;
  products: Product[];
  /** the reader's, from Accept-Language */
  locale: string;
  /** the moment of the request, ms since 1970-01-01T00:00Z: what carts without a moment of their own are rehearsed at */
  now: number;
  /** experiments that ended by themselves, and when, ms since 1970-01-01T00:00Z */
  ended: Record<string, number>;
  person: PagePerson;
  benchFolded: boolean;
  theme: ThemeChoice;
  /** the address's query, so that what it names is drawn from the start */
  query: Record<string, string>;
}

/** What is read for a page: the policy too, which does not travel among its props. */
export interface PageData extends Omit<PageProps, 'draft'> {
  draft: PageProps['draft'] & Pick<Draft, 'policy'>;
}
