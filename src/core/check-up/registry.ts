import { Registry } from '../registry.ts';
import type { FindingKind } from './kind.ts';
import { carrierWithoutFallback } from './kinds/carrier-without-fallback.ts';
import { codeClash, codeGuessed } from './kinds/codes.ts';
import { noticeDates, offerDates, optionDates } from './kinds/dates-over.ts';
import { goalUnderCheapest } from './kinds/goal-under-cheapest.ts';
import { offerMissing } from './kinds/offer-missing.ts';
import { pickUpWithoutHours } from './kinds/pick-up-without-hours.ts';
import { pieceOverLimit } from './kinds/piece-over-limit.ts';
import { rewardChangesNothing } from './kinds/reward-changes-nothing.ts';
import { risingPrice } from './kinds/rising-price.ts';
import { shadowedLine } from './kinds/shadowed-line.ts';
import { uncoveredCountry } from './kinds/uncovered-country.ts';
import { unmeasuredProduct } from './kinds/unmeasured-product.ts';
import { zoneWithoutOption } from './kinds/zone-without-option.ts';

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
