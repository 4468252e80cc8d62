import type { SurfaceStanding } from '../../contract/shapes/surface.ts';
import type { SurfaceKnown } from '../../core/check-up/kind.ts';
import { call } from '../http.ts';
import type { KnownBeside } from './checking-up.ts';

/** How surfaces stand, by id. */
export type SurfaceStandings = ReadonlyMap<string, SurfaceStanding>;

/** What a server knows beside the draft, as far as it has been asked; what does not answer is asked again the next time. */
export class BesideTheDraft {
  #known: KnownBeside = { orders: {}, rates: {}, surfaces: new Map() };
  #rates = false;
  #surfaces: SurfaceStandings | null = null;
  /** what could not be read, in words; empty: nothing */
  missing: string[] = [];

  /**
   * The same object as long as nothing more is known.
   *
   * @param hasSurfaces whether there is something to ask about @param standings how they stand, where the page knows
   */
  async of(
    markets: readonly string[],
    hasSurfaces = false,
    standings: SurfaceStandings | null = null,
  ): Promise<KnownBeside> {
    const wanted = markets.filter((market) => !Object.hasOwn(this.#known.orders, market));
    this.missing = [];
    if (!this.#rates) {
      const answer = await call('GET /api/rates');
      this.#rates = answer.ok;
      if (answer.ok) this.#known = { ...this.#known, rates: answer.body.rates };
      else this.missing.push('Rates could not be read, so that no amount was held against them.');
    }
    await this.#ofSurfaces(hasSurfaces, standings);
    for (const market of wanted) {
      const answer = await call('GET /api/orders/values', { query: { market } });
      // A market that has just been added is not on its way to the server for long, and has no orders.
      if (answer.ok) this.#known = { ...this.#known, orders: { ...this.#known.orders, [market]: answer.body } };
      else if (answer.problem.status !== 404 && this.missing.length < 2)
        this.missing.push('Past orders could not be read, so that no goal was held against them.');
    }
    return this.#known;
  }

  async #ofSurfaces(hasSurfaces: boolean, standings: SurfaceStandings | null): Promise<void> {
    let now = standings ?? this.#surfaces;
    if (!now && hasSurfaces) {
      const answer = await call('GET /api/surfaces');
      if (answer.ok) now = new Map(answer.body.surfaces.map((one) => [one.id, one]));
      else this.missing.push('Surfaces could not be compared, so that nothing is said of them.');
    }
    if (!now || now === this.#surfaces) return;
    this.#surfaces = now;
    const follows = standings !== null;
    this.#known = {
      ...this.#known,
      surfaces: new Map([...now].map(([id, standing]) => [id, known(standing, follows)])),
    };
  }
}

/** @param follows whether what the draft would leave behind is asked for anew after each edit; else it is not said */
const known = ({ state, stale, becomesStale }: SurfaceStanding, follows: boolean): SurfaceKnown => ({
  stale: state === 'stale' ? stale : 0,
  becomesStale: follows && state !== 'byHand' ? becomesStale : 0,
});
