import type { CompiledMarket, CompiledZone } from '../../evaluation/compile.ts';
import { compileOffer, type CompiledGoal, type CompiledOffer } from '../../offers/compile-offer.ts';
import { inOrder } from '../../ordered.ts';
import type { Offer } from '../../policy/types.ts';

/** What an offer would give in a market once it is on, whoever the shopper is. */
export interface OfferedInMarket {
  /** every goal that is there in some zone, in the offer's order, with the rewards that are */
  goals: readonly CompiledGoal[];
  /** the offer in each zone of the market; null: it gives nothing there */
  zones: readonly { zone: CompiledZone; offered: CompiledOffer | null }[];
}

/** @param market whose zones that are switched off nobody is found in, so that they are left out */
export function offeredInMarket(market: CompiledMarket, offerId: string, offer: Offer): OfferedInMarket {
  // For whom it is, and whether it is on yet, is told beside the text.
  const { when: _, ...whoever } = offer;
  const zones = market.zones.map((zone) => {
    const [offered = null] = compileOffer(
      { ...whoever, on: true },
      { id: offerId, terms: market.terms, options: zone.options, texts: [], qualifiers: {} },
    );
    return { zone, offered };
  });
  const given = zones.flatMap(({ offered }) => offered?.goals ?? []);
  const goals = inOrder(offer.goals).flatMap(([id]) => inSomeZone(given.filter((goal) => goal.id === id)));
  return { goals, zones };
}

/** One goal as several zones have it, with every reward that some zone gives. */
function inSomeZone(goals: readonly CompiledGoal[]): CompiledGoal[] {
  const [first] = goals;
  if (!first) return [];
  const rewards = new Map(goals.flatMap((goal) => goal.rewards).map((reward) => [reward.id, reward]));
  return [{ ...first, rewards: inOrder(first.goal.rewards).flatMap(([id]) => rewards.get(id) ?? []) }];
}
