import type { Catalogue } from '../catalogue/product.ts';
import { priceIn } from '../catalogue/product-amount.ts';
import { sameRules, type CompiledMarket, type CompiledPolicy, type CompiledZone } from '../evaluation/compile.ts';
import { exactConversion } from '../money/convert.ts';
import { currencyExponent, minorPerMajor } from '../money/currency.ts';
import { formatMoney } from '../money/format.ts';
import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import { lastOf } from '../last-of.ts';
import type { Destination, Guarantee } from '../policy/types.ts';
import type { AcrossMarkets, Broken } from './claim.ts';
import { lookedAtIn, type LookedAt, type NotLooked, type Plausible } from './examine.ts';
import type { Along } from './look.ts';
import { claimKindOf } from './registry.ts';

/** Where a guarantee does not hold: the first of each market. */
export interface BrokenIn extends Broken {
  market: CompiledMarket;
  zone: CompiledZone;
  /** null: it compares markets, and no one cart shows it */
  along: Along | null;
}

/** What a guarantee comes to. */
export interface Verdict {
  broken: BrokenIn[];
  /** why it could not be looked at whole, as sentences */
  notExamined: string[];
}

/** What guarantees are looked at with. */
export interface Examining {
  compiled: CompiledPolicy;
  catalogue: Catalogue;
  /** ms since 1970-01-01T00:00Z */
  now: number;
  /** in which amounts are written */
  locale: string;
  /** somewhere that a zone wins; null: nowhere */
  somewhereIn: (zone: CompiledZone) => Destination | null;
}

/** Looks whether a guarantee holds (2-domain §12). */
export const verdictOn = (guarantee: Guarantee, examining: Examining): Verdict =>
  lastOf(verdictInSteps(guarantee, examining));

/** The same, with a pause after each zone. */
export function* verdictInSteps(guarantee: Guarantee, examining: Examining): Generator<void, Verdict> {
  const { compiled } = examining;
  const { claim, markets } = guarantee;
  const kind = claimKindOf(claim);
  const verdict: Verdict = { broken: [], notExamined: [] };
  const across: AcrossMarkets['zones'][number][] = [];
  let looked = 0;
  for (const market of compiled.markets.values()) {
    if (markets && !Object.hasOwn(markets, market.id)) continue;
    let first: BrokenIn | null = null;
    for (const zone of market.zones) {
      const place = examining.somewhereIn(zone);
      if (!place) continue;
      const all = lookedAt(zone, guarantee, place, examining);
      if ('because' in all) {
        verdict.notExamined.push(all.because);
        continue;
      }
      looked += all.length;
      if (all[0]) across.push({ zone, ...all[0] });
      first ??= kind.find ? firstBroken(zone, guarantee, all, examining) : null;
      yield;
    }
    if (first) verdict.broken.push(first);
  }
  if (kind.findAcross) {
    const found = kind.findAcross(claim, { zones: across, ...acrossIn(examining) });
    const zone = found && across.find((one) => one.zone.market.id === found.marketId)?.zone;
    if (found && zone) verdict.broken.push({ ...found, market: zone.market, zone, along: null });
  }
  if (looked === 0 && verdict.notExamined.length === 0)
    verdict.notExamined.push('No ordinary order was found for which its condition holds.');
  return verdict;
}

/** What was found of a guarantee in a zone, for as long as the zone’s rules are the same. */
interface Known {
  zone: CompiledZone;
  from: readonly unknown[];
  all: LookedAt[] | NotLooked;
  broken: BrokenIn | null | undefined;
}

const known = new WeakMap<Guarantee, Map<string, Known>>();

function knownOf(
  zone: CompiledZone,
  guarantee: Guarantee,
  place: Destination,
  { compiled, catalogue, now, locale }: Examining,
): Known | { from: readonly unknown[] } {
  const { wording, look, qualifiers, rates, store } = compiled.policy;
  const from = [
    JSON.stringify(place),
    catalogue,
    now,
    locale,
    qualifiers,
    rates,
    store,
    // What is read depends on texts, which are no rules of the zone.
    ...(guarantee.claim.kind === 'read' ? [wording, look] : []),
  ];
  const last = known.get(guarantee)?.get(zone.id);
  const same = last && sameRules(last.zone, zone) && from.every((one, index) => one === last.from[index]);
  return same ? last : { from };
}

