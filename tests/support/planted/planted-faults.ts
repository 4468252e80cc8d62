import { inDelivery } from './in-delivery.ts';
import { inMarkets } from './in-markets.ts';
import { inOffers } from './in-offers.ts';
import { inRelease } from './in-release.ts';
import { inWording } from './in-wording.ts';
import { inResults } from './in-results.ts';
import type { PlantedFault } from './planted-fault.ts';

/** Each kind of finding, planted into the demo in three ways or more. */
export const plantedFaults: readonly PlantedFault[] = [
  ...inMarkets,
  ...inDelivery,
  ...inOffers,
  ...inWording,
  ...inRelease,
  ...inResults,
];
