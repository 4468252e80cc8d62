import type { Market } from '../../core/policy/types.ts';
import { optionTitle } from '../../core/options/option-title.ts';
import { dateOfDay } from '../../core/time/day.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { DateField } from '../fields/dates/DateField.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { periodsOf } from './order-choice.ts';
import type { MarketOrders } from './use-market-orders.ts';
import { wordsFor } from './words.ts';
import type { SetQuery } from '../page/use-query.ts';

/** Which orders are looked at, as a sentence of choices. */
export function OrdersSentence({
  marketId,
  markets,
  query,
  setQuery,
  orders,
  reading,
  openImport,
}: {
  marketId: string;
  markets: [string, Market][];
  query: Record<string, string>;
  setQuery: SetQuery;
  orders: MarketOrders | null;
  reading: boolean;
  openImport: (kind: 'orders' | 'products') => void;
}) {
  const { locale } = useNotation();
  const policy = usePolicy();
  const words = wordsFor(locale);
  const bounds = orders?.bounds;
  const first = bounds && bounds.orders > 0 ? dateOfDay(bounds.firstDay) : '';
  const last = bounds && bounds.orders > 0 ? dateOfDay(bounds.lastDay) : '';
  // Until the orders are read the sentence stands as it will stand.
  const periods =
    bounds && bounds.orders > 0 ? periodsOf(bounds) : [{ id: 'all', name: 'all the time', from: '', to: '' }];
  const from = query.from || first;
  const to = query.to || last;
  const period = periods.find((one) => one.from === (query.from ?? '') && one.to === (query.to ?? ''))?.id ?? 'chosen';
  const choice = (name: string, label: string, options: [string, string][]) => (
    <PhraseSelect
      label={label}
      value={query[name] ?? ''}
      options={options}
      choose={(value) => setQuery({ [name]: value })}
      testId={`choose-${name}`}
    />
  );
  return (
    <div className="mb-1">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-head">
          Orders in{' '}
          <PhraseSelect
            label="Market"
            value={marketId}
            options={markets.map(([id, { name }]) => [id, name])}
            choose={(market) => setQuery({ market, goals: '', group: '', band: '', option: '' })}
            testId="market-phrase"
          />
        </h1>
        <p className="flex flex-wrap items-baseline gap-x-3">
          <span className="text-soft sm:min-w-52" data-testid="orders-count" aria-live="polite">
            {orders && `${words.count(orders.study.tally.orders)} of ${words.count(orders.bounds.orders)} orders`}
            {!orders && reading && 'reading orders …'}
          </span>
          <button type="button" className="btn btn-xs" onClick={() => openImport('orders')} data-testid="import-orders">
            Import orders
          </button>
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => openImport('products')}
            data-testid="import-products"
          >
            Import products
          </button>
        </p>
      </div>
      <p className="leading-7">
        placed in{' '}
        <PhraseSelect
          label="Time"
          value={period}
          options={[...periods.map(({ id, name }) => [id, name] as const), ['chosen', 'these days']]}
          choose={(id) => {
            const chosen = periods.find((other) => other.id === id);
            setQuery(chosen ? { from: chosen.from, to: chosen.to } : { from, to });
          }}
          testId="choose-period"
        />
        ,{' '}
        <DateField
          label="First day"
          value={from}
          least={first}
          most={to}
          other={{ value: to }}
          steady
          change={(from) => setQuery({ from })}
          testId="choose-from"
        />{' '}
        to{' '}
        <DateField
          label="Last day"
          value={to}
          least={from}
          most={last}
          other={{ value: from }}
          steady
          change={(to) => setQuery({ to })}
          testId="choose-to"
        />
        , by{' '}
        {choice('shopper', 'Shoppers', [
          ['', 'all shoppers'],
          ['new', 'new shoppers'],
          ['returning', 'returning shoppers'],
        ])}
        , with{' '}
        {choice('option', 'Delivery option', [
          ['', 'any option'],
          ...(bounds?.options ?? []).map(({ id }): [string, string] => [id, optionTitle(policy, id)]),
        ])}
        , delivery{' '}
        {choice('delivery', 'Delivery', [
          ['', 'paid or free'],
          ['paid', 'paid'],
          ['free', 'free'],
        ])}
      </p>
    </div>
  );
}
