import { checkUpInTurns, checkUpPart, keptSentence } from '../../core/check-up/check-up.ts';
import type { CheckedUp, Finding } from '../../core/check-up/finding.ts';
import type { Examined, SurfaceKnown } from '../../core/check-up/kind.ts';
import { catalogueOf, type Catalogue, type Product } from '../../core/catalogue/product.ts';
import { effectInSteps, type Effect, type EffectProgress } from '../../core/effect/effect.ts';
import { inTurns } from '../../core/in-steps.ts';
import { compilePolicy } from '../../core/evaluation/compile.ts';
import type { RateHistory } from '../../core/money/rate-history.ts';
import { distributionOf, type Distribution, type ValueCounts } from '../../core/orders/distribution.ts';
import type { Policy } from '../../core/policy/types.ts';
import { withDelta, type PolicyDelta } from './policy-delta.ts';

/** What is known beside a draft: order values of markets, rates, and how surfaces stand. */
export interface KnownBeside {
  orders: Record<string, ValueCounts>;
  rates: RateHistory;
  surfaces: ReadonlyMap<string, SurfaceKnown>;
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

/** What was asked for is wanted no more. */
class Left extends Error {}

/** How long something is worked on at a stretch, ms. */
const longestTurn = 60;

/** A pause for others, wherever enough time has gone since the last. @returns whether there was one @throws Left when it is not wanted any more */
function turns(wanted: () => boolean): () => Promise<boolean> {
  let since = performance.now();
  return async () => {
    if (performance.now() - since < longestTurn) return false;
    await new Promise((resume) => setTimeout(resume));
    if (!wanted()) throw new Left();
    since = performance.now();
    return true;
  };
}

async function unlessLeft<Result>(work: Promise<Result>): Promise<Result | null> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof Left) return null;
    throw error;
  }
}

/** Holds the policy that is checked up, so that only what has changed travels and is worked out anew. */
export class CheckingUp {
  #policy: Policy | null = null;
  #catalogue: Catalogue = new Map();
  #orders: ReadonlyMap<string, Distribution> = new Map();
  #rates: RateHistory = {};
  #surfaces: KnownBeside['surfaces'] = new Map();
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
      surfaces: this.#surfaces,
      now,
      locale,
    };
    return checkUpPart(this.#examined, 'others');
  }

  /** Whether the guarantees of what was checked up last hold; null where something else has been checked up since. */
  async guarantees(): Promise<CheckedUp | null> {
    const examined = this.#examined;
    if (!examined) return null;
    const turn = turns(() => this.#examined === examined);
    return unlessLeft(checkUpInTurns(examined, turn, 'guarantees'));
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
    const turn = turns(() => this.#effectsAsked.get(asker) === asked);
    return unlessLeft(inTurns(effectInSteps({ was, is, now, orders: this.#orders }), turn, progress));
  }

  /** Takes what is known beside a draft, where nothing has been checked up yet. */
  know(beside: KnownBeside): void {
    this.#orders = new Map(Object.entries(beside.orders).map(([market, counts]) => [market, distributionOf(counts)]));
    this.#rates = beside.rates;
    this.#surfaces = beside.surfaces;
  }

  /** What a finding of the last check-up says, as it is kept where it is accepted. */
  kept(finding: Finding): string {
    return this.#examined ? keptSentence(this.#examined, finding) : finding.sentence;
  }
}
