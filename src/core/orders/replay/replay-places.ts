import { orderOfValue } from '../../cart/hypothetical-order.ts';
import type { CompiledCondition } from '../../conditions/compile-condition.ts';
import { factOf } from '../../conditions/registry.ts';
import type { CompiledPolicy, CompiledZone } from '../../evaluation/compile.ts';
import { factsIn, hypotheticalCart } from '../../evaluation/context.ts';
import { findZone } from '../../evaluation/find-zone.ts';
import type { Located } from '../../geography/postcode-regions/region-of-postcode.ts';
import { taxRatesAt } from '../../markets/terms.ts';

/** Where an order is replayed. */
export interface ReplayZones {
  /** null: the draft does not deliver there */
  draft: CompiledZone | null;
  /** null: the release does not deliver there; undefined: there is no release, so that every order pays what is charged before offers */
  release: CompiledZone | null | undefined;
}

/** How orders find the zones in which they are replayed. */
export interface ReplayPlaces {
  /** by the option that was chosen, where it is not known where an order went */
  ofOption: (option: string) => ReplayZones;
  /** by where it went */
  ofDestination: (where: Located) => ReplayZones;
}

/**
 * The zones in which a market's orders are replayed: by where they went; where that is not known the zone of the option that was
 * chosen where that is on, else the first zone of the market. null where no zone of the draft is on.
 */
export function replayPlacesOf(
  marketId: string,
  draft: CompiledPolicy,
  release: CompiledPolicy | null,
): ReplayPlaces | null {
  const zonesOf = (policy: CompiledPolicy) => policy.markets.get(marketId)?.zones ?? [];
  if (zonesOf(draft).length === 0) return null;
  const byOption = (policy: CompiledPolicy, option: string) =>
    zonesOf(policy).find(({ id, policy: { options } }) => id === options[option]?.zone) ?? zonesOf(policy)[0] ?? null;
  const byPlace = (policy: CompiledPolicy, { destination, postcode }: Located) => {
    const found = findZone(policy, destination, postcode, marketId);
    return found.found ? found.zone : null;
  };
  return {
    ofOption: (option) => ({
      draft: byOption(draft, option),
      release: release ? byOption(release, option) : undefined,
    }),
    ofDestination: (where) => ({
      draft: byPlace(draft, where),
      release: release ? byPlace(release, where) : undefined,
    }),
  };
}

/**
 * What tells destinations in a zone apart for prices and offers: the answers of all conditions on the destination, and the
 * region where other tax rates hold in it. Equal for those that are alike.
 */
export function destinationTraits(zone: CompiledZone, { destination, postcode }: Located, instant: number): string {
  const situation = { destination, instant };
  const facts = factsIn(zone, hypotheticalCart(zone, orderOfValue(0), situation), postcode, situation);
  const answers = conditionsOf(zone).flatMap((condition) => answersOf(condition, (holds) => holds(facts)));
  const { terms } = zone.market;
  const { region } = destination;
  const otherRates = taxRatesAt(terms, region) !== taxRatesAt(terms, undefined);
  return `${answers.map(Number).join('')} ${otherRates ? region : ''}`;
}

const conditionsOf = ({ options, offers }: CompiledZone): CompiledCondition[] =>
  [
    ...options.flatMap(({ when, charge }) => [when, ...charge.lines.map((line) => line.when)]),
    ...offers.map(({ when }) => when),
  ].filter((condition) => condition !== null);

/** Of each leaf that is about the destination. */
function answersOf(condition: CompiledCondition, ask: (holds: CompiledCondition['holds']) => boolean): boolean[] {
  if (condition.kind === 'tree') return condition.children.flatMap((child) => answersOf(child, ask));
  const { node, holds } = condition;
  const aboutIt = node.kind !== 'group' && node.kind !== 'qualifier' && factOf(node).about === 'The destination';
  return aboutIt ? [ask(holds)] : [];
}
