import type { Policy, TestCart } from '../../../core/policy/types.ts';
import { optionLabel } from '../../../core/wording/option-label.ts';
import { useWhy } from '../../../ui/Why.tsx';
import type { Rehearsal } from '../../rehearsal/rehearse-cart.ts';
import { useNotation } from '../../page/page-context.tsx';
import { reasonOfOption } from '../../rehearsal/reasons.ts';
import { estimateInWords } from '../estimate-in-words.ts';

/** What a marketer asks of an option that a shopper does not: when, whether it is chosen at first, and why it costs that. */
export function BesideOption({
  optionId,
  cart,
  rehearsal,
  policy,
}: {
  optionId: string;
  cart: TestCart;
  rehearsal: Rehearsal;
  policy: Policy;
}) {
  const { money } = useNotation();
  const { options, currency, preselected, marketId } = rehearsal.evaluation;
  const option = options.find((one) => one.optionId === optionId);
  const languages = (marketId && policy.markets[marketId]?.languages) || [];
  const label = policy.options[optionId] ? optionLabel(policy.options[optionId], cart.language, languages) : optionId;
  const why = useWhy(`price of ${label}`, () =>
    reasonOfOption(rehearsal.trace(), optionId, policy, (minor) => money(minor, currency!)),
  );
  if (!option) return null;
  return (
    <div className="shop-aside" lang="en" dir="ltr">
      <span className="inline-flex items-center">
        {estimateInWords(option.estimate)}
        {optionId === preselected ? ', chosen at first' : ''}
        {why.button}
      </span>
      {why.panel}
    </div>
  );
}
