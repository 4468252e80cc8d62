import { checkUp } from '../../core/check-up/check-up.ts';
import type { CheckedUp } from '../../core/check-up/finding.ts';
import { catalogueOf, type Catalogue, type Product } from '../../core/catalogue/product.ts';
import { compilePolicy } from '../../core/evaluation/compile.ts';
import type { Policy } from '../../core/policy/types.ts';
import { withDelta, type PolicyDelta } from './policy-delta.ts';

/** What a check-up is asked about, as it travels. */
export interface CheckUpRequest {
  delta: PolicyDelta;
  /** null: those of the last request */
  products: readonly Product[] | null;
  now: number;
  locale: string;
}

/** Holds the policy that is checked up, so that only what has changed travels and is worked out anew. */
export class CheckingUp {
  #policy: Policy | null = null;
  #catalogue: Catalogue = new Map();

  check({ delta, products, now, locale }: CheckUpRequest): CheckedUp {
    this.#policy = withDelta(this.#policy, delta);
    if (products) this.#catalogue = catalogueOf(products);
    return checkUp({ compiled: compilePolicy(this.#policy), catalogue: this.#catalogue, now, locale });
  }
}
