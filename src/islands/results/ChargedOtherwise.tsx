import { useState } from 'react';
import type { Agreement } from '../../contract/shapes/placed-order.ts';
import { inOrder } from '../../core/ordered.ts';
import { Alert } from '../../ui/Alert.tsx';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Table } from '../../ui/Table.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation, useNow } from '../page/page-context.tsx';
import { part } from '../page/parts.ts';
import { saveCsv } from '../page/save-file.ts';
import type { SetQuery } from '../page/use-query.ts';
import { useDisagreeing } from './use-disagreeing.ts';
import { useOrderColumns } from './order-columns.tsx';
import { disagreementInWords, disagreements, type Disagreement } from './verdict-in-words.ts';

const periods = [
  ['7', 'in the last 7 days'],
  ['30', 'in the last 30 days'],
  ['365', 'in the last 365 days'],
  ['all', 'at any time'],
] as const;

const ofDisagreement = (text: string | undefined): Disagreement | '' =>
  disagreements.find((kind) => kind === text) ?? '';

/** Orders that the shop has charged something else for than the rules of their day, each with its reason. */
export function ChargedOtherwise({ query, setQuery }: { query: Record<string, string>; setQuery: SetQuery }) {
  const { markets } = usePolicy();
  const now = useNow();
  const [loaded] = useState(now);
  const days = periods.find(([id]) => id === query.days)?.[0] ?? '7';
  const market = query.in !== undefined && Object.hasOwn(markets, query.in) ? query.in : '';
  const kind = ofDisagreement(query.kind);
  const from = days === 'all' ? undefined : new Date(loaded - Number(days) * 86_400_000).toISOString();
  const { agreement, orders, next, problem, more } = useDisagreeing({ from, market, kind });
  const columns = useOrderColumns();
  return (
    <div className="pt-5">
      <section ref={part('charged otherwise')} aria-label="Orders charged otherwise" data-testid="charged-otherwise">
        <h2 className="text-head">
          {agreement ? <Counted agreement={agreement} /> : 'Orders that were charged otherwise'}
        </h2>
        <p className="py-1 text-lead leading-7">
          Placed{' '}
          <PhraseSelect
            label="When"
            value={days}
            options={periods}
            choose={(chosen) => setQuery({ days: chosen === '7' ? '' : chosen })}
            testId="results-days"
          />{' '}
          in{' '}
          <PhraseSelect
            label="Market"
            value={market}
            options={[['', 'every market'], ...inOrder(markets).map(([id, { name }]) => [id, name] as const)]}
            choose={(chosen) => setQuery({ in: chosen })}
            quiet={market === ''}
            testId="charged-market"
          />
          ; what was charged for delivery is compared with the release that was in force when the order was placed.
        </p>
        {problem && <Alert>{`${problem.title}. ${problem.detail}`}</Alert>}
        {agreement?.orders === 0 && <NoOrders />}
        {agreement && agreement.orders > 0 && (
          <Beyond agreement={agreement} kind={kind} choose={(chosen) => setQuery({ kind: chosen })} />
        )}
        {orders.length > 0 && (
          <Table
            label="Orders charged otherwise"
            columns={columns}
            rows={orders}
            keyOf={({ number }) => number}
            search="Find an order"
            save={{ what: 'the orders', csv: (heading, rows) => saveCsv('orders-charged-otherwise', heading, rows) }}
            testId="disagreeing"
            rowTestId={({ number }) => `disagreeing-${number}`}
          />
        )}
        {typeof next === 'string' && (
          <button type="button" className="btn btn-xs mt-2" onClick={more}>
            Show the orders before these
          </button>
        )}
      </section>
    </div>
  );
}

function Counted({ agreement: { orders, compared, disagreeing } }: { agreement: Agreement }) {
  const { locale } = useNotation();
  const write = (count: number) => count.toLocaleString(locale);
  const otherwise = Object.values(disagreeing).reduce((sum, count) => sum + count, 0);
  if (orders === 0) return 'No orders have been reported';
  if (compared === 0) return `${write(orders)} ${orders === 1 ? 'order' : 'orders'}, not compared`;
  if (otherwise === 0 && compared < orders)
    return `${write(compared)} of ${write(orders)} orders compared, charged as the rules say`;
  if (otherwise === 0) return `${write(orders)} ${orders === 1 ? 'order' : 'orders'}, charged as the rules say`;
  return `${write(otherwise)} of ${write(orders)} ${orders === 1 ? 'order was' : 'orders were'} charged something else`;
}

/** How they disagree, to be looked at one by one, and what it comes to. */
function Beyond({
  agreement: { orders, compared, disagreeing, charged },
  kind,
  choose,
}: {
  agreement: Agreement;
  kind: Disagreement | '';
  choose: (kind: string) => void;
}) {
  const { money, locale } = useNotation();
  const sums = charged.flatMap(({ currency, beyond, below }) => [
    ...(beyond > 0 ? [`${money(beyond, currency)} too much`] : []),
    ...(below > 0 ? [`${money(below, currency)} too little`] : []),
  ]);
  const otherwise = disagreements.filter((one) => disagreeing[one] > 0);
  return (
    <p className="py-1 text-small leading-6">
      {otherwise.length > 0 && (
        <>
          Shown:{' '}
          <PhraseSelect
            label="How they disagree"
            value={kind}
            options={[
              ['', 'all of them'],
              ...disagreements.map(
                (one) => [one, `${disagreeing[one].toLocaleString(locale)} ${disagreementInWords[one]}`] as const,
              ),
            ]}
            choose={choose}
            quiet={kind === ''}
            testId="results-kind"
          />
          .{' '}
        </>
      )}
      {sums.length > 0 && <>In all {new Intl.ListFormat('en', { type: 'conjunction' }).format(sums)}. </>}
      {compared < orders && (
        <span className="text-soft">
          {(orders - compared).toLocaleString(locale)} could not be compared: they were placed before the first release,
          or waited for what a carrier says.
        </span>
      )}
    </p>
  );
}

function NoOrders() {
  return (
    <p className="max-w-[46rem] py-2">
      A shop reports orders with <code>POST /api/orders</code> and a secret key:{' '}
      <a className="link link-primary" href="/connections">
        Connections
      </a>{' '}
      makes one. Imported orders are past orders as well, but do not say under which rules they were charged.
    </p>
  );
}
