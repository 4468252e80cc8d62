import type { PreparedCase } from '../../core/evaluation/prepare.ts';
import type { Quotes } from '../../core/policy/types.ts';
import { askCarrier } from './ask-carrier.ts';

/** Since this process began: how often carriers were asked, and how often one gave no quote. Told by /healthz. */
export const figures = { asked: 0, silent: 0 };

/**
 * Quotes of the carriers that options of a cart's zone ask for and that the caller has not brought along, all asked at
 * once; and those that gave none. Where nothing waits for a carrier nobody is asked.
 */
export async function quotesFor(
  { input, context }: PreparedCase,
  service: URL,
): Promise<{ quotes: Quotes | undefined; silent: string[] }> {
  const { country, postcode } = input.destination;
  const missing = context?.zone.carriers.filter((carrier) => input.quotes?.[carrier] === undefined) ?? [];
  if (!context || missing.length === 0) return { quotes: input.quotes, silent: [] };
  const { cart } = context.facts;
  const { origin } = context.zone.policy.store;
  const { weight, volume } = cart.measures.charged;
  const { money } = cart.terms;
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
