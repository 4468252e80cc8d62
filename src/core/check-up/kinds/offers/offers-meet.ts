import { orderOfValue } from '../../../cart/hypothetical-order.ts';
import type { CompiledPolicy, CompiledZone } from '../../../evaluation/compile.ts';
import { evaluateHypothetical } from '../../../evaluation/evaluate.ts';
import { formatMoney } from '../../../money/format.ts';
import type { CompiledOffer } from '../../../offers/compile-offer.ts';
import type { Destination } from '../../../policy/types.ts';
import { somewhereIn } from '../../../evaluation/somewhere-in.ts';
import type { Found } from '../../finding.ts';
import { guestSweep, type GuestSweep } from '../../guest-sweep.ts';
import type { FindingKind } from '../../kind.ts';
import { placeMemo } from '../../../evaluation/zone-memo.ts';
import { zonesOf } from '../../zones-of.ts';

/** Two offers that a guest has at the same order value and that act on the same option, so that only one of them counts. */
export const offersMeet: FindingKind = {
  kind: 'offersMeet',
  called: 'offers that meet on one option',
  stop: 'offers',
  find: (examined) => {
    const { compiled, now, locale } = examined;
    const told = new Set<string>();
    return zonesOf(compiled).flatMap((zone) => {
      const swept = guestSweep(examined, zone);
      const { market, name } = { market: zone.market.id, name: zone.market.market.name };
      return (swept ? meetingsIn(compiled, zone, swept, now) : []).flatMap((meeting): Found[] => {
        const { one, other, option, from, wins } = meeting;
        // Once a market: its zones have much the same options.
        const key = [market, one.id, other.id].join(' ');
        if (told.has(key)) return [];
        told.add(key);
        const at = formatMoney(from, zone.market.market.currency, locale);
        return [
          {
            severity: 'remark',
            at: `/offers/${other.id}`,
            key: `${one.id} ${market}`,
            marketId: market,
            sentence: `In “${name}” “${one.offer.name}” and “${other.offer.name}” both act on “${option}” from ${at} on, and do not combine: there “${wins}” counts.`,
            example: null,
            remedy: null,
          },
        ];
      });
    });
  },
};

interface Meeting {
  one: CompiledOffer;
  other: CompiledOffer;
  option: string;
  /** order value from which they meet, minor units */
  from: number;
  /** name of the offer that counts */
  wins: string;
}

const meetingsIn = placeMemo((compiled: CompiledPolicy, zone: CompiledZone, swept: GuestSweep, now: number) => {
  const destination = somewhereIn(compiled, zone);
  return destination
    ? pairsOf(zone.offers).flatMap(([one, other]) => meetingOf(one, other, zone, swept, { destination, now }))
    : [];
});

const pairsOf = (offers: readonly CompiledOffer[]): [CompiledOffer, CompiledOffer][] =>
  offers.flatMap((one, index) =>
    offers
      .slice(index + 1)
      .filter((other) => !(one.offer.combines && other.offer.combines))
      .map((other): [CompiledOffer, CompiledOffer] => [one, other]),
  );

/** The first order value at which both are reached, one of their common options costs less by one of them, and by one alone. */
function meetingOf(
  one: CompiledOffer,
  other: CompiledOffer,
  zone: CompiledZone,
  { sweep }: GuestSweep,
  where: { destination: Destination; now: number },
): Meeting[] {
  for (const { from, reached } of sweep.segments) {
    const [mine, theirs] = [one, other].map((offer) => optionsAt(offer, reached));
    const shared = [...mine!].filter((id) => theirs!.has(id));
    if (shared.length === 0) continue;
    const evaluation = evaluateHypothetical(zone, orderOfValue(from), {
      destination: where.destination,
      instant: where.now,
    });
    for (const { optionId, setBy } of evaluation.options) {
      const [winner] = setBy;
      if (!shared.includes(optionId) || !winner || (winner.offerId !== one.id && winner.offerId !== other.id)) continue;
      const option = zone.options.find(({ id }) => id === optionId)!.option.name;
      return [{ one, other, option, from, wins: (winner.offerId === one.id ? one : other).offer.name }];
    }
  }
  return [];
}

/** Options on which an offer acts by the goals that are reached. */
const optionsAt = ({ id, goals }: CompiledOffer, reached: readonly string[]): ReadonlySet<string> =>
  new Set(goals.filter((goal) => reached.includes(`${id}/${goal.id}`)).flatMap(({ options }) => [...options]));
