import { setAssumption } from '../../../client/edits/edits.ts';
import { nothingStated, type OptionShare } from '../../../core/goal-moves/move-terms.ts';
import { parseAmount, toDecimal } from '../../../core/money/decimal.ts';
import type { AssumedShare, Assumption } from '../../../core/policy/types.ts';
import { TypedField } from '../../../ui/TypedField.tsx';
import { parsePercentTo } from '../../fields/typed-text.ts';
import { useDraft, usePolicy } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** What is assumed when a goal moves: who stays away, who comes, and what delivery costs the shop. */
export function MoveAssumptions({
  marketId,
  currency,
  assumption,
  delivered,
}: {
  marketId: string;
  currency: string;
  assumption: Assumption;
  delivered: readonly OptionShare[];
}) {
  const { options } = usePolicy();
  const share = (field: 'lost' | 'won', who: string) => {
    const given = assumption[field] ?? nothingStated;
    const one = (end: keyof AssumedShare, label: string) => (
      <AssumedField
        marketId={marketId}
        label={label}
        shown={given[end]}
        parse={parsePercentTo(100)}
        changed={(value) => ({ ...assumption, [field]: withEnd(given, end, value) })}
        testId={`assume-${field}-${end}`}
      />
    );
    return (
      <>
        {one('likely', `${who}, percent`)} % ({one('low', `${who}, at least, percent`)} to{' '}
        {one('high', `${who}, at most, percent`)})
      </>
    );
  };
  const known = delivered.filter(({ id }) => Object.hasOwn(options, id));
  return (
    <>
      Of orders that lose free delivery {share('lost', 'Who stays away')} stay away; for every hundred that gain it{' '}
      {share('won', 'Who comes')} more come.
      {known.length > 0 && ' Delivering an order costs the shop '}
      {known.map(({ id, paid }, place) => (
        <span key={id}>
          {place > 0 && ', '}
          <AssumedField
            marketId={marketId}
            label={`What delivery by ${options[id]!.name} costs the shop, ${currency}`}
            shown={assumption.ownCost?.[id] === undefined ? '' : toDecimal(assumption.ownCost[id], currency)}
            placeholder={toDecimal(Math.round(paid ?? 0), currency)}
            parse={(text) => {
              if (text.trim() === '') return { ok: true, value: null };
              const parsed = parseAmount(text, currency);
              return parsed.ok ? { ok: true, value: parsed.minor } : parsed;
            }}
            changed={(value) => withOwnCost(assumption, id, value)}
            testId={`assume-own-${id}`}
          />{' '}
          {currency} by {options[id]!.name}
        </span>
      ))}
      {known.length > 0 && ' (grey: what shoppers pay).'}
    </>
  );
}

/** A likelihood that leaves its range takes the end along. */
function withEnd(given: AssumedShare, end: keyof AssumedShare, value: string): AssumedShare {
  const next = { ...given, [end]: value };
  const [likely, low, high] = [Number(next.likely), Number(next.low), Number(next.high)];
  if (end === 'likely')
    return { likely: value, low: low > likely ? value : next.low, high: high < likely ? value : next.high };
  if (end === 'low')
    return { low: value, likely: likely < low ? value : next.likely, high: high < low ? value : next.high };
  return { high: value, likely: likely > high ? value : next.likely, low: low > high ? value : next.low };
}

function withOwnCost({ ownCost = {}, ...rest }: Assumption, option: string, cost: number | null): Assumption {
  const { [option]: _before, ...others } = ownCost;
  const next = cost === null ? others : { ...others, [option]: cost };
  return Object.keys(next).length === 0 ? rest : { ...rest, ownCost: next };
}

function AssumedField<T>({
  marketId,
  changed,
  ...field
}: {
  marketId: string;
  label: string;
  shown: string;
  placeholder?: string;
  parse: Parameters<typeof TypedField<T>>[0]['parse'];
  changed: (value: T) => Assumption;
  testId: string;
}) {
  const show = useDraft((state) => state.show);
  const edit = useEdit();
  return (
    <TypedField
      {...field}
      show={(value) => show(value === undefined ? null : setAssumption(marketId, changed(value)))}
      commit={(value) => edit(setAssumption(marketId, changed(value)))}
    />
  );
}
