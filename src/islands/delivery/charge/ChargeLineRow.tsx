import type { Edit } from '../../../client/edits/edit.ts';
import { moveEdge, setLine } from '../../../client/edits/option-edits.ts';
import { measures } from '../../../core/cart/charge-measure.ts';
import type { ChargeLine, LocalAmount } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { SortableRow } from '../../../ui/SortableRows.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { orNone, parseMeasured } from '../../fields/typed-text.ts';
import { AmountField } from '../../fields/AmountField.tsx';
import { PriceFields } from './PriceFields.tsx';
import { WhenPhrase } from '../../conditions/WhenPhrase.tsx';
import { FindingMark } from '../../findings/FindingMark.tsx';
import { useEdit } from '../../page/use-edit.tsx';

type Over = NonNullable<ChargeLine['over']>;
/** One line of a charge, as a sentence whose figures are typed in place. */
export function ChargeLineRow({
  optionId,
  lineId,
  line,
  settled,
  number,
  marketId,
  currency,
  free,
  stepped,
  lit,
  shadowedBy,
  removable,
  remove,
}: {
  optionId: string;
  lineId: string;
  line: ChargeLine;
  /** the line before what is just being typed */
  settled: ChargeLine | undefined;
  number: number;
  marketId: string;
  currency: string;
  /** beyond the usual kinds: everything can be set */
  free: boolean;
  stepped: boolean;
  lit: boolean;
  /** numbers of the lines that take its carts */
  shadowedBy: readonly number[];
  removable: boolean;
  remove: () => void;
}) {
  const set =
    (...steps: string[]) =>
    (value: unknown) =>
      setLine(optionId, lineId, steps, value);
  return (
    <SortableRow id={lineId} still={!free} data-testid={`line-${lineId}`} data-lit={lit}>
      {({ handle, arrows, onKey }) => (
        <div
          className={`flex flex-wrap items-baseline gap-x-2 border-b border-hairline py-0.5 ${lit ? 'bg-base-300' : ''}`}
          onKeyDown={free ? onKey : undefined}
        >
          <span className="w-6 text-right text-fine text-soft">{number}</span>
          {free && (
            <span className="flex items-center self-center">
              {handle}
              {arrows}
            </span>
          )}
          <div className="min-w-0 flex-1">
            {(free || stepped) && (
              <RangeFields
                optionId={optionId}
                over={line.over}
                settled={settled?.over}
                number={number}
                marketId={marketId}
                free={free}
                set={set}
              />
            )}
            <PriceFields
              price={line.price}
              over={line.over}
              number={number}
              marketId={marketId}
              currency={currency}
              free={free}
              set={set}
            />
            {free && (
              <>
                {' '}
                applies{' '}
                <WhenPhrase
                  label={`When line ${number} applies`}
                  path={['options', optionId, 'charge', 'lines', lineId, 'when']}
                  when={line.when}
                  markets={[marketId]}
                  testId={`line-when-${number}`}
                />
              </>
            )}
          </div>
          {lit && <span className="text-fine text-soft">taken</span>}
          {shadowedBy.length > 0 && (
            <span className="text-small text-warning">
              no cart takes it: line {shadowedBy.join(' and ')} {shadowedBy.length === 1 ? 'does' : 'do'}
            </span>
          )}
          <FindingMark at={`/options/${optionId}/charge/lines/${lineId}`} name={`line ${number}`} />
          {removable && (free || stepped) && <Remove what={`line ${number}`} remove={remove} />}
        </div>
      )}
    </SortableRow>
  );
}

type Setter = (...steps: string[]) => (value: unknown) => Edit;

function RangeFields({
  optionId,
  over,
  settled,
  number,
  marketId,
  free,
  set,
}: {
  optionId: string;
  over: Over | undefined;
  /** as it is before what is just being typed: what an edit falls on */
  settled: Over | undefined;
  number: number;
  marketId: string;
  free: boolean;
  set: Setter;
}) {
  const edit = useEdit();
  const chooseMeasure = (measure: string) =>
    edit(
      set('over')(
        measure === '' ? undefined : { measure, from: measure === 'goodsValue' ? { exact: 0 } : 0, to: null },
      ),
    );
  const which = free && (
    <PhraseSelect
      label={`Range of line ${number}`}
      quiet={!over}
      value={over?.measure ?? ''}
      options={[
        ['', 'whatever the cart'],
        ...Object.entries(measures).map(([measure, { name }]) => [measure, name] as const),
      ]}
      choose={chooseMeasure}
    />
  );
  if (!over || !settled) return <>{which} </>;
  // In steps an edge takes its neighbour along; in lines of one's own too, where another one begins or ends there.
  const moved = (end: 'from' | 'to', value: LocalAmount | number | undefined): Edit => {
    const was = settled[end];
    return value === undefined || was === null
      ? set('over', end)(value ?? null)
      : moveEdge(optionId, settled.measure, was, value);
  };
  const bound = (end: 'from' | 'to', optional: boolean) => {
    const value = over[end];
    const label = `Line ${number} ${end}`;
    if (over.measure === 'goodsValue')
      return (
        <AmountField
          label={label}
          amount={(value as LocalAmount | null) ?? undefined}
          marketId={marketId}
          change={(amount) => moved(end, amount)}
          testId={`${end}-${number}`}
          optional={optional ? 'any' : undefined}
        />
      );
    const parse = parseMeasured(over.measure, 0, 1_000_000_000);
    return (
      <EditedField<number | undefined>
        label={label}
        shown={value === null ? '' : String(value as number)}
        parse={optional ? orNone(parse) : parse}
        change={(next) => moved(end, next)}
        live
        align="right"
        placeholder={optional ? 'any' : undefined}
        testId={`${end}-${number}`}
      />
    );
  };
  const fromZero = typeof over.from === 'number' ? over.from === 0 : 'exact' in over.from && over.from.exact === 0;
  return (
    <>
      from {fromZero && !free ? '0' : bound('from', false)} {measures[over.measure].editedIn} to below{' '}
      {free ? bound('to', true) : <span className="text-soft">{over.to === null ? 'any' : 'the next'}</span>}{' '}
      {which || ''}
      {': '}
    </>
  );
}
