import type { Edit } from '../../client/edits/edit.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import type { Amounts, Comparison, ConditionNode } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import type { Parsed } from '../../ui/TypedField.tsx';
import { AmountField } from '../fields/AmountField.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { parseMoney, parseWhole } from '../fields/typed-text.ts';
import { useEdit } from '../page/use-edit.tsx';

type Set = (values: Record<string, unknown>) => Edit;

const comparisons: [Comparison, string][] = [
  ['atLeast', 'at least'],
  ['atMost', 'at most'],
  ['moreThan', 'more than'],
  ['lessThan', 'less than'],
  ['between', 'from … to, both included'],
  ['is', 'exactly'],
  ['isNot', 'known and not'],
];

const count = parseWhole(0, 1_000_000_000);

/** A number compared with one, or with the two ends of a range. `base`: an amount in the store's base currency. */
export function Compared({
  node,
  unit,
  base,
  parse = count,
  set,
}: {
  node: Extract<ConditionNode, { kind: 'number' | 'goodsNumber' | 'distance' }>;
  unit: string;
  base?: boolean;
  parse?: (text: string) => Parsed<number>;
  set: Set;
}) {
  const edit = useEdit();
  const currency = useDraft((state) => state.policy.store.baseCurrency);
  const { operator, value, to } = node;
  const write = (number: number) => (base ? toDecimal(number, currency) : String(number));
  const field = (label: string, shown: number, name: 'value' | 'to') => (
    <EditedField
      label={label}
      shown={write(shown)}
      parse={base ? parseMoney(currency) : parse}
      change={(next) => set({ [name]: next })}
      live
      align="right"
      testId={`compared-${name}`}
    />
  );
  return (
    <>
      <PhraseSelect
        label="Comparison"
        value={operator}
        options={comparisons}
        choose={(next) =>
          edit(
            set(
              next === 'between'
                ? { operator: next, to: Math.max(value, to ?? value) }
                : { operator: next, to: undefined },
            ),
          )
        }
      />{' '}
      {field('Value', value, 'value')}
      {operator === 'between' && <> to {field('Upper end', to ?? value, 'to')}</>} {base ? currency : unit}
    </>
  );
}

/** An amount in each market stated, compared; a market without one never fulfils it. */
export function MoneyCompared({
  node,
  markets,
  set,
}: {
  node: Extract<ConditionNode, { kind: 'money' | 'goodsMoney' }>;
  markets: readonly string[];
  set: Set;
}) {
  const edit = useEdit();
  const { operator, amounts, to } = node;
  return (
    <>
      <PhraseSelect
        label="Comparison"
        value={operator}
        options={comparisons}
        choose={(next) =>
          edit(set(next === 'between' ? { operator: next, to: to ?? amounts } : { operator: next, to: undefined }))
        }
      />{' '}
      {markets.map((id) => (
        <MarketAmount
          key={id}
          marketId={id}
          named={markets.length > 1}
          amounts={amounts}
          to={operator === 'between' ? (to ?? amounts) : undefined}
          set={set}
        />
      ))}
    </>
  );
}

function MarketAmount({
  marketId,
  named,
  amounts,
  to,
  set,
}: {
  marketId: string;
  named: boolean;
  amounts: Amounts;
  to: Amounts | undefined;
  set: Set;
}) {
  const market = useDraft((state) => state.policy.markets[marketId]!);
  const without = (table: Amounts) =>
    Object.fromEntries(Object.entries(table).filter(([id]) => id !== marketId)) as Amounts;
  return (
    <span className="mr-3 inline-block">
      {named && <span className="text-soft">{market.name} </span>}
      <AmountField
        label={`Amount in ${market.name}`}
        amount={amounts[marketId]}
        marketId={marketId}
        change={(amount) => set({ amounts: amount ? { ...amounts, [marketId]: amount } : without(amounts) })}
        optional="never"
      />
      {to && (
        <>
          {' '}
          to{' '}
          <AmountField
            label={`Upper amount in ${market.name}`}
            amount={to[marketId]}
            marketId={marketId}
            change={(amount) => set({ to: amount ? { ...to, [marketId]: amount } : without(to) })}
            optional="never"
          />
        </>
      )}{' '}
      {market.currency}
    </span>
  );
}
