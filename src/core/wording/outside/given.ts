import type { MarketTerms } from '../../markets/terms.ts';
import { amountIn } from '../../markets/terms.ts';
import type { Reward } from '../../policy/types.ts';

/** What a reward gives as a figure: an amount in minor units, or a share as a decimal percentage. */
export type Given = { amount: number } | { percent: string };

/** Whether what is given is a figure. */
export const isFigure = (reward: Reward): boolean => 'price' in reward || 'amount' in reward || 'percent' in reward;

/** The figure of a reward in a market; null where it is none, or the market has no amount of it. */
export function givenBy(reward: Reward, terms: MarketTerms): Given | null {
  if ('percent' in reward) return { percent: reward.percent };
  const amounts = 'price' in reward ? reward.price : 'amount' in reward && reward.amount;
  const amount = amounts ? amountIn(amounts, terms) : null;
  return amount === null ? null : { amount };
}

const shares = new Map<string, Intl.NumberFormat>();

/** A decimal percentage as a language writes it: “12.5 %”. */
export function shareInWords(percent: string, language: string): string {
  let format = shares.get(language);
  if (!format)
    shares.set(language, (format = new Intl.NumberFormat(language, { style: 'percent', maximumFractionDigits: 4 })));
  return format.format(Number(percent) / 100);
}
