import type { CompiledPolicy } from '../../core/evaluation/compile.ts';
import { evaluate } from '../../core/evaluation/evaluate.ts';
import type { EvaluationInput } from '../../core/evaluation/evaluation.ts';
import { localMoneyOf } from '../../core/money/local-amount.ts';
import { findPlace } from '../../core/places/find-zone.ts';
import { normalPostcode } from '../../core/places/postcode.ts';
import type { Quotes } from '../../core/policy/types.ts';
import { askCarrier } from './ask-carrier.ts';

/** Since this process began: how often carriers were asked, and how often one gave no quote. Told by /healthz. */
export const figures = { asked: 0, silent: 0 };

/**
 * Quotes of the carriers that options of a cart's zone ask for and that the caller has not brought along, all asked at
 * once; and those that gave none. Where nothing waits for a carrier nobody is asked, and the cart is not even measured.
 */
export async function quotesFor(
  compiled: CompiledPolicy,
  input: EvaluationInput,
  service: URL,
): Promise<{ quotes: Quotes | undefined; silent: string[] }> {
  const { country, postcode } = input.destination;
  const place = findPlace(compiled, input.destination, normalPostcode(postcode), input.market);
  const missing = place.found ? place.zone.carriers.filter((carrier) => input.quotes?.[carrier] === undefined) : [];
  if (missing.length === 0) return { quotes: input.quotes, silent: [] };
  const { marketId, measures } = evaluate(compiled, input);
  if (marketId === null || !measures) return { quotes: input.quotes, silent: [] };
  const { origin } = compiled.policy.store;
  const { weight, volume } = measures.charged;
  const money = localMoneyOf(compiled.policy, marketId);
  const replies = await Promise.all(
    missing.map(
      async (carrier) =>
        [
          carrier,
          (
            await askCarrier(
              service,
              { carrier, from: origin, to: { country, postcode }, weightGrams: weight, volumeCm3: volume },
              money,
            )
          ).quote,
        ] as const,
    ),
  );
  const silent = replies.flatMap(([carrier, quote]) => (quote === null ? [carrier] : []));
  figures.asked += replies.length;
  figures.silent += silent.length;
  return { quotes: { ...input.quotes, ...Object.fromEntries(replies) }, silent };
}
