import { orderOfValue } from '../../cart/hypothetical-order.ts';
import { restingOn } from '../../conditions/leaves.ts';
import { anybody } from '../../conditions/shopper-class.ts';
import type { CompiledMarket, CompiledPolicy, CompiledZone } from '../../evaluation/compile.ts';
import { conditionsOf, situationOf } from '../../evaluation/shopper-classes.ts';
import { somewhereIn } from '../../evaluation/somewhere-in.ts';
import { resolveAmount } from '../../money/local-amount.ts';
import type { Destination, LocalAmount } from '../../policy/types.ts';
import { sweepZone, type Sweep } from '../../sweep/sweep.ts';
import { dateOfDay } from '../../time/day.ts';
import { localTime } from '../../time/time-zone-clock.ts';

/** What a guest without a code is charged for delivery in a market at a moment: all that a text may rightly state. Minor units. */
export interface ChargedInMarket {
  currency: string;
  /** goods values from which an option of some zone is free that costs something below; ascending */
  goals: readonly number[];
  /** what options cost in some zone for some order, before offers and after them, but nothing; ascending */
  prices: readonly number[];
  /** for a kilogram of what is delivered; ascending */
  perKilo: readonly number[];
  /** whether every option is free everywhere, whatever is ordered */
  allFree: boolean;
  /** whether some option is free whatever is ordered */
  someFree: boolean;
  /** every amount that charges and offers are made of: what holds of some orders or shoppers only is among them */
  written: ReadonlySet<number>;
  /** last days of offers that are in force or will be, `YYYY-MM-DD` in the market's time */
  ends: readonly string[];
}

/** Looks along goods value and weight in every zone of a market. @param instant ms since 1970-01-01T00:00Z */
export function chargedInMarket(compiled: CompiledPolicy, market: CompiledMarket, instant: number): ChargedInMarket {
  const looks = market.zones.flatMap((zone) => {
    const destination = somewhereIn(compiled, zone);
    return destination ? [{ zone, sweeps: sweepsOf(zone, destination, instant) }] : [];
  });
  const along = looks.flatMap(({ sweeps: [byValue] }) => byValue);
  return {
    currency: market.market.currency,
    goals: ascending(along.flatMap(goalsOf)),
    prices: ascending(looks.flatMap(({ sweeps }) => sweeps.flatMap(pricesOf))),
    perKilo: ascending(market.zones.flatMap((zone) => perKiloOf(zone))),
    allFree: along.length > 0 && along.every(isAllFree),
    someFree: along.some(isSomeFree),
    written: new Set(market.zones.flatMap((zone) => [...amountsWritten(zone)])),
    ends: [...new Set(market.zones.flatMap((zone) => endsOf(zone, instant)))].sort(),
  };
}

const ascending = (amounts: readonly number[]): number[] => [...new Set(amounts)].sort((a, b) => a - b);

function sweepsOf(zone: CompiledZone, destination: Destination, instant: number): [byValue: Sweep, byWeight: Sweep] {
  const situation = situationOf(anybody, destination, instant);
  return [sweepZone(zone, 'goodsValue', situation), sweepZone(zone, 'weight', situation, orderOfValue(1))];
}

/** Where an option becomes free that costs something just below. */
function goalsOf({ segments }: Sweep): number[] {
  return segments.flatMap(({ from, options }, index) => {
    const below = segments[index - 1];
    const becomesFree = options.some((price, at) => price?.after === 0 && (below?.options[at]?.lastAfter ?? 0) > 0);
    return below && becomesFree ? [from] : [];
  });
}

/** Prices of level stretches, and both ends of those that rise. */
const pricesOf = ({ segments }: Sweep): number[] =>
  segments.flatMap(({ options }) =>
    options.flatMap((price) =>
      price ? [price.before, price.after, price.lastBefore, price.lastAfter].filter((amount) => amount > 0) : [],
    ),
  );

const isAllFree = ({ segments }: Sweep): boolean =>
  segments.every(({ options }) =>
    options.every((price) => price === null || (price.after === 0 && price.lastAfter === 0)),
  ) && segments.some(({ options }) => options.some((price) => price !== null));

const isSomeFree = ({ segments, optionIds }: Sweep): boolean =>
  optionIds.some((_, at) => segments.every(({ options }) => options[at]?.after === 0 && options[at].lastAfter === 0));

/** Amounts that charges add for weight, as far as they come to a whole amount for a kilogram. */
function perKiloOf({ options, market: { terms } }: CompiledZone): number[] {
  return options.flatMap(({ option }) =>
    Object.values(option.charge.lines).flatMap(({ price }) => {
      const unit = 'fixed' in price ? price.perUnit : undefined;
      if (unit?.measure !== 'weight' && unit?.measure !== 'chargeableWeight') return [];
      const amount = resolveAmount(unit.amount, terms.money);
      const kilo = ((amount ?? 0) * 1000) / unit.per;
      return kilo > 0 && Number.isInteger(kilo) ? [kilo] : [];
    }),
  );
}

/** Amounts of charges, offers and the conditions that they rest on as they resolve in the market. */
function amountsWritten(zone: CompiledZone): Set<number> {
  const { options, offers, policy, market } = zone;
  const { id, terms } = market;
  const found = new Set<number>();
  const visit = (part: unknown): void => {
    if (typeof part !== 'object' || part === null) return;
    if ('exact' in part || 'following' in part) {
      const minor = resolveAmount(part as LocalAmount, terms.money);
      if (minor !== null) found.add(minor);
      return;
    }
    // Of amounts by market only this one’s.
    if (Object.hasOwn(part, id)) visit((part as Record<string, unknown>)[id]);
    else for (const child of Object.values(part)) visit(child);
  };
  for (const { option } of options) visit(option.charge);
  for (const { offer } of offers) visit(offer.goals);
  const conditions = conditionsOf(zone);
  visit(conditions);
  visit(restingOn(conditions, policy.qualifiers));
  return found;
}

function endsOf({ offers, market: { terms } }: CompiledZone, instant: number): string[] {
  return offers.flatMap(({ span }) =>
    Number.isFinite(span.until) && span.until > instant
      ? [dateOfDay(localTime(terms.clocks.market, span.until - 1).day)]
      : [],
  );
}
