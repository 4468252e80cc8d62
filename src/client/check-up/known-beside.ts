import { call } from '../http.ts';
import type { KnownBeside } from './checking-up.ts';

/** What a server knows beside the draft, as far as it has been asked; what does not answer is asked again the next time. */
export class BesideTheDraft {
  #known: KnownBeside = { orders: {}, rates: {} };
  #rates = false;
  /** what could not be read, in words; empty: nothing */
  missing: string[] = [];

  /** The same object as long as nothing more is known. */
  async of(markets: readonly string[]): Promise<KnownBeside> {
    const wanted = markets.filter((market) => !Object.hasOwn(this.#known.orders, market));
    this.missing = [];
    if (!this.#rates) {
      const answer = await call('GET /api/rates');
      this.#rates = answer.ok;
      if (answer.ok) this.#known = { ...this.#known, rates: answer.body.rates };
      else this.missing.push('Rates could not be read, so that no amount was held against them.');
    }
    for (const market of wanted) {
      const answer = await call('GET /api/orders/values', { query: { market } });
      // A market that has just been added is not on its way to the server for long, and has no orders.
      if (answer.ok) this.#known = { ...this.#known, orders: { ...this.#known.orders, [market]: answer.body } };
      else if (answer.problem.status !== 404 && this.missing.length < 2)
        this.missing.push('Past orders could not be read, so that no goal was held against them.');
    }
    return this.#known;
  }
}
