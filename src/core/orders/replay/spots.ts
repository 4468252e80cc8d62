import type { CompiledZone } from '../../evaluation/compile.ts';
import { locate, type Located } from '../../geography/postcode-regions/region-of-postcode.ts';
import type { Destination } from '../../policy/types.ts';
import { destinationOfOrder } from '../destination-of-order.ts';
import { destinationTraits, type ReplayPlaces, type ReplayZones } from './replay-places.ts';
import type { OrderPlace } from './shipments.ts';
import { weightClasses } from './weight-classes.ts';

/** Destinations that are alike for prices and offers, and how often what was ordered there. */
export interface Spot {
  zones: ReplayZones;
  destination: Destination | null;
  weightClass: (grams: number) => number;
  /** by weight (`weightUnknown`: it is not known), then by value, shopper and option: orders */
  alike: Map<number, Map<number, number>>;
}

/** The spots that orders went to: those alike for prices and offers are one. */
export class Spots {
  readonly #known = new Map<string, Spot>();
  readonly #classes = new Map<string, Spot['weightClass']>();
  readonly #places: ReplayPlaces;
  readonly #instant: number;

  constructor(places: ReplayPlaces, instant: number) {
    this.#places = places;
    this.#instant = instant;
  }

  get all(): Spot[] {
    return [...this.#known.values()];
  }

  ofOption(option: string): Spot {
    return this.#spot(this.#places.ofOption(option), null);
  }

  /** null: no postcode is known */
  ofPlace(place: OrderPlace): Spot | null {
    const where = locate(destinationOfOrder(...place));
    return where.postcode === '' ? null : this.#spot(this.#places.ofDestination(where), where);
  }

  #spot(zones: ReplayZones, where: Located | null): Spot {
    const both = [zones.draft, zones.release].filter((zone) => zone !== null && zone !== undefined);
    const names = [zones.draft, zones.release].map((zone) => (zone ? zone.id : String(zone))).join(' ');
    const traits = where
      ? both.map((zone: CompiledZone) => destinationTraits(zone, where, this.#instant))
      : ['somewhere'];
    const key = [names, ...traits].join('\n');
    let spot = this.#known.get(key);
    if (!spot) {
      let weightClass = this.#classes.get(names);
      if (!weightClass) this.#classes.set(names, (weightClass = weightClasses(both)));
      this.#known.set(key, (spot = { zones, destination: where?.destination ?? null, weightClass, alike: new Map() }));
    }
    return spot;
  }
}
