import { compileCharge, type CompiledCharge } from '../charges/charge.ts';
import { localMoneyOf, resolveAmount, type LocalMoney } from '../money/local-amount.ts';
import { percentAsFraction, type PercentFraction } from '../money/rounding.ts';
import { compileAreaPart, type CompiledAreaPart } from '../places/area.ts';
import { inOrder } from '../ordered.ts';
import type { DeliveryOption, Goal, Market, Offer, Policy, Reward, Zone } from '../policy/types.ts';

/** A policy prepared for many evaluations. Built once per draft state or release. */
export interface CompiledPolicy {
  policy: Policy;
  markets: Map<string, CompiledMarket>;
  marketOfCountry: Map<string, CompiledMarket>;
}

export interface CompiledMarket {
  id: string;
  market: Market;
  deliveryTax: PercentFraction;
  /** some zone looks at postcodes */
  usesPostcodes: boolean;
  /** in listed order, switched-off ones left out */
  zones: CompiledZone[];
}

export interface CompiledZone {
  id: string;
  zone: Zone;
  market: CompiledMarket;
  /** in shown order, switched-off ones left out */
  options: CompiledOption[];
  /** offers that hold here, highest priority first */
  offers: CompiledOffer[];
  include: CompiledAreaPart[];
  exclude: CompiledAreaPart[];
}

export interface CompiledOption {
  id: string;
  option: DeliveryOption;
  charge: CompiledCharge;
  /** prices there are multiples of it; minor units */
  cashIncrement: number | undefined;
}

export interface CompiledOffer {
  id: string;
  offer: Offer;
  goals: CompiledGoal[];
}

export interface CompiledGoal {
  id: string;
  goal: Goal;
  /** minor units of the market's currency */
  target: number;
  rewards: CompiledReward[];
  /** ids of all options that some reward applies to */
  options: Set<string>;
}

export interface CompiledReward {
  id: string;
  reward: Reward;
  /** ids of the zone's options it applies to */
  options: Set<string>;
}

/** Prepares a valid policy. @param policy must have passed `checkPolicy` */
export function compilePolicy(policy: Policy): CompiledPolicy {
  const markets = new Map<string, CompiledMarket>();
  const marketOfCountry = new Map<string, CompiledMarket>();
  for (const [id, market] of inOrder(policy.markets)) {
    const compiled: CompiledMarket = { id, market, deliveryTax: percentAsFraction(market.tax.delivery), usesPostcodes: false, zones: [] };
    markets.set(id, compiled);
    for (const country of market.countries) marketOfCountry.set(country, compiled);
  }
  const zones = new Map<string, CompiledZone>();
  for (const [id, zone] of inOrder(policy.zones)) {
    const market = markets.get(zone.market);
    if (!market || !zone.on) continue;
    const compiled: CompiledZone = {
      id,
      zone,
      market,
      options: [],
      offers: [],
      include: Object.values(zone.area.include).map(compileAreaPart),
      exclude: Object.values(zone.area.exclude ?? {}).map(compileAreaPart),
    };
    market.usesPostcodes ||= [...compiled.include, ...compiled.exclude].some(({ kind }) => kind === 'postcode');
    market.zones.push(compiled);
    zones.set(id, compiled);
  }
  for (const [id, option] of inOrder(policy.options)) {
    const zone = zones.get(option.zone);
    if (!zone || !option.on) continue;
    const money = localMoneyOf(policy, zone.market.id);
    zone.options.push({ id, option, charge: compileCharge(option.charge, money), cashIncrement: money.cashIncrement });
  }
  const byPriority = inOrder(policy.offers).sort(([, a], [, b]) => b.priority - a.priority);
  for (const zone of zones.values()) zone.offers = byPriority.flatMap(([id, offer]) => compileOffer(id, offer, zone, localMoneyOf(policy, zone.market.id)));
  return { policy, markets, marketOfCountry };
}

/** An offer as it holds in a zone; none when it is off, has no goal in the market or its rewards reach no option. */
function compileOffer(id: string, offer: Offer, zone: CompiledZone, money: LocalMoney): CompiledOffer[] {
  if (!offer.on) return [];
  const goals = inOrder(offer.goals).flatMap(([goalId, goal]): CompiledGoal[] => {
    const wanted = goal.targets[zone.market.id];
    const target = wanted ? resolveAmount(wanted, money) : null;
    if (!target) return [];
    const rewards = inOrder(goal.rewards)
      .map(([rewardId, reward]) => ({ id: rewardId, reward, options: optionsOf(reward, zone) }))
      .filter((reward) => reward.options.size > 0);
    return rewards.length > 0 ? [{ id: goalId, goal, target, rewards, options: new Set(rewards.flatMap(({ options }) => [...options])) }] : [];
  });
  return goals.length > 0 ? [{ id, offer, goals }] : [];
}

function optionsOf(reward: Reward, zone: CompiledZone): Set<string> {
  const { on } = reward;
  const applies = (option: CompiledOption): boolean => {
    switch (on.by) {
      case 'all':
        return true;
      case 'kind':
        return on.kinds.includes(option.option.kind);
      case 'list':
        return option.id in on.options;
    }
  };
  return new Set(zone.options.filter(applies).map((option) => option.id));
}
