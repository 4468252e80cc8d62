import type { Finding } from '../../core/check-up/finding.ts';
import { cartAsText } from '../../core/test-carts/cart-as-text.ts';

/** Where the cart stands that shows a finding; null for one without. */
export const exampleHref = ({ example }: Finding): string | null =>
  example && `/rehearse?${new URLSearchParams({ shared: cartAsText(example) }).toString()}`;
