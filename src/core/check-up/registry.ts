import { Registry } from '../registry.ts';
import type { FindingKind } from './kind.ts';
import { carrierWithoutFallback } from './kinds/delivery/carrier-without-fallback.ts';
import { cheaperApart } from './kinds/delivery/cheaper-apart.ts';
import { optionConditionAlways } from './kinds/delivery/condition-always.ts';
import { digitalCharged } from './kinds/delivery/digital-charged.ts';
import { lineNever } from './kinds/delivery/line-never.ts';
import { nothingToChoose } from './kinds/delivery/nothing-to-choose.ts';
import { optionNever } from './kinds/delivery/option-never.ts';
import { pickUpWithoutHours } from './kinds/delivery/pick-up-without-hours.ts';
import { pieceOverLimit } from './kinds/delivery/piece-over-limit.ts';
import { risingPrice } from './kinds/delivery/rising-price.ts';
import { shadowedLine } from './kinds/delivery/shadowed-line.ts';
import { stepGap } from './kinds/delivery/step-gap.ts';
import { stepsOverlap } from './kinds/delivery/steps-overlap.ts';
import { unmeasuredProduct } from './kinds/delivery/unmeasured-product.ts';
import { zoneWithoutOption } from './kinds/delivery/zone-without-option.ts';
import { noticeDates, offerDates, optionDates } from './kinds/dates-over.ts';
import { followingDrift } from './kinds/markets/following-drift.ts';
import { uncoveredCountry } from './kinds/markets/uncovered-country.ts';
import { zoneNeverWins } from './kinds/markets/zone-never-wins.ts';
import { codeClash, codeGuessed } from './kinds/offers/codes.ts';
import { goalOutOfReach, goalReachedAlready, goalUnderCheapest } from './kinds/offers/goal-reach.ts';
import { limitUsedUp } from './kinds/offers/limits.ts';
import { offerConditionAlways, offerNever } from './kinds/offers/offer-condition.ts';
import { offerMissing } from './kinds/offers/offer-missing.ts';
import { offersMeet } from './kinds/offers/offers-meet.ts';
import { promiseLost } from './kinds/offers/promise-lost.ts';
import { rewardChangesNothing } from './kinds/offers/reward-changes-nothing.ts';
import { rewardElsewhere } from './kinds/offers/reward-elsewhere.ts';
import { guaranteeBroken } from './kinds/release/guarantee-broken.ts';
import { staleSurface } from './kinds/release/stale-surface.ts';
import { experimentOver, experimentsMeet, experimentTriesNothing } from './kinds/results/experiments.ts';
import { testCartFails } from './kinds/rehearse/test-cart-fails.ts';
import { noticeConditionAlways, noticeNever } from './kinds/wording/notice-condition.ts';
import { textFault, textMissing, textStale } from './kinds/wording/texts.ts';

/** Every kind of finding, along the trail. */
export const findingKinds = new Registry<FindingKind>('kind of finding', ({ kind }) => kind, [
  uncoveredCountry,
  zoneNeverWins,
  followingDrift,
  zoneWithoutOption,
  nothingToChoose,
  stepGap,
  stepsOverlap,
  shadowedLine,
  lineNever,
  optionNever,
  optionConditionAlways,
  carrierWithoutFallback,
  risingPrice,
  cheaperApart,
  unmeasuredProduct,
  pieceOverLimit,
  digitalCharged,
  pickUpWithoutHours,
  optionDates,
  offerNever,
  offerConditionAlways,
  offerDates,
  offerMissing,
  rewardElsewhere,
  goalUnderCheapest,
  goalReachedAlready,
  goalOutOfReach,
  promiseLost,
  rewardChangesNothing,
  offersMeet,
  limitUsedUp,
  codeClash,
  codeGuessed,
  noticeNever,
  noticeConditionAlways,
  noticeDates,
  textFault,
  textMissing,
  textStale,
  testCartFails,
  guaranteeBroken,
  staleSurface,
  experimentTriesNothing,
  experimentsMeet,
  experimentOver,
]);
