import type { Finding } from '../../core/check-up/finding.ts';
import type { Policy } from '../../core/policy/types.ts';
import { cartAsText } from '../../core/test-carts/cart-as-text.ts';

/** Where what a finding speaks of is edited. */
export function findingHref({ options }: Policy, { at, stop, marketId }: Finding): string {
  const [, root, id = ''] = at.split('/');
  const query = new URLSearchParams(marketId === null ? {} : { market: marketId });
  if (root === 'offers' || root === 'notices') query.set('offer', id);
  if (root === 'zones') query.set('zone', id);
  if (root === 'options') {
    query.set('zone', options[id]?.zone ?? '');
    query.set('option', id);
  }
  const asked = query.toString();
  return `/${stop}${asked && `?${asked}`}`;
}

/** Where the cart stands that shows a finding; null for one without. */
export const exampleHref = ({ example }: Finding): string | null =>
  example && `/rehearse?${new URLSearchParams({ shared: cartAsText(example) }).toString()}`;
