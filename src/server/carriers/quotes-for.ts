import type { MeasuredCart } from '../../core/cart/measures.ts';
import { packedCart } from '../../core/cart/packing/packed-cart.ts';
import type { AlikeParcels } from '../../core/cart/packing/packed.ts';
import type { CompiledPacking } from '../../core/packing/rules.ts';
import type { CarrierAsked } from '../../core/evaluation/compile.ts';
import type { ZoneContext } from '../../core/evaluation/context.ts';
import type { PreparedCase } from '../../core/evaluation/prepare.ts';
import { atMostLargest } from '../../core/money/rounding.ts';
import type { LocalMoney } from '../../core/money/local-amount.ts';
import type { Quotes } from '../../core/policy/types.ts';
import type { CarrierRequest } from '../../contract/shapes/carrier.ts';
import type { Soon } from '../soon.ts';
import { askCarrier, inMarket } from './ask-carrier.ts';
import { askedOf, isLeftAlone } from './breakers.ts';
import { carrierService } from './carrier-services.ts';
import { lastKnown } from './last-known.ts';

/** Since this process began: how often carriers were asked, and how often one gave no quote. Told by /healthz. */
export const figures = { asked: 0, silent: 0 };

/** So many unlike parcels a carrier is asked about for one cart; of more it counts as silent. */
const mostUnlike = 50;

/** Quotes for a cart, and carriers that gave none. */
interface QuotesFound {
  quotes: Quotes | undefined;
  silent: string[];
  /** carriers of which what they said last holds */
  lastKnown: string[];
}

/**
 * Quotes of the carriers that options of a cart's zone ask for and that the caller has not brought along, all asked at
 * once; and those that gave none. Where nothing waits for a carrier nobody is asked.
 */
export function quotesFor({ input, context }: PreparedCase): Soon<QuotesFound> {
  const missing = [...(context?.zone.asked ?? [])].filter(([, { carrier }]) => input.quotes?.[carrier] === undefined);
  if (!context || missing.length === 0) return { quotes: input.quotes, silent: [], lastKnown: [] };
  return askedFor(missing, input, context);
}

async function askedFor(
  missing: readonly (readonly [string, CarrierAsked])[],
  input: PreparedCase['input'],
  context: ZoneContext,
): Promise<QuotesFound> {
  const { country, postcode } = input.destination;
  const { cart } = context.facts;
  const { origin } = context.zone.policy.store;
  const { money } = cart.terms;
  const stoodIn = new Set<string>();
  const quoteOf = async (carrier: string, packing: CompiledPacking | null): Promise<number | null> => {
    const parcels = parcelsOf(cart, packing);
    if (parcels.length > mostUnlike) return null;
    const quotes = await Promise.all(
      parcels.map(async ({ count, packed, volume }) => {
        const to = { country, postcode };
        const request = { carrier, from: origin, to, weightGrams: packed, volumeCm3: volume };
        const quote = await quoteFor(request, money, stoodIn);
        return quote === null ? null : quote * count;
      }),
    );
    return quotes.reduce((sum, quote) => (sum === null || quote === null ? null : atMostLargest(sum + quote)), 0);
  };
  const replies = await Promise.all(
    missing.map(async ([key, { carrier, packing }]) => [key, carrier, await quoteOf(carrier, packing)] as const),
  );
  return {
    quotes: { ...input.quotes, ...Object.fromEntries(replies.map(([key, , quote]) => [key, quote])) },
    silent: [...new Set(replies.flatMap(([, carrier, quote]) => (quote === null ? [carrier] : [])))],
    lastKnown: [...stoodIn].sort(),
  };
}

/** What a carrier says, else what it said last. @param stoodIn is told the carriers of which the latter holds */
async function quoteFor(request: CarrierRequest, money: LocalMoney, stoodIn: Set<string>): Promise<number | null> {
  const { carrier } = request;
  const service = await carrierService(carrier);
  const asked = await askedOf(carrier, async () => {
    figures.asked++;
    const { quote } = await askCarrier(service, request, money);
    if (quote === null) throw new Silent();
    return quote;
  }).catch((error: unknown) => {
    if (!(error instanceof Silent) && !isLeftAlone(error)) throw error;
    figures.silent++;
    return null;
  });
  if (asked !== null) return asked;
  const known = lastKnown(request, service.keep);
  const quote = known && inMarket(known, money);
  if (quote !== null) stoodIn.add(carrier);
  return quote;
}

class Silent extends Error {}

/** Parcels that weigh and fill the same are asked about once. Without packing all goods are one. */
function parcelsOf(cart: MeasuredCart, packing: CompiledPacking | null): readonly AlikeParcels[] {
  const { weight, volume } = cart.measures.charged;
  return packing ? packedCart(cart, packing, 'charged').each : [{ count: 1, packed: weight, volume, over: false }];
}
