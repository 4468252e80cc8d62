import type { Policy, TestCart } from '../../../core/policy/types.ts';
import { optionLabel } from '../../../core/wording/option-label.ts';
import { Why } from '../../../ui/Why.tsx';
import type { Rehearsal } from '../../rehearsal/rehearse-cart.ts';
import { useNotation } from '../../page/page-context.tsx';
import { reasonOfOption } from '../../rehearsal/reasons.ts';
import { arrivalInWords } from '../../../core/time/arrival-in-words.ts';

/** Below an option: when it is there, as its shopper reads it, whether it is chosen at first, and why it costs that. */
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
  const timeZone = (marketId && policy.markets[marketId]?.timeZone) || policy.store.timeZone;
  const languages = (marketId && policy.markets[marketId]?.languages) || [];
  const label = policy.options[optionId] ? optionLabel(policy.options[optionId], cart.language, languages) : optionId;
  const reason = () => reasonOfOption(rehearsal.trace(), optionId, policy, (minor) => money(minor, currency!));
  if (!option) return null;
  const { slowest = null, preparationDays = 0 } = rehearsal.evaluation.measures ?? {};
  return (
    <div className="shop-aside" lang="en" dir="ltr">
      <span className="inline-flex items-center">
        <span lang={cart.language} dir="auto">
          {arrivalInWords(option.estimate, cart.language, timeZone)}
        </span>
        {optionId === preselected ? <span className="ml-1">(chosen at first)</span> : ''}
        {slowest && (
          <span className="ml-1">
            ({slowest.name} needs {preparationDays === 1 ? '1 day' : `${preparationDays} days`} more)
          </span>
        )}
        <Why what={`price of ${label}`} reason={reason} />
      </span>
    </div>
  );
}
