import type { CompiledPacking } from '../packing/rules.ts';
import { quoteKey } from '../charges/weighing.ts';
import { conditionsOfOption, restingOn } from '../conditions/leaves.ts';
import { compileTerms, type MarketTerms } from '../markets/terms.ts';
import { compileOffer, type CompiledOffer, type OfferSources } from '../offers/compile-offer.ts';
import { compileOption, type CompiledOption } from '../options/compile-option.ts';
import { statesWritten } from '../offers/texts-written.ts';
import { inOrder } from '../ordered.ts';
import { compileAreaPart, type CompiledAreaPart } from '../geography/area.ts';
import { compileNotice, type CompiledNotice, type NoticeSources } from '../notices/compile-notice.ts';
import type { DeliveryOption, Market, Notice, Offer, Policy, Zone } from '../policy/types.ts';
import { Memo } from '../memo.ts';

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

/** A carrier that is asked for a quote, and how the goods are packed that it is asked about. */
export interface CarrierAsked {
  carrier: string;
  packing: CompiledPacking | null;
}

/** What a zone is made of. */
interface ZoneParts {
  id: string;
  zone: Zone;
  policy: Policy;
  market: CompiledMarket;
  include: readonly CompiledAreaPart[];
  exclude: readonly CompiledAreaPart[];
  /** of the zone's own, in shown order, switched-off ones left out */
  options: readonly (readonly [string, DeliveryOption])[];
  /** all offers, the highest priority first */
  byPriority: readonly (readonly [string, Offer])[];
  /** all notices, the same */
  notices: readonly (readonly [string, Notice])[];
}

/**
 * A zone ready to be evaluated. Its options and offers are compiled when they are first asked for: most evaluations of a
 * large store touch a few of its zones.
 */
export class CompiledZone {
  #options: CompiledOption[] | null = null;
  #offers: CompiledOffer[] | null = null;
  #notices: CompiledNotice[] | null = null;
  #asked: Map<string, CarrierAsked> | null = null;

  readonly id: string;
  readonly zone: Zone;
  readonly policy: Policy;
  readonly market: CompiledMarket;
  readonly include: readonly CompiledAreaPart[];
  readonly exclude: readonly CompiledAreaPart[];
  readonly #parts: ZoneParts;

  constructor(parts: ZoneParts) {
    this.id = parts.id;
    this.zone = parts.zone;
    this.policy = parts.policy;
    this.market = parts.market;
    this.include = parts.include;
    this.exclude = parts.exclude;
    this.#parts = parts;
  }

