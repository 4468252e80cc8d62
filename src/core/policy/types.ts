export type {
  AreaPart,
  Charge,
  ChargeLine,
  DeliveryOption,
  Goal,
  LocalAmount,
  Market,
  Offer,
  OfferWording,
  OptionKind,
  PlaceTexts,
  Policy,
  Reward,
  Store,
  TestCart,
  Texts,
  Zone,
} from './types.generated.ts';

import type { LocalAmount } from './types.generated.ts';

/** Minor units of a local amount in the market it belongs to. */
export function amountOf(local: LocalAmount): number {
  return local.exact;
}
