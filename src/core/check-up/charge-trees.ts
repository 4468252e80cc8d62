import { shownBasis } from '../cart/basis.ts';
import type { ChargeMeasure } from '../cart/charge-measure.ts';
import type { CompiledCharge, CompiledChargeLine } from '../charges/compile-charge.ts';
import type { CompiledRange } from '../charges/prices/price-kind.ts';
import { among, valueFact } from '../conditions/asks.ts';
import { treeOf } from '../conditions/condition-region.ts';
import type { Qualifiers } from '../conditions/leaves.ts';
import type { CompiledMarket, CompiledZone } from '../evaluation/compile.ts';
import type { MarketTerms } from '../markets/terms.ts';
import type { CompiledOption } from '../options/compile-option.ts';
import type { Condition } from '../policy/types.ts';
import type { Tree } from '../regions/region.ts';
import { numbers, words } from '../regions/values.ts';

export const allOf = (...children: Tree[]): Tree => ({ of: 'all', children });
export const anyOf = (children: readonly Tree[]): Tree => ({ of: 'any', children });
export const noneOf = (...children: Tree[]): Tree => ({ of: 'none', children });
const whatever: Tree = allOf();

/** What is known of every cart of a market. */
export const inMarket = ({ id, market }: CompiledMarket): Tree =>
  allOf(
    { fact: 'destination.market', values: words([id]) },
    { fact: 'cart.currency', values: words([market.currency]) },
    ...(market.elsewhere ? [] : [{ fact: 'destination.country', values: words(market.countries) }]),
  );

/** The same of a zone. */
export function inZone({ id, market, include }: CompiledZone): Tree {
  const countries = include.flatMap(({ country }) => country ?? []);
  return allOf(
    inMarket(market),
    { fact: 'destination.zone', values: words([id]) },
    ...(countries.length === include.length ? [{ fact: 'destination.country', values: words(countries) }] : []),
  );
}

export const conditionTree = (condition: Condition | undefined, qualifiers: Qualifiers, terms: MarketTerms): Tree =>
  condition ? treeOf(condition, qualifiers, terms) : whatever;

/** For which carts an option’s charge is asked: those whom its condition, its channels and its zone let in. */
export function askedTree({ option, channels }: CompiledOption, zone: CompiledZone): Tree {
  return allOf(
    inZone(zone),
    conditionTree(option.when, zone.policy.qualifiers, zone.market.terms),
    ...(channels ? [{ fact: 'cart.channel', values: words(channels) }] : []),
  );
}

/** For which carts a line of a charge applies. */
export function lineTree(
  { id, range }: CompiledChargeLine,
  { option, charge }: CompiledOption,
  zone: CompiledZone,
): Tree {
  const { terms } = zone.market;
  return allOf(
    ...(range ? [rangeTree(range, charge, terms)] : []),
    conditionTree(option.charge.lines[id]!.when, zone.policy.qualifiers, terms),
  );
}

/** A stretch of what a charge looks at. */
export const rangeTree = ({ measure, from, to }: CompiledRange, charge: CompiledCharge, terms: MarketTerms): Tree => ({
  fact: chargedFact(measure, charge, terms),
  values: numbers([{ from, to }]),
  among: among(false),
});

/** What a charge looks at, as a fact: of the goods that are charged in the ordinary way. */
function chargedFact(measure: ChargeMeasure, { weighing }: CompiledCharge, terms: MarketTerms): string {
  if (measure === 'goodsValue') return valueFact('charged', shownBasis, terms);
  // What is packed weighs more than its goods, of which conditions ask.
  const packed = weighing.packing && (measure === 'weight' || measure === 'chargeableWeight' || measure === 'parcels');
  return packed ? `packed/${measure}/${weighing.ownOf ?? ''}` : `charged/${measure}`;
}
