import type { Catalogue } from '../catalogue/product.ts';
import { priceIn } from '../catalogue/product-amount.ts';
import type { CompiledMarket, CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';
import { somewhereIn } from '../evaluation/somewhere-in.ts';
import { placeMemo } from '../evaluation/zone-memo.ts';
import { exactConversion } from '../money/convert.ts';
import { currencyExponent, minorPerMajor } from '../money/currency.ts';
import { formatMoney } from '../money/format.ts';
import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import { lastOf } from '../in-steps.ts';
import type { Guarantee, GuaranteeClaim } from '../policy/types.ts';
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
}

/** Looks whether a guarantee holds (2-domain §12). */
export const verdictOn = (guarantee: Guarantee, examining: Examining): Verdict =>
  lastOf(verdictInSteps(guarantee, examining));

/** The same, with a pause after each zone. */
export function* verdictInSteps(guarantee: Guarantee, examining: Examining): Generator<void, Verdict> {
  const { compiled } = examining;
  const { claim, markets } = guarantee;
  const { findAcross } = claimKindOf(claim);
  const look = lookerOf(guarantee);
  const verdict: Verdict = { broken: [], notExamined: [] };
  const across: AcrossMarkets['zones'][number][] = [];
  let looked = 0;
  for (const market of compiled.markets.values()) {
    if (markets && !Object.hasOwn(markets, market.id)) continue;
    let first: BrokenIn | null = null;
    for (const zone of market.zones) {
      const found = look(examining, zone);
      if (!found) continue;
      const { all, broken } = found;
      if ('because' in all) verdict.notExamined.push(all.because);
      else {
        looked += all.length;
        if (all[0]) across.push({ zone, ...all[0] });
        first ??= broken;
      }
      yield;
    }
    if (first) verdict.broken.push(first);
  }
  if (findAcross) {
    const found = findAcross(claim, { zones: across, ...acrossIn(examining) });
    const zone = found && across.find((one) => one.zone.market.id === found.marketId)?.zone;
    if (found && zone) verdict.broken.push({ ...found, market: zone.market, zone, along: null });
  }
  if (looked === 0 && verdict.notExamined.length === 0)
    verdict.notExamined.push('No ordinary order was found for which its condition holds.');
  return verdict;
}

/** What was found of a guarantee in a zone. */
interface InZone {
  all: LookedAt[] | NotLooked;
  /** the first of those who are looked at */
  broken: BrokenIn | null;
}

type Looker = (examining: Examining, zone: CompiledZone) => InZone | null;

const lookers = new WeakMap<Guarantee, Looker>();

/** Looks at a guarantee in a zone, and remembers what came of it for as long as all that it rests on is the same. */
function lookerOf(guarantee: Guarantee): Looker {
  let looker = lookers.get(guarantee);
  if (!looker) {
    const look = placeMemo(
      (
        compiled: CompiledPolicy,
        zone: CompiledZone,
        catalogue: Catalogue,
        now: number,
        // what follows the locale it rests on, too
        ...[locale]: readonly [string, ...unknown[]]
      ): InZone | null => inZone(guarantee, zone, { compiled, catalogue, now, locale }),
    );
    looker = ({ compiled, catalogue, now, locale }, zone) => {
      const { qualifiers, wording, look: looks } = compiled.policy;
      // What is read depends on texts, which are no rules of a zone.
      const texts: readonly unknown[] = guarantee.claim.kind === 'read' ? [wording, looks] : [];
      return look(compiled, zone, catalogue, now, locale, qualifiers, ...texts);
    };
    lookers.set(guarantee, looker);
  }
  return looker;
}

/** @returns null where nobody is in the zone */
function inZone(guarantee: Guarantee, zone: CompiledZone, examining: Examining): InZone | null {
  const { compiled, now } = examining;
  const place = somewhereIn(compiled, zone);
  if (!place) return null;
  const all = lookedAtIn(zone, guarantee, { compiled, place, now, plausible: plausibleIn(zone.market, examining) });
  return { all, broken: 'because' in all ? null : firstBroken(guarantee.claim, zone, all, examining.locale) };
}

function firstBroken(
  claim: GuaranteeClaim,
  zone: CompiledZone,
  all: readonly LookedAt[],
  locale: string,
): BrokenIn | null {
  const { market } = zone;
  const money = (minor: number) => formatMoney(minor, market.market.currency, locale);
  const { find } = claimKindOf(claim);
  for (const { along, stretches } of all) {
    const found = find?.(claim, { along, stretches, money, local: localIn(zone) });
    if (found) return { ...found, market, zone, along };
  }
  return null;
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
