import type { CompiledZone } from '../evaluation/compile.ts';
import type { Ratio } from '../money/ratio.ts';
import type { GuaranteeClaim, Policy } from '../policy/types.ts';
import type { Along, Stretch } from './look.ts';

/** Where a guarantee does not hold. */
export interface Broken {
  /** the goods value of a cart that shows it, minor units */
  value: number;
  /** “‘Parcel’ costs €17.00”; what is otherwise than guaranteed */
  says: string;
}

/** What a claim is looked at with in a market. */
export interface Looking {
  along: Along;
  stretches: readonly Stretch[];
  /** minor units of the market's currency */
  money: (minor: number) => string;
  /** an amount of the base currency there, rounded up; null: no rate has been adopted */
  local: (base: number) => number | null;
}

/** The ends of all markets that a guarantee is about, for claims that compare them. */
export interface AcrossMarkets {
  zones: readonly { zone: CompiledZone; along: Along; stretches: readonly Stretch[] }[];
  /** an amount of a market's currency in minor units of the base currency, not rounded; null: no rate has been adopted */
  inBase: (minor: number, marketId: string) => Ratio | null;
  money: (minor: number, marketId: string) => string;
}

export type ClaimOf<Kind extends GuaranteeClaim['kind']> = Extract<GuaranteeClaim, { kind: Kind }>;

/** All that is known of one kind of claim. */
export interface ClaimKind<C extends GuaranteeClaim = GuaranteeClaim> {
  kind: C['kind'];
  /** as it is chosen: “can be chosen” */
  called: string;
  /** as a claim begins; what it shares with the one before is kept */
  begin(before: GuaranteeClaim | null): C;
  /** the end of the sentence: “some parcel can be chosen” */
  says(claim: C, policy: Policy, base: (minor: number) => string): string;
  /** in one zone, for one kind of shopper; null: it holds */
  find?(claim: C, looking: Looking): Broken | null;
  /** across markets */
  findAcross?(claim: C, across: AcrossMarkets): (Broken & { marketId: string }) | null;
}
