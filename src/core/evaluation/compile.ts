import { compileTerms, type MarketTerms } from '../markets/terms.ts';
import { compileOffer, type CompiledOffer } from '../offers/compile-offer.ts';
import { compileOption, type CompiledOption } from '../options/compile-option.ts';
import { inOrder } from '../ordered.ts';
import { compileAreaPart, type CompiledAreaPart } from '../places/area.ts';
import type { DeliveryOption, Market, Offer, Policy, Zone } from '../policy/types.ts';
import { Reuse } from './reuse.ts';

/** A policy prepared for many evaluations. Built once per draft state or release. */
export interface CompiledPolicy {
  policy: Policy;
  markets: Map<string, CompiledMarket>;
  marketOfCountry: Map<string, CompiledMarket>;
  /** the market that takes every country no market names */
  marketElsewhere: CompiledMarket | null;
}

export interface CompiledMarket {
  id: string;
  market: Market;
  terms: MarketTerms;
  /** in listed order, switched-off ones left out */
  zones: CompiledZone[];
}

export interface CompiledZone {
  id: string;
  zone: Zone;
  policy: Policy;
  market: CompiledMarket;
  /** in shown order, switched-off ones left out */
  options: CompiledOption[];
  /** offers that hold here, highest priority first */
  offers: CompiledOffer[];
  include: CompiledAreaPart[];
  exclude: CompiledAreaPart[];
}

const termsKnown = new Reuse<Market, MarketTerms>();
const optionsKnown = new Reuse<DeliveryOption, CompiledOption>();
const offersKnown = new WeakMap<Zone, Reuse<Offer, CompiledOffer[]>>();

/** An offer as it holds in a zone, whose options are there already. */
function offerIn({ zone, policy, market: { terms }, options }: CompiledZone, id: string, offer: Offer): CompiledOffer[] {
  let known = offersKnown.get(zone);
  if (!known) offersKnown.set(zone, (known = new Reuse()));
  const from = [id, terms, policy.qualifiers, policy.wording[id]?.missedOut !== undefined, ...options];
  return known.get(offer, from, () => compileOffer(id, policy, terms, options));
}

/** Prepares a valid policy. @param policy must have passed `checkPolicy`, and is not changed in place afterwards */
export function compilePolicy(policy: Policy): CompiledPolicy {
  const compiled: CompiledPolicy = { policy, markets: new Map(), marketOfCountry: new Map(), marketElsewhere: null };
  for (const [id, market] of inOrder(policy.markets)) {
    const terms = termsKnown.get(market, [id, policy.store, policy.rates], () => compileTerms(policy, id, market));
    const entry: CompiledMarket = { id, market, terms, zones: [] };
    compiled.markets.set(id, entry);
    for (const country of market.countries) compiled.marketOfCountry.set(country, entry);
    if (market.elsewhere) compiled.marketElsewhere = entry;
  }
  const zones = new Map<string, CompiledZone>();
  for (const [id, zone] of inOrder(policy.zones)) {
    const market = compiled.markets.get(zone.market);
    if (!market || !zone.on) continue;
    const sellsTo = (country: string) => (compiled.marketOfCountry.get(country) ?? compiled.marketElsewhere) === market;
    const parts = (side: Zone['area']['include'] | undefined) => Object.values(side ?? {}).map((part) => compileAreaPart(part, sellsTo));
    const entry: CompiledZone = { id, zone, policy, market, options: [], offers: [], include: parts(zone.area.include), exclude: parts(zone.area.exclude) };
    market.zones.push(entry);
    zones.set(id, entry);
  }
  for (const [id, option] of inOrder(policy.options)) {
    const zone = zones.get(option.zone);
    if (!zone || !option.on) continue;
    const { terms } = zone.market;
    zone.options.push(optionsKnown.get(option, [id, terms, policy.qualifiers, policy.calendars], () => compileOption(id, option, policy, terms)));
  }
  const byPriority = inOrder(policy.offers).sort(([, a], [, b]) => b.priority - a.priority);
  for (const zone of zones.values()) zone.offers = byPriority.flatMap(([id, offer]) => offerIn(zone, id, offer));
  return compiled;
}
