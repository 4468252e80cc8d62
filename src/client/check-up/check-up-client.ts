import { wrap, type Remote } from 'comlink';
import type { CheckedUp } from '../../core/check-up/finding.ts';
import type { Catalogue } from '../../core/catalogue/product.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { CheckingUp } from './checking-up.ts';
import { deltaOf } from './policy-delta.ts';

/** Has a page’s draft checked up away from the page, one state after the other. */
export class CheckUpClient {
  readonly #checking: Remote<CheckingUp>;
  readonly #broken: Promise<never>;
  #policy: Policy | null = null;
  #catalogue: Catalogue | null = null;

  constructor() {
    const worker = new Worker(new URL('./check-up.worker.ts', import.meta.url), { type: 'module' });
    this.#checking = wrap<CheckingUp>(worker);
    this.#broken = new Promise<never>((_, reject) => {
      worker.addEventListener('error', () => reject(new Error('The check-up could not be started')));
    });
    this.#broken.catch(() => {});
  }

  /** @throws Error when the worker cannot be loaded, or breaks */
  check(policy: Policy, catalogue: Catalogue, now: number, locale: string): Promise<CheckedUp> {
    const request = {
      delta: deltaOf(this.#policy, policy),
      products: catalogue === this.#catalogue ? null : [...catalogue.values()],
      now,
      locale,
    };
    this.#policy = policy;
    this.#catalogue = catalogue;
    return Promise.race([this.#checking.check(request), this.#broken]);
  }
}
