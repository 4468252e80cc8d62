import type { CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';
import { evaluateHypothetical } from '../evaluation/evaluate.ts';
import { timesOf, timeStates } from '../evaluation/moments.ts';
import { someoneIn } from '../evaluation/someone-in.ts';
import { experimentsOf } from '../experiments/state.ts';
import { PlaceNames } from '../imports/place-names.ts';
import { compareOrder, without, type ComparedOrder } from '../orders/placed/compare-order.ts';
import { outcomeOf, type Outcome } from '../orders/placed/outcome.ts';
import { replayPlacesOf } from '../orders/replay/replay-places.ts';
import { weightUnknown } from '../orders/replay/shipments.ts';
import { Spots, type Spot } from '../orders/replay/spots.ts';
import { shopperOfKind } from '../orders/shopper-of-order.ts';
import type { ReadableOrders } from '../reading/readable-orders.ts';

/** Rules of a market as its past orders are compared with them. Orders alike in all that the rules look at are looked at once. */
export class MarketRules {
  readonly #orders: ReadableOrders;
  readonly #market: string;
  readonly #compiled: CompiledPolicy;
  /** ids of options, by their position among the orders’ */
  readonly #options: readonly string[];
  readonly #byArm = new Map<number, ArmRules | null>();

  constructor(compiled: CompiledPolicy, market: string, orders: ReadableOrders) {
    this.#compiled = compiled;
    this.#market = market;
    this.#orders = orders;
    const names = new PlaceNames(compiled.policy, market);
    this.#options = orders.columns.options.map((option) => names.optionOf(option, market));
  }

  /** How an order stands toward the rules. @param instant ms since 1970-01-01T00:00Z */
  compare(place: number, instant: number): ComparedOrder {
    const { option, arm, delivery } = this.#orders.columns;
    const taken = this.#options[option[place]!]!;
    const outcome = this.#rulesOf(arm[place]!, instant)?.outcome(place, taken, instant);
    return outcome
      ? compareOrder(outcome, { option: taken, delivery: delivery[place]! })
      : without('notOffered', 'notInZone');
  }

  /** The rules of an arm, where there is that experiment. */
  #rulesOf(arm: number, instant: number): ArmRules | null {
    let rules = this.#byArm.get(arm);
    if (rules === undefined) {
      const [experiment = '', of = ''] = this.#orders.columns.arms[arm]?.split('/') ?? [];
      const tried = experiment === '' ? undefined : experimentsOf(this.#compiled).arm(experiment, of)?.compiled;
      const places = replayPlacesOf(this.#market, tried ?? this.#compiled, null);
      rules = places && new ArmRules(this.#orders, new Spots(places, instant));
      this.#byArm.set(arm, rules);
    }
    return rules;
  }
}

/** More outcomes than that are not kept. */
const mostKept = 50_000;

class ArmRules {
  readonly #orders: ReadableOrders;
  readonly #spots: Spots;
  /** by where orders went; null: no postcode is known */
  readonly #ofPlace = new Map<number, Spot | null>();
  readonly #ofOption = new Map<string, Spot>();
  readonly #states = new Map<CompiledZone, { of: (at: number) => string; instant: number; state: string }>();
  readonly #kept = new Map<Spot, Map<string, Outcome>>();
  #keptInAll = 0;

  constructor(orders: ReadableOrders, spots: Spots) {
    this.#orders = orders;
    this.#spots = spots;
  }

  /** Null: the rules do not deliver there. */
  outcome(place: number, option: string, instant: number): Outcome | null {
    const spot = this.#spotOf(place, option);
    const zone = spot.zones.draft;
    if (!zone) return null;
    const { columns, shipments } = this.#orders;
    const grams = shipments.grams[place]!;
    const weight = grams === weightUnknown ? 0 : spot.weightClass(grams);
    const value = columns.goods[place]!;
    const items = Math.max(1, columns.items[place]!);
    const shopper = columns.shopper[place]!;
    const code = shipments.code[place]!;
    let kept = this.#kept.get(spot);
    if (!kept) this.#kept.set(spot, (kept = new Map()));
    const key = `${value} ${weight} ${items} ${shopper} ${code} ${this.#stateAt(zone, instant)}`;
    let outcome = kept.get(key);
    if (!outcome) {
      const { destination } = spot;
      const evaluation = evaluateHypothetical(
        zone,
        { value, items, weight, volume: 0, longestSide: 0 },
        {
          ...someoneIn(zone, instant, shopperOfKind(shopper)),
          ...(destination ? { destination } : {}),
          ...(code === 0 ? {} : { codes: [shipments.codes[code]!] }),
        },
      );
      outcome = outcomeOf(evaluation);
      if (++this.#keptInAll > mostKept) {
        this.#kept.clear();
        this.#keptInAll = 0;
      } else kept.set(key, outcome);
    }
    return outcome;
  }

  #spotOf(place: number, option: string): Spot {
    const { place: of, places } = this.#orders.shipments;
    let spot = this.#ofPlace.get(of[place]!);
    if (spot === undefined) this.#ofPlace.set(of[place]!, (spot = this.#spots.ofPlace(places[of[place]!]!)));
    if (spot) return spot;
    let known = this.#ofOption.get(option);
    if (!known) this.#ofOption.set(option, (known = this.#spots.ofOption(option)));
    return known;
  }

  /** Orders come by day: the last moment that was asked for is mostly asked for again. */
  #stateAt(zone: CompiledZone, instant: number): string {
    let known = this.#states.get(zone);
    if (!known) this.#states.set(zone, (known = { of: timeStates(timesOf([zone])), instant: NaN, state: '' }));
    if (known.instant !== instant) {
      known.instant = instant;
      known.state = known.of(instant);
    }
    return known.state;
  }
}
