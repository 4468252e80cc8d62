import type { Edit } from '../../client/edits/edit.ts';
import { parseAmount, toDecimal } from '../../core/money/decimal.ts';
import { localMoneyOf, resolveAmount } from '../../core/money/local-amount.ts';
import type { LocalAmount } from '../../core/policy/types.ts';
import type { Parsed } from '../../ui/TypedField.tsx';
import { EditedField } from './EditedField.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { orNone } from './typed-text.ts';

/** An amount of a market, typed in its currency. Typing over one that follows makes it exact; empty takes it away where that is allowed. */
export function AmountField({
  label,
  amount,
  marketId,
  change,
  optional,
  testId,
}: {
  label: string;
  amount: LocalAmount | undefined;
  marketId: string;
  change: (amount: LocalAmount | undefined) => Edit;
  /** what an empty field means */
  optional?: string | undefined;
  testId?: string | undefined;
}) {
  const policy = usePolicy();
  const { money } = useNotation();
  const local = localMoneyOf(policy, marketId);
  const minor = amount ? resolveAmount(amount, local) : null;
  const exact = (text: string): Parsed<LocalAmount> => {
    const parsed = parseAmount(text, local.currency);
    return parsed.ok ? { ok: true, value: { exact: parsed.minor } } : parsed;
  };
  return (
    <span className="whitespace-nowrap">
      <EditedField
        label={label}
        shown={minor === null ? '' : toDecimal(minor, local.currency)}
        parse={optional === undefined ? exact : orNone(exact)}
        change={change}
        live
        align="right"
        placeholder={optional}
        testId={testId}
      />
      {amount && 'following' in amount && (
        <span className="text-fine text-soft"> follows {money(amount.following.base, local.baseCurrency)}</span>
      )}
    </span>
  );
}