function lookedAt(
  zone: CompiledZone,
  guarantee: Guarantee,
  place: Destination,
  examining: Examining,
): LookedAt[] | NotLooked {
  const last = knownOf(zone, guarantee, place, examining);
  if ('all' in last) return last.all;
  const { compiled, now } = examining;
  const all = lookedAtIn(zone, guarantee, { compiled, place, now, plausible: plausibleIn(zone.market, examining) });
  let zones = known.get(guarantee);
  if (!zones) known.set(guarantee, (zones = new Map()));
  zones.set(zone.id, { zone, from: last.from, all, broken: undefined });
  return all;
}

function firstBroken(
  zone: CompiledZone,
  guarantee: Guarantee,
  all: readonly LookedAt[],
  { locale }: Examining,
): BrokenIn | null {
  const last = known.get(guarantee)!.get(zone.id)!;
  if (last.broken !== undefined) return last.broken;
  const { market } = zone;
  const { currency } = market.market;
  const money = (minor: number) => formatMoney(minor, currency, locale);
  const local = localIn(zone);
  const { claim } = guarantee;
  const { find } = claimKindOf(claim);
  last.broken = null;
  for (const { along, stretches } of all) {
    const found = find!(claim, { along, stretches, money, local });
    if (!found) continue;
    last.broken = { ...found, market, zone, along };
    break;
  }
  return last.broken;
}

/** An amount of the base currency in a market, rounded up to its minor unit: a guarantee is not broken by a rounding. */
export const localIn =
  ({ market: { id }, policy }: CompiledZone) =>
  (base: number): number | null =>
    resolveAmount(
      { following: { base, buffer: '0', round: 'up', step: 1, less: 0 } },
      { ...localMoneyOf(policy, id), cashIncrement: undefined },
    );

function acrossIn({ compiled: { policy }, locale }: Examining): Omit<AcrossMarkets, 'zones'> {
  const exponent = currencyExponent(policy.store.baseCurrency);
  return {
    inBase: (minor, marketId) => {
      const { rate, currency } = localMoneyOf(policy, marketId);
      return rate === null
        ? null
        : exactConversion(minor, { rate, exponent: currencyExponent(currency) }, { rate: '1', exponent });
    },
    money: (minor, marketId) => formatMoney(minor, localMoneyOf(policy, marketId).currency, locale),
  };
}

/** So many of the dearest, or the heaviest, are more than anybody buys (an assumption); without products, so much. */
const mostOfOne = 20;
const plausibleMajor = 1000;
const plausibleWeight = 30_000;
const plausibleItems = 20;

const plausibleKnown = new WeakMap<Catalogue, Map<string, { market: CompiledMarket; plausible: Plausible }>>();

function plausibleIn(market: CompiledMarket, { catalogue }: Examining): Plausible {
  let markets = plausibleKnown.get(catalogue);
  if (!markets) plausibleKnown.set(catalogue, (markets = new Map()));
  const last = markets.get(market.id);
  if (last && last.market.terms === market.terms) return last.plausible;
  let [cheapest, dearest, heaviest] = [Infinity, 0, 0];
  for (const product of catalogue.values()) {
    const price = priceIn(product, market.terms);
    dearest = Math.max(dearest, price ?? 0);
    if (price !== undefined && price > 0 && product.needsDelivery) cheapest = Math.min(cheapest, price);
    heaviest = Math.max(heaviest, product.weightGrams ?? 0);
  }
  const plausible = {
    least: Number.isFinite(cheapest) ? cheapest : 1,
    value: dearest > 0 ? dearest * mostOfOne : plausibleMajor * minorPerMajor(market.market.currency),
    weight: Math.max(plausibleWeight, heaviest),
    items: plausibleItems,
  };
  markets.set(market.id, { market, plausible });
  return plausible;
}