  /** Whether both are made of the same things, so that they come to the same without being compiled. */
  isMadeOfSame(other: CompiledZone): boolean {
    const [a, b] = [this.#parts, other.#parts];
    return (
      a.id === b.id &&
      a.market.terms === b.market.terms &&
      a.market.market === b.market.market &&
      a.byPriority === b.byPriority &&
      a.notices === b.notices &&
      a.policy.qualifiers === b.policy.qualifiers &&
      a.policy.wording === b.policy.wording &&
      a.policy.calendars === b.policy.calendars &&
      a.policy.places === b.policy.places &&
      a.options.length === b.options.length &&
      a.options.every(([id, option], index) => id === b.options[index]![0] && option === b.options[index]![1])
    );
  }

  /** in shown order, switched-off ones left out */
  get options(): CompiledOption[] {
    return (this.#options ??= this.#alike()?.options ?? this.#compileOptions());
  }

  /** The zone as it was last asked in another state of the policy, if it was made of the same things; else this is the one by now. */
  #alike(): CompiledZone | null {
    const last = lastAsked.get(this.zone);
    if (last && last !== this && last.isMadeOfSame(this)) return last;
    lastAsked.set(this.zone, this);
    return null;
  }

  #compileOptions(): CompiledOption[] {
    const { calendars, places, qualifiers } = this.policy;
    const { terms } = this.market;
    return this.#parts.options.map(([id, option]) =>
      optionsKnown.get(option, {
        id,
        terms,
        calendar: option.estimate.calendar === undefined ? undefined : calendars?.[option.estimate.calendar],
        place: option.place === undefined ? undefined : places?.[option.place],
        qualifiers: restingOn(conditionsOfOption(option), qualifiers),
      }),
    );
  }

  /** carriers whose quotes charges here ask for, by the key of the quote */
  get asked(): ReadonlyMap<string, CarrierAsked> {
    return (this.#asked ??= new Map(
      this.options.flatMap(({ charge: { lines, weighing } }) =>
        lines.flatMap(({ price: { quoted } }) =>
          quoted ? [[quoteKey(quoted.carrier, weighing), { carrier: quoted.carrier, packing: weighing.packing }]] : [],
        ),
      ),
    ));
  }

  /** offers that hold here, highest priority first */
  get offers(): CompiledOffer[] {
    return (this.#offers ??=
      this.#alike()?.offers ?? this.#parts.byPriority.flatMap(([id, offer]) => offerIn(this, id, offer)));
  }

  /** notices that hold here, highest priority first */
  get notices(): CompiledNotice[] {
    return (this.#notices ??=
      this.#alike()?.notices ?? this.#parts.notices.flatMap(([id, notice]) => noticeIn(this, id, notice)));
  }
}

const lastAsked = new WeakMap<Zone, CompiledZone>();
const noticesKnown = new WeakMap<Zone, Memo<Notice, NoticeSources, CompiledNotice[]>>();

/** A notice as it holds in a zone; none without a text. */
function noticeIn(
  { zone, policy, market: { terms }, options }: CompiledZone,
  id: string,
  notice: Notice,
): CompiledNotice[] {
  if (!statesWritten(policy.wording[id]).has('notice')) return [];
  let known = noticesKnown.get(zone);
  if (!known) noticesKnown.set(zone, (known = new Memo(compileNotice)));
  return known.get(notice, { id, terms, options, qualifiers: restingOn([notice.when], policy.qualifiers) });
}

const termsKnown = new Memo(compileTerms);
const optionsKnown = new Memo(compileOption);
const offersKnown = new WeakMap<Zone, Memo<Offer, OfferSources, CompiledOffer[]>>();

/** An offer as it holds in a zone, whose options are there already. */
function offerIn(
  { zone, policy, market: { terms }, options }: CompiledZone,
  id: string,
  offer: Offer,
): CompiledOffer[] {
  let known = offersKnown.get(zone);
  if (!known) offersKnown.set(zone, (known = new Memo(compileOffer)));
  return known.get(offer, {
    id,
    terms,
    options,
    texts: [...statesWritten(policy.wording[id])],
    qualifiers: restingOn([offer.when], policy.qualifiers),
  });
}

/**
 * Whether two zones, of one policy or two, do the same with every order: then whatever was worked out for one holds for the
 * other.
 */
export function sameRules(a: CompiledZone, b: CompiledZone): boolean {
  if (a === b || a.isMadeOfSame(b)) return true;
  const same = (these: readonly unknown[], those: readonly unknown[]) =>
    these.length === those.length && these.every((part, index) => part === those[index]);
  return (
    a.id === b.id &&
    a.market.terms === b.market.terms &&
    a.market.market === b.market.market &&
    same(a.options, b.options) &&
    same(a.offers, b.offers) &&
    same(a.notices, b.notices)
  );
}

const none: Record<string, Notice> = {};

const sortedKnown = new WeakMap<object, [string, { order: number; priority: number }][]>();

/** Offers or notices by priority, the highest first; the same list for the same collection. */
function highestFirst<T extends { order: number; priority: number }>(
  collection: Record<string, T>,
): readonly (readonly [string, T])[] {
  let sorted = sortedKnown.get(collection) as [string, T][] | undefined;
  if (!sorted) {
    sorted = inOrder(collection).sort(([, a], [, b]) => b.priority - a.priority);
    sortedKnown.set(collection, sorted);
  }
  return sorted;
}

const policiesKnown = new WeakMap<Policy, CompiledPolicy>();

/** Prepares a valid policy, once for each. @param policy must have passed `checkPolicy`, and is not changed in place afterwards */
export function compilePolicy(policy: Policy): CompiledPolicy {
  const known = policiesKnown.get(policy);
  if (known) return known;
  const compiled: CompiledPolicy = { policy, markets: new Map(), marketOfCountry: new Map(), marketElsewhere: null };
  const { store, rates } = policy;
  for (const [id, market] of inOrder(policy.markets)) {
    const terms = termsKnown.get(market, { id, store, ...(rates ? { rates } : {}) });
    const entry: CompiledMarket = { id, market, terms, zones: [] };
    compiled.markets.set(id, entry);
    for (const country of market.countries) compiled.marketOfCountry.set(country, entry);
    if (market.elsewhere) compiled.marketElsewhere = entry;
  }
  const optionsOf = new Map<string, (readonly [string, DeliveryOption])[]>();
  for (const entry of inOrder(policy.options)) {
    const [, option] = entry;
    if (!option.on) continue;
    const siblings = optionsOf.get(option.zone);
    if (siblings) siblings.push(entry);
    else optionsOf.set(option.zone, [entry]);
  }
  const byPriority = highestFirst(policy.offers);
  const notices = highestFirst(policy.notices ?? none);
  for (const [id, zone] of inOrder(policy.zones)) {
    const market = compiled.markets.get(zone.market);
    if (!market || !zone.on) continue;
    const sellsTo = (country: string) => (compiled.marketOfCountry.get(country) ?? compiled.marketElsewhere) === market;
    const parts = (side: Zone['area']['include'] | undefined) =>
      Object.values(side ?? {}).map((part) => compileAreaPart(part, sellsTo));
    market.zones.push(
      new CompiledZone({
        id,
        zone,
        policy,
        market,
        include: parts(zone.area.include),
        exclude: parts(zone.area.exclude),
        options: optionsOf.get(id) ?? [],
        byPriority,
        notices,
      }),
    );
  }
  policiesKnown.set(policy, compiled);
  return compiled;
}
