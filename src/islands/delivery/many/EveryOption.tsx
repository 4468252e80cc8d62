import { useMemo, useState } from 'react';
import { parseAmount, toDecimal } from '../../../core/money/decimal.ts';
import { optionKindOf } from '../../../core/options/kinds/registry.ts';
import { pricesOfOptions, type OptionPrices } from '../../../core/options/option-prices.ts';
import { Fold } from '../../../ui/Fold.tsx';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import { saveCsv } from '../../page/save-file.ts';
import { ChangeMany } from './ChangeMany.tsx';
import { wordsByMarket } from './words-by-market.ts';

type Go = (market: string, zone: string, option: string) => void;

/** All options of all markets in one table, and ways to change the prices of many at once. */
export function EveryOption({ go }: { go: Go }) {
  const { options } = usePolicy();
  return (
    <section ref={part('every option')} className="mt-3 border-t border-hairline pt-2" aria-label="Every option">
      <Fold heading={`Options of all markets, ${Object.keys(options).length}`} testId="every-option">
        {() => <Opened go={go} />}
      </Fold>
    </section>
  );
}

function Opened({ go }: { go: Go }) {
  const policy = usePolicy();
  const [dearer, setDearer] = useState('');
  const { baseCurrency } = policy.store;
  const least = dearer.trim() === '' ? null : parseAmount(dearer, baseCurrency);
  const all = useMemo(() => pricesOfOptions(policy), [policy]);
  const than = least?.ok ? least.minor : null;
  const rows = useMemo(
    () => (than === null ? all : all.filter(({ highestInBase }) => highestInBase !== null && highestInBase > than)),
    [all, than],
  );
  const columns = useColumns(go);
  return (
    <>
      <ChangeMany ids={useMemo(() => new Set(rows.map(({ id }) => id)), [rows])} />
      <Table
        label="Every option"
        columns={columns}
        rows={rows}
        keyOf={({ id }) => id}
        search="Find an option"
        save={{ what: 'the table', csv: (heading, body) => saveCsv('options', heading, body) }}
        testId="every-option-table"
        rowTestId={({ id }) => `every-${id}`}
      >
        <label className="inline-flex items-baseline gap-1">
          dearer than{' '}
          <input
            className="field"
            aria-label={`Dearer than, ${baseCurrency}`}
            aria-invalid={least?.ok === false}
            placeholder="anything"
            inputMode="decimal"
            value={dearer}
            onChange={(event) => setDearer(event.target.value)}
            data-testid="dearer-than"
          />{' '}
          {baseCurrency}
        </label>
        <span className="text-soft" data-testid="every-option-count">
          {rows.length} of {all.length} options
        </span>
      </Table>
    </>
  );
}

function useColumns(go: Go): TableColumn<OptionPrices>[] {
  const policy = usePolicy();
  const { money } = useNotation();
  return useMemo(() => {
    const words = wordsByMarket(policy, money);
    const decimal = (minor: number | null, currency: string) =>
      minor === null ? null : Number(toDecimal(minor, currency));
    return [
      { id: 'market', name: 'Market', value: ({ market }) => policy.markets[market]!.name },
      { id: 'zone', name: 'Zone', value: ({ zone }) => policy.zones[zone]!.name },
      {
        id: 'option',
        name: 'Option',
        value: ({ id }) => policy.options[id]!.name,
        cell: ({ id, zone, market }) => (
          <button
            type="button"
            className="text-left font-semibold hover:underline"
            onClick={() => go(market, zone, id)}
          >
            {policy.options[id]!.name}
          </button>
        ),
      },
      { id: 'kind', name: 'Kind', value: ({ id }) => optionKindOf(policy.options[id]!).called },
      { id: 'on', name: 'On', value: ({ id }) => (policy.options[id]!.on ? 'on' : 'off') },
      {
        id: 'lowest',
        name: 'Lowest',
        right: true,
        value: ({ lowest, currency }) => decimal(lowest, currency),
        cell: ({ lowest, currency }) => (lowest === null ? '–' : money(lowest, currency)),
      },
      {
        id: 'highest',
        name: 'Highest',
        right: true,
        value: ({ highest, currency }) => decimal(highest, currency),
        cell: ({ highest, currency }) => (highest === null ? '–' : money(highest, currency)),
      },
      {
        id: 'prices',
        name: 'Prices',
        className: 'min-w-52 text-soft',
        value: ({ id, market }) => words(market).charge(policy.options[id]!.charge),
      },
    ];
  }, [policy, money, go]);
}
