import { Registry } from '../registry.ts';
import type { FindingKind } from './kind.ts';
import { carrierWithoutFallback } from './kinds/delivery/carrier-without-fallback.ts';
import { codeClash, codeGuessed } from './kinds/offers/codes.ts';
import { noticeDates, offerDates, optionDates } from './kinds/dates-over.ts';
import { goalUnderCheapest } from './kinds/offers/goal-under-cheapest.ts';
import { offerMissing } from './kinds/offers/offer-missing.ts';
import { pickUpWithoutHours } from './kinds/delivery/pick-up-without-hours.ts';
import { pieceOverLimit } from './kinds/delivery/piece-over-limit.ts';
import { rewardChangesNothing } from './kinds/offers/reward-changes-nothing.ts';
import { risingPrice } from './kinds/delivery/rising-price.ts';
import { shadowedLine } from './kinds/delivery/shadowed-line.ts';
import { uncoveredCountry } from './kinds/markets/uncovered-country.ts';
import { unmeasuredProduct } from './kinds/delivery/unmeasured-product.ts';
import { zoneWithoutOption } from './kinds/delivery/zone-without-option.ts';

/** Every kind of finding, along the trail. */
export const findingKinds = new Registry<FindingKind>('kind of finding', ({ kind }) => kind, [
  uncoveredCountry,
  zoneWithoutOption,
  shadowedLine,
  carrierWithoutFallback,
  risingPrice,
  unmeasuredProduct,
  pieceOverLimit,
  pickUpWithoutHours,
  optionDates,
  offerDates,
  offerMissing,
  goalUnderCheapest,
  rewardChangesNothing,
  codeClash,
  codeGuessed,
  noticeDates,
]);
