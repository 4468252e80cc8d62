import { compileBasis, shownBasis, type CompiledBasis } from '../cart/basis.ts';
import { compileSelection, type CompiledSelection } from '../catalogue/goods-selection.ts';
import type { Qualifiers } from '../conditions/leaves.ts';
import { compileCondition, looksAtCart, type CompiledCondition } from '../conditions/compile-condition.ts';
import { amountIn, type MarketTerms } from '../markets/terms.ts';
import { percentAsFraction, type PercentFraction } from '../money/rounding.ts';
import type { CompiledOption } from '../options/compile-option.ts';
import { inOrder } from '../ordered.ts';
import type { Goal, Offer } from '../policy/types.ts';
import { compileSchedule, type TimeSpan } from '../time/schedule.ts';
import type { CompiledReward } from './reward.ts';
import { rewardKindOf } from './rewards/registry.ts';
import { resolveTarget } from './target.ts';
import type { TextState } from './texts-written.ts';

/** An offer as it holds in a zone. */
export interface CompiledOffer {
  id: string;
  offer: Offer;
  span: TimeSpan;
  when: CompiledCondition | null;
  /** whether `when` looks at measures of the cart, so that adding goods may change its answer */
  whenLooksAtCart: boolean;
  unlock: Offer['unlock']['by'];
  codes: ReadonlySet<string>;
  goals: CompiledGoal[];
  nearly: { share: PercentFraction } | { amount: number } | null;
  /** states that have texts */
  texts: ReadonlySet<TextState>;
}

export interface CompiledGoal {
  id: string;
  goal: Goal;
  counts: Counting;
  /** minor units of the market's currency, pieces or grams; null: a code alone reaches it */
  target: number | null;
  rewards: CompiledReward[];
  /** the same, each with the goal that gives it */
  gives: GivenReward[];
  /** ids of all options that some reward applies to */
  options: ReadonlySet<string>;
}

/** What a goal counts. */
export interface Counting {
  kind: 'value' | 'items' | 'weight';
  basis: CompiledBasis;
  /** null: all goods that count */
  goods: CompiledSelection | null;
}

export interface GivenReward {
  goalId: string;
  reward: CompiledReward;
}

const noCodes: ReadonlySet<string> = new Set();

/** What an offer is compiled from beside itself. */
export interface OfferSources {
  id: string;
  terms: MarketTerms;
  /** of the zone, switched-off ones left out */
  options: readonly CompiledOption[];
  /** states that have texts */
  texts: readonly TextState[];
  /** that its condition rests on */
  qualifiers: Qualifiers;
}

/**
 * An offer as it holds in a zone; none when it is off, is not for the market, has no goal there or its rewards reach
 * nothing.
 */
export function compileOffer(offer: Offer, { id, terms, options, texts, qualifiers }: OfferSources): CompiledOffer[] {
  if (!offer.on || (offer.markets && !offer.markets[terms.id])) return [];
  const { unlock } = offer;
  const goals = inOrder(offer.goals).flatMap(([goalId, goal]) => compileGoal(goalId, goal, unlock.by, terms, options));
  if (goals.length === 0) return [];
  const when = offer.when ? compileCondition(offer.when, qualifiers, terms) : null;
  return [
    {
      id,
      offer,
      span: compileSchedule(offer.schedule, terms.clocks),
      when,
      whenLooksAtCart: when !== null && looksAtCart(when),
      unlock: unlock.by,
      codes: 'codes' in unlock ? new Set(Object.keys(unlock.codes)) : noCodes,
      goals,
      nearly: compileNearly(offer, terms),
      texts: new Set(texts),
    },
  ];
}

function compileNearly({ nearly }: Offer, terms: MarketTerms): CompiledOffer['nearly'] {
  if (!nearly) return null;
  if ('share' in nearly) return { share: percentAsFraction(nearly.share) };
  const amount = amountIn(nearly.amounts, terms);
  return amount === null ? null : { amount };
}

function compileGoal(
  id: string,
  goal: Goal,
  unlock: Offer['unlock']['by'],
  terms: MarketTerms,
  options: readonly CompiledOption[],
): CompiledGoal[] {
  const wanted = goal.targets[terms.id];
  const target = unlock === 'code' || !wanted ? null : resolveTarget(wanted, terms.money);
  if (target === null && unlock !== 'code') return [];
  const rewards = inOrder(goal.rewards).flatMap(
    ([rewardId, reward]) => rewardKindOf(reward).compile(rewardId, reward, terms, options) ?? [],
  );
  if (rewards.length === 0) return [];
  const { measure, goods } = goal;
  return [
    {
      id,
      goal,
      counts: {
        kind: measure.kind === 'countedValue' ? 'value' : measure.kind,
        basis: measure.kind === 'countedValue' ? compileBasis(measure.basis, terms) : shownBasis,
        goods: goods ? compileSelection(goods, terms) : null,
      },
      target,
      rewards,
      gives: rewards.map((reward) => ({ goalId: id, reward })),
      options: new Set(rewards.flatMap((reward) => (reward.acts === 'onDelivery' ? [...reward.options] : []))),
    },
  ];
}
