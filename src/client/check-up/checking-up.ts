import { checkUpInTurns, checkUpPart, keptSentence } from '../../core/check-up/check-up.ts';
import type { CheckedUp, Finding } from '../../core/check-up/finding.ts';
import type { Examined } from '../../core/check-up/kind.ts';
import { catalogueOf, type Catalogue, type Product } from '../../core/catalogue/product.ts';
import { effectInSteps, type Effect, type EffectProgress } from '../../core/effect/effect.ts';
import { compilePolicy } from '../../core/evaluation/compile.ts';
import type { RateHistory } from '../../core/money/rate-history.ts';
import { distributionOf, type Distribution, type ValueCounts } from '../../core/orders/distribution.ts';
import type { Policy } from '../../core/policy/types.ts';
import { withDelta, type PolicyDelta } from './policy-delta.ts';

/** What is known beside a draft: order values of markets, and rates. */
export interface KnownBeside {
  orders: Record<string, ValueCounts>;
  rates: RateHistory;
}

/** What a check-up is asked about, as it travels. */
export interface CheckUpRequest {
  delta: PolicyDelta;
  /** null: those of the last request */
  products: readonly Product[] | null;
  /** the same */
  beside: KnownBeside | null;
  now: number;
  locale: string;
}

export interface EffectRequest {
  /** who asks: what was asked for before by the same is left off */
  asker: string;
  was: Policy;
  is: Policy;
  /** ms since 1970-01-01T00:00Z */
  now: number;
}

/** Something else is asked for by now. */
class Superseded extends Error {}

/** How long an effect or guarantees are worked on at a stretch, ms. */
const longestTurn = 60;

/** Holds the policy that is checked up, so that only what has changed travels and is worked out anew. */
export class CheckingUp {
  #policy: Policy | null = null;
  #catalogue: Catalogue = new Map();
  #orders: ReadonlyMap<string, Distribution> = new Map();
  #rates: RateHistory = {};
  #examined: Examined | null = null;
  /** how often each asker has asked for an effect */
  readonly #effectsAsked = new Map<string, number>();

  check({ delta, products, beside, now, locale }: CheckUpRequest): CheckedUp {
    this.#policy = withDelta(this.#policy, delta);
    if (products) this.#catalogue = catalogueOf(products);
    if (beside) this.know(beside);
    this.#examined = {
      compiled: compilePolicy(this.#policy),
      catalogue: this.#catalogue,
      orders: this.#orders,
      rates: this.#rates,
      now,
      locale,
    };
    return checkUpPart(this.#examined, 'others');
  }

  /** Whether the guarantees of what was checked up last hold; null where something else has been checked up since. */
  async guarantees(): Promise<CheckedUp | null> {
    const examined = this.#examined;
    if (!examined) return null;
    let since = performance.now();
    const turn = async () => {
      if (performance.now() - since < longestTurn) return;
      await new Promise((resume) => setTimeout(resume));
      if (this.#examined !== examined) throw new Superseded();
      since = performance.now();
    };
    try {
      return await checkUpInTurns(examined, turn, 'guarantees');
    } catch (error) {
      if (error instanceof Superseded) return null;
      throw error;
    }
  }

  /**
   * What changes for shoppers between two policies. Between the steps others have their turn.
   *
   * @param progress told of places looked at, now and then @returns null where the same asker has asked for another since
   */
  async effect(
    { asker, was, is, now }: EffectRequest,
    progress: (soFar: EffectProgress) => void,
  ): Promise<Effect | null> {
    const asked = (this.#effectsAsked.get(asker) ?? 0) + 1;
    this.#effectsAsked.set(asker, asked);
    const steps = effectInSteps({ was, is, now, orders: this.#orders });
    let since = performance.now();
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      if (performance.now() - since < longestTurn) continue;
      progress(step.value);
      await new Promise((resume) => setTimeout(resume));
      if (asked !== this.#effectsAsked.get(asker)) return null;
      since = performance.now();
    }
  }

  /** Takes what is known beside a draft, where nothing has been checked up yet. */
  know(beside: KnownBeside): void {
    this.#orders = new Map(Object.entries(beside.orders).map(([market, counts]) => [market, distributionOf(counts)]));
    this.#rates = beside.rates;
  }

  /** What a finding of the last check-up says, as it is kept where it is accepted. */
  kept(finding: Finding): string {
    return this.#examined ? keptSentence(this.#examined, finding) : finding.sentence;
  }
}
