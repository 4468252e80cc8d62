import type { Evaluation } from '../../evaluation/evaluation.ts';

/**
 * The offers that give something: in the price of an option, off the goods, or as a gift; sorted.
 *
 * @param option the one that is taken; undefined: whichever may be; null: none
 */
export function redeemedOffers(
  { options, goodsRewarded, gifts }: Pick<Evaluation, 'options' | 'goodsRewarded' | 'gifts'>,
  option?: string | null,
): string[] {
  const taken = option === undefined ? options : options.filter(({ optionId }) => optionId === option);
  const offers = [...taken.flatMap(({ setBy }) => setBy), ...goodsRewarded.setBy, ...gifts];
  return [...new Set(offers.map(({ offerId }) => offerId))].sort();
}
