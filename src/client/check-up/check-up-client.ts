import { proxy, wrap, type Remote } from 'comlink';
import type { CheckedUp, Finding } from '../../core/check-up/finding.ts';
import type { Catalogue } from '../../core/catalogue/product.ts';
import type { Effect, EffectProgress } from '../../core/effect/effect.ts';
import type { Policy } from '../../core/policy/types.ts';
import type { CheckingUp, EffectRequest, KnownBeside } from './checking-up.ts';
import { BesideTheDraft, type SurfaceStandings } from './known-beside.ts';
import { deltaOf } from './policy-delta.ts';

interface CheckedWith {
  catalogue: Catalogue;
  /** ms since 1970-01-01T00:00Z */
  now: number;
  locale: string;
  standings: SurfaceStandings | null;
}

/** Has a page’s draft checked up away from the page, one state after the other. */
export class CheckUpClient {
  readonly #checking: Remote<CheckingUp>;
  readonly #broken: Promise<never>;
  readonly #beside = new BesideTheDraft();
  #sent: KnownBeside | null = null;
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

  /**
   * All but guarantees.
   *
   * @param standings of surfaces, where the page knows them; null: they are asked for once
   * @throws Error when the worker cannot be loaded, or breaks
   */
  async check(policy: Policy, { catalogue, now, locale, standings }: CheckedWith): Promise<CheckedUp> {
    const hasSurfaces = Object.keys(policy.surfaces ?? {}).length > 0;
    const beside = await this.#beside.of(Object.keys(policy.markets), hasSurfaces, standings);
    const missing = this.#beside.missing.map((because) => ({
      kind: 'beside',
      stop: 'orders' as const,
      at: '',
      because,
    }));
    const request = {
      delta: deltaOf(this.#policy, policy),
      products: catalogue === this.#catalogue ? null : [...catalogue.values()],
      beside: beside === this.#sent ? null : beside,
      now,
      locale,
    };
    this.#policy = policy;
    this.#catalogue = catalogue;
    this.#sent = beside;
    const checked = await Promise.race([this.#checking.check(request), this.#broken]);
    return { ...checked, notExamined: [...missing, ...checked.notExamined] };
  }

  /** Whether the guarantees of what was checked up last hold; null where something else was since. @throws Error the same */
  guarantees(): Promise<CheckedUp | null> {
    return Promise.race([this.#checking.guarantees(), this.#broken]);
  }

  /**
   * What changes for shoppers between two policies; null where the same asker has asked for another since.
   *
   * @param draft whose markets have orders to be asked for: a release may have others
   * @throws Error the same
   */
  async effect(
    request: EffectRequest,
    draft: Policy,
    progress: (soFar: EffectProgress) => void,
  ): Promise<Effect | null> {
    const markets = Object.keys(request.is.markets).filter((market) => Object.hasOwn(draft.markets, market));
    const beside = await this.#beside.of(markets);
    if (beside !== this.#sent) {
      this.#sent = beside;
      await Promise.race([this.#checking.know(beside), this.#broken]);
    }
    return Promise.race([this.#checking.effect(request, proxy(progress)), this.#broken]);
  }

  /** What a finding says, as it is kept where it is accepted. @throws Error the same */
  kept(finding: Finding): Promise<string> {
    return Promise.race([this.#checking.kept(finding), this.#broken]);
  }
}
