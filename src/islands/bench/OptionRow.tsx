import { pictureAddress } from '../../core/options/picture-address.ts';
import { Gift } from 'lucide-react';
import type { OptionPrice } from '../../core/evaluation/evaluation.ts';
import type { TraceNode } from '../../core/trace/trace.ts';
import { Why } from '../../ui/Why.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { reasonOfOption } from '../rehearsal/reasons.ts';

/** An option's name with its price before, struck through where it changed, and after; and why. */
export function OptionRow({
  option,
  currency,
  trace,
  chosen,
}: {
  option: OptionPrice;
  currency: string;
  trace: () => TraceNode | null;
  chosen: boolean;
}) {
  const { money } = useNotation();
  const policy = usePolicy();
  const { name = option.optionId, picture } = policy.options[option.optionId] ?? {};
  const reason = () => reasonOfOption(trace(), option.optionId, policy, (minor) => money(minor, currency));
  const changed = option.before !== option.after;
  return (
    <li data-testid={`option-${option.optionId}`}>
      <div className="flex min-h-6 items-center gap-1.5">
        {picture && <img src={pictureAddress(picture.image)} alt="" width={16} height={16} />}
        <span className={`min-w-0 flex-1 truncate ${chosen ? '' : 'text-soft'}`}>
          {name}
          {chosen && <span className="sr-only"> (chosen at first)</span>}
        </span>
        {changed && (
          <s className="text-fine text-soft">
            <span className="sr-only">instead of </span>
            {money(option.before, currency)}
          </s>
        )}
        <span
          className={`flex items-center gap-1 text-right ${changed ? 'font-semibold text-primary' : ''}`}
          data-testid="price-after"
        >
          {changed && <Gift size={13} aria-hidden />}
          {option.after === 0 ? 'free' : money(option.after, currency)}
        </span>
        <Why what={`price of ${name}`} reason={reason} />
      </div>
    </li>
  );
}
