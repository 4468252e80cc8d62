import type { Edit } from '../../client/edit.ts';
import { moveEdge, setLine } from '../../client/option-edits.ts';
import { measureInWords } from '../../core/charges/charge-in-words.ts';
import type { ChargeMeasure } from '../../core/charges/charge-measure.ts';
import { basesInWords } from '../../core/conditions/reader.ts';
import type { ChargeLine, LocalAmount } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import type { useRowDrag } from '../../ui/use-row-drag.tsx';
import { Remove } from '../../ui/Remove.tsx';
import { EditedField } from '../frame/EditedField.tsx';
import { orNone, parseId, parseMeasured, parsePercent } from '../frame/typed-text.ts';
import { AmountField } from '../frame/AmountField.tsx';
import { WhenPhrase } from '../conditions/WhenPhrase.tsx';

type Over = NonNullable<ChargeLine['over']>;
const measures: readonly ChargeMeasure[] = [
  'goodsValue',
  'weight',
  'chargeableWeight',
  'items',
  'lines',
  'volume',
  'longestSide',
];
const units: Record<ChargeMeasure, string> = {
  goodsValue: '',
  items: 'items',
  lines: 'lines',
  weight: 'g',
  chargeableWeight: 'g',
  volume: 'cm³',
  longestSide: 'mm',
};

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
  edit,
  rows,
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
  edit: (edit: Edit) => boolean;
  rows: ReturnType<typeof useRowDrag>;
  remove: () => void;
}) {
  const set =
    (...steps: string[]) =>
    (value: unknown) =>
      setLine(optionId, lineId, steps, value);
  return (
    <li
      className={`drop-row flex flex-wrap items-baseline gap-x-2 border-b border-hairline py-0.5 ${lit ? 'bg-base-300' : ''}`}
      {...(free ? rows.rowOf(lineId) : {})}
      onKeyDown={free ? rows.onKeyOf(lineId) : undefined}
      data-testid={`line-${lineId}`}
      data-lit={lit}
    >
      <span className="w-6 text-right text-[12px] text-soft">{number}</span>
      {free && (
        <span className="flex items-center self-center">
          {rows.handleOf(lineId)}
          {rows.arrowsOf(lineId, `Line ${number}`)}
        </span>
      )}
      <div className="sentence min-w-0 flex-1">
        {(free || stepped) && (
          <RangeFields
            optionId={optionId}
            over={line.over}
            settled={settled?.over}
            number={number}
            marketId={marketId}
            free={free}
            edit={edit}
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
          edit={edit}
          set={set}
        />
        {free && (
          <>
            {' '}
            applies{' '}
            <WhenPhrase
              label={`When line ${number} applies`}
              place={['options', optionId, 'charge', 'lines', lineId, 'when']}
              when={line.when}
              markets={[marketId]}
              edit={edit}
              testId={`line-when-${number}`}
            />
          </>
        )}
      </div>
      {lit && <span className="text-[12px] text-soft">taken</span>}
      {shadowedBy.length > 0 && (
        <span className="text-[13px] text-warning">
          no cart takes it: line {shadowedBy.join(' and ')} {shadowedBy.length === 1 ? 'does' : 'do'}
        </span>
      )}
      {removable && (free || stepped) && <Remove what={`line ${number}`} remove={remove} />}
    </li>
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
  edit,
  set,
}: {
  optionId: string;
  over: Over | undefined;
  /** as it is before what is just being typed: what an edit falls on */
  settled: Over | undefined;
  number: number;
  marketId: string;
  free: boolean;
  edit: (edit: Edit) => boolean;
  set: Setter;
}) {
  const chooseMeasure = (measure: string) =>
    edit(
      set('over')(
        measure === ''
          ? undefined
          : measure === 'goodsValue'
            ? { measure, from: { exact: 0 }, to: null }
            : { measure, from: 0, to: null },
      ),
    );
  const which = free && (
    <PhraseSelect
      label={`Range of line ${number}`}
      quiet={!over}
      value={over?.measure ?? ''}
      options={[['', 'whatever the cart'], ...measures.map((measure) => [measure, measureInWords(measure)] as const)]}
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
          edit={edit}
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
        edit={edit}
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
      from {fromZero && !free ? '0' : bound('from', false)} {units[over.measure]} to below{' '}
      {free ? bound('to', true) : <span className="text-soft">{over.to === null ? 'any' : 'the next'}</span>}{' '}
      {which || ''}
      {': '}
    </>
  );
}

function PriceFields({
  price,
  over,
  number,
  marketId,
  currency,
  free,
  edit,
  set,
}: {
  price: ChargeLine['price'];
  over: Over | undefined;
  number: number;
  marketId: string;
  currency: string;
  free: boolean;
  edit: (edit: Edit) => boolean;
  set: Setter;
}) {
  const amount = (
    label: string,
    value: LocalAmount | undefined,
    field: string[],
    optional?: string,
    testId?: string,
  ) => (
    <AmountField
      label={`${label}, line ${number}, ${currency}`}
      amount={value}
      marketId={marketId}
      change={(next) => set('price', ...field)(next)}
      edit={edit}
      optional={optional}
      testId={testId}
    />
  );
  const percent = (label: string, value: string, field: string[]) => (
    <EditedField
      label={`${label}, line ${number}`}
      shown={value}
      parse={parsePercent}
      change={set('price', ...field)}
      edit={edit}
      live
      align="right"
    />
  );
  const bounds = (min: LocalAmount | undefined, max: LocalAmount | undefined) =>
    free && (
      <>
        , at least {amount('Minimum', min, ['min'], 'nothing')}, at most {amount('Maximum', max, ['max'], 'anything')}
      </>
    );
  if ('carrier' in price) {
    return (
      <>
        what{' '}
        <EditedField
          label={`Carrier of line ${number}`}
          shown={price.carrier}
          parse={parseId}
          change={set('price', 'carrier')}
          edit={edit}
        />{' '}
        quotes, and {percent('Margin', price.marginPercent ?? '0', ['marginPercent'])} % and{' '}
        {amount('Fixed margin', price.marginFixed, ['marginFixed'], 'nothing')}; when it is silent{' '}
        {amount('Fallback', price.fallback, ['fallback'], 'nothing')}
      </>
    );
  }
  if ('percent' in price) {
    return (
      <>
        {percent('Percentage', price.percent, ['percent'])} % of the goods,{' '}
        <PhraseSelect
          label={`Basis of line ${number}`}
          value={price.basis}
          options={basesInWords}
          choose={(basis) => edit(set('price', 'basis')(basis))}
        />
        {bounds(price.min, price.max)}
      </>
    );
  }
  const { perUnit } = price;
  return (
    <>
      {amount('Price', price.fixed, ['fixed'], undefined, `price-${number}`)} {currency}
      {perUnit && (
        <>
          {' '}
          and {amount('Price for each', perUnit.amount, ['perUnit', 'amount'])} for each{' '}
          <PhraseSelect
            label={`Started units, line ${number}`}
            value={perUnit.started ? 'started' : 'exact'}
            options={[
              ['started', 'started'],
              ['exact', 'exact share of'],
            ]}
            choose={(value) => edit(set('price', 'perUnit', 'started')(value === 'started'))}
          />{' '}
          <EditedField
            label={`Units, line ${number}`}
            shown={String(perUnit.per)}
            parse={parseMeasured(perUnit.measure, 1, 1_000_000_000)}
            change={set('price', 'perUnit', 'per')}
            edit={edit}
            live
            align="right"
          />{' '}
          {units[perUnit.measure]}
          {over?.measure === perUnit.measure && (
            <>
              {' '}
              counted{' '}
              <PhraseSelect
                label={`Where units begin to count, line ${number}`}
                value={perUnit.countsFrom ?? ''}
                options={[
                  ['', 'from where the range begins'],
                  ['nothing', 'from nothing'],
                ]}
                choose={(value) => edit(set('price', 'perUnit', 'countsFrom')(value === '' ? undefined : value))}
              />
            </>
          )}
          {free && (
            <>
              {' '}
              of{' '}
              <PhraseSelect
                label={`Measure of the units, line ${number}`}
                value={perUnit.measure}
                options={measures.map((measure) => [measure, measureInWords(measure)] as const)}
                choose={(measure) => edit(set('price', 'perUnit', 'measure')(measure))}
              />
              <Remove
                what={`price for each unit of line ${number}`}
                remove={() => edit(set('price', 'perUnit')(undefined))}
              />
            </>
          )}
        </>
      )}
      {free && !perUnit && (
        <button
          type="button"
          className="quiet-button text-[13px] underline decoration-dotted underline-offset-2"
          onClick={() =>
            edit(set('price', 'perUnit')({ measure: 'weight', amount: { exact: 100 }, per: 1000, started: true }))
          }
        >
          and for each …
        </button>
      )}
      {bounds(price.min, price.max)}
    </>
  );
}
