import type { Evaluation, NoOptions } from '../../evaluation/evaluation.ts';
import type { Unavailability } from '../../options/price-before.ts';

/** What a cart was offered, as far as an order of it is compared with it. Prices in minor units as the market shows them. */
export interface Outcome {
  /** with the offers that set the price */
  options: { option: string; after: number; offers: string[] }[];
  unavailable: { option: string; reason: Unavailability }[];
  noOptions: NoOptions | null;
  /** offers that take something off the goods or give some, whichever option is taken */
  offers: string[];
}

const idsOf = (offers: readonly { offerId: string }[]): string[] => [...new Set(offers.map(({ offerId }) => offerId))];

export const outcomeOf = ({ options, unavailable, noOptions, goodsRewarded, gifts }: Evaluation): Outcome => ({
  options: options.map(({ optionId, after, setBy }) => ({ option: optionId, after, offers: idsOf(setBy) })),
  unavailable: unavailable.map(({ optionId, reason }) => ({ option: optionId, reason })),
  noOptions,
  offers: idsOf([...goodsRewarded.setBy, ...gifts]),
});

/**
 * The offers that give something, sorted.
 *
 * @param taken the option that is taken; undefined: whichever may be; null: none
 */
export function redeemedOffers({ options, offers }: Outcome, taken?: string | null): string[] {
  const by = options.filter(({ option }) => taken === undefined || option === taken);
  return [...new Set([...by.flatMap((one) => one.offers), ...offers])].sort();
}
