import { memo } from 'react';
import { setAssumption } from '../../../client/edits/edits.ts';
import { toDecimal } from '../../../core/money/decimal.ts';
import { usualAssumption } from '../../../core/orders/response.ts';
import type { OptionShare } from '../../../core/goal-moves/move-terms.ts';
import { MoveAssumptions } from '../moving/MoveAssumptions.tsx';
import { TypedField } from '../../../ui/TypedField.tsx';
import { useDraft, usePolicy } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { parsePercentTo } from '../../fields/typed-text.ts';
import { parseAmount } from '../../../core/money/decimal.ts';

/** What is assumed of shoppers, in one line; kept with the draft, undone like any edit. */
export const AssumptionLine = memo(function AssumptionLine({
  marketId,
  currency,
  two,
  delivered,
}: {
  marketId: string;
  currency: string;
  two: boolean;
  /** how orders were delivered, where a goal is moved; null: none is */
  delivered: readonly OptionShare[] | null;
}) {
  const policy = usePolicy();
  const show = useDraft((state) => state.show);
  const edit = useEdit();
  const assumption = policy.assumptions?.[marketId] ?? usualAssumption;
  const percent = (field: 'margin' | 'reach' | 'near' | 'far' | 'spread', label: string, most = 100) => (
    <>
      <TypedField
        label={label}
        shown={assumption[field]}
        parse={parsePercentTo(most)}
        show={(value) => show(value === undefined ? null : setAssumption(marketId, { ...assumption, [field]: value }))}
        commit={(value) => edit(setAssumption(marketId, { ...assumption, [field]: value }))}
        testId={`assume-${field}`}
      />
      {' %'}
    </>
  );
  return (
    <p className="mt-1 border-y border-hairline py-1.5 leading-7" data-testid="assumptions">
      <strong>Assuming</strong> {percent('margin', 'Margin on what is added, percent')} of what is added stays as
      margin; orders lacking at most {percent('reach', 'Within reach, percent of the goal', 90)} of a goal are within
      reach; of those that pay for delivery, {percent('near', 'Who adds just below a goal, percent')} add what they lack
      just below it, falling to {percent('far', 'Who adds at the far end, percent')} at the far end, give or take{' '}
      {percent('spread', 'How far that may be wrong, percent')} of that.
      {two && (
        <>
          {' '}
          The second reward costs{' '}
          <TypedField
            label={`What the second reward costs an order, ${currency}`}
            shown={toDecimal(assumption.secondReward, currency)}
            parse={(text) => {
              const parsed = parseAmount(text, currency);
              return parsed.ok ? { ok: true, value: parsed.minor } : parsed;
            }}
            show={(value) =>
              show(value === undefined ? null : setAssumption(marketId, { ...assumption, secondReward: value }))
            }
            commit={(value) => edit(setAssumption(marketId, { ...assumption, secondReward: value }))}
            testId="assume-second"
          />{' '}
          {currency} an order.
        </>
      )}{' '}
      {delivered && (
        <MoveAssumptions marketId={marketId} currency={currency} assumption={assumption} delivered={delivered} />
      )}{' '}
      {policy.assumptions?.[marketId] ? (
        ''
      ) : (
        <span className="text-soft">Nothing of this is measured yet: it is where one starts.</span>
      )}
    </p>
  );
});
