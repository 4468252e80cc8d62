import type { BasketStudy } from '../../contract/shapes/order.ts';
import { useEffect, useMemo, useState } from 'react';
import { call } from '../../client/http.ts';
import { priceIn } from '../../core/catalogue/product-amount.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { minorPerMajor } from '../../core/money/currency.ts';
import { liftsOver } from '../../core/orders/lifts.ts';
import { ordersBetween } from '../../core/orders/distribution.ts';
import type { OrderFilter, Tally } from '../../core/orders/tally.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { useCatalogue, useCompiled, useNotation } from '../page/page-context.tsx';
import { parseGoal } from '../fields/goal-field.ts';
import { niceStep } from '../../core/orders/nice-step.ts';
import type { Stretch } from './OrdersPicture.tsx';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { saveCsv } from '../page/save-file.ts';
import { sumBelow } from '../../core/orders/tally.ts';
import { wordsFor } from './words.ts';
import { part } from '../page/parts.ts';

/** The orders in a stretch of values: who they are, what they buy, and what would lift them over a goal. */
export function GroupPanel({
  marketId,
  currency,
  tally,
  filter,
  group,
  setGroup,
  amounts,
  settled,
}: {
  marketId: string;
  currency: string;
  tally: Tally;
  filter: OrderFilter;
  group: Stretch;
  setGroup: (group: Stretch | null, done: boolean) => void;
  /** goals above which it may be looked at: trial goals and those in force */
  amounts: { name: string; value: number }[];
  /** the stretch is no longer being dragged */
  settled: boolean;
}) {
  const { money, locale } = useNotation();
  const catalogue = useCatalogue();
  const compiled = useCompiled();
  const words = wordsFor(locale);
  const round = (minor: number) => money(Math.round(minor), currency);
  const orders = ordersBetween(tally, group.from, group.to);
  const paying = sumBelow(tally, tally.paying, group.to) - sumBelow(tally, tally.paying, group.from);
  const ahead = useMemo(
    () =>
      amounts
        .filter(({ value }, i) => value > group.from && amounts.findIndex((other) => other.value === value) === i)
        .sort((a, b) => a.value - b.value),
    [amounts, group.from],
  );
  const [chosen, setChosen] = useState<number | null>(null);
  const goal = ahead.find(({ value }) => value === chosen)?.value ?? ahead[0]?.value ?? null;
  const [dearest, setDearest] = useState(() => niceStep(10 * minorPerMajor(currency)));
  const terms = compiled.markets.get(marketId)?.terms;
  const prices = useMemo(
    () =>
      terms
        ? [...catalogue.values()].flatMap((product): [string, number][] => {
            const price = product.countsTowardGoals ? priceIn(product, terms) : undefined;
            return price === undefined ? [] : [[product.id, price]];
          })
        : [],
    [catalogue, terms],
  );
  const lifts = goal === null ? null : liftsOver(tally, group, goal, prices, dearest);
  const baskets = useBaskets(marketId, filter, settled ? group : null);
  const nameOf = useMemo(() => {
    const bySku = new Map([...catalogue.values()].map(({ sku, name }) => [sku, name]));
    return (sku: string) => bySku.get(sku) ?? sku;
  }, [catalogue]);
  const edge = (side: 'from' | 'to', label: string) => (
    <TypedField
      label={`${label}, ${currency}`}
      shown={toDecimal(group[side], currency)}
      parse={(text) => parseGoal(text, currency, false)}
      show={() => {}}
      commit={(value) =>
        value !== null &&
        setGroup(
          side === 'from'
            ? { from: value, to: Math.max(value + 1, group.to) }
            : { from: Math.min(group.from, value - 1), to: value },
          true,
        )
      }
      testId={`group-${side}`}
    />
  );
  const productsById = new Map([...catalogue.values()].map((product) => [product.id, product]));
  return (
    <section ref={part('group')} aria-label="Group" className="mt-3 border-t border-hairline pt-2" data-testid="group">
      <h2 className="flex flex-wrap items-baseline gap-x-2 text-lead">
        The group from {edge('from', 'Group from')} to {edge('to', 'Group to')} {currency}
        <button type="button" className="btn btn-xs font-sans" onClick={() => setGroup(null, true)}>
          let it go
        </button>
      </h2>
      <p data-testid="group-share">
        {words.count(orders)} orders, {words.percent(tally.orders > 0 ? orders / tally.orders : 0)} of all;{' '}
        {orders > 0 ? words.percent(paying / orders) : '0 %'} paid for delivery.
        {ahead.map(({ name, value }) => {
          const inside = Math.min(group.to, value);
          const count = ordersBetween(tally, group.from, inside);
          if (count === 0) return null;
          return (
            <span key={value}>
              {' '}
              {inside < group.to ? 'Those below' : 'To'} {money(value, currency)} ({name}){' '}
              {inside < group.to ? '' : 'they '}lack{' '}
              {inside < group.to
                ? `up to ${round(value - group.from)}`
                : `${round(value - inside)} to ${round(value - group.from)}`}
              .
            </span>
          );
        })}
      </p>
      <div className="mt-2 grid gap-x-8 gap-y-3 md:grid-cols-2">
        <div>
          {goal === null || !lifts ? (
            <p className="text-soft">
              No goal lies above this group. Set a trial goal above it to see what would lift it there.
            </p>
          ) : (
            <>
              <p className="leading-7" data-testid="group-lifts">
                One more product of at most{' '}
                <TypedField
                  label={`Dearest product, ${currency}`}
                  shown={toDecimal(dearest, currency)}
                  parse={(text) => parseGoal(text, currency, false)}
                  show={(value) => typeof value === 'number' && setDearest(value)}
                  commit={(value) => value !== null && setDearest(value)}
                  testId="group-dearest"
                />{' '}
                {currency} would lift <strong>{words.count(lifts.any)}</strong> of them (
                {words.percent(orders > 0 ? lifts.any / orders : 0)}) over{' '}
                <PhraseSelect
                  label="Goal to lift them over"
                  value={String(goal)}
                  options={ahead.map(({ name, value }) => [String(value), `${money(value, currency)} (${name})`])}
                  choose={(value) => setChosen(Number(value))}
                />
                .
              </p>
              <table className="table table-xs">
                <thead>
                  <tr className="border-b border-hairline text-left text-small text-soft">
                    <th scope="col" className="font-normal">
                      product
                    </th>
                    <th scope="col" className="text-right font-normal">
                      {currency}
                    </th>
                    <th scope="col" className="text-right font-normal">
                      lifts orders
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {lifts.products
                    .slice(-8)
                    .reverse()
                    .map(({ productId, price, orders: lifted }) => (
                      <tr key={productId} className="border-b border-hairline">
                        <td>{productsById.get(productId)?.name}</td>
                        <td className="text-right">{toDecimal(price, currency)}</td>
                        <td className="text-right">{words.count(lifted)}</td>
                      </tr>
                    ))}
                </tbody>
              </table>
              <SaveAs
                what="the products that lift"
                forms={[
                  {
                    name: 'CSV',
                    save: () =>
                      saveCsv(
                        `lifts-${marketId}`,
                        ['SKU', 'product', `price, ${currency}`, 'orders lifted'],
                        lifts.products.map(({ productId, price, orders: lifted }) => [
                          productsById.get(productId)?.sku ?? productId,
                          productsById.get(productId)?.name ?? '',
                          toDecimal(price, currency),
                          lifted,
                        ]),
                      ),
                  },
                ]}
              />
            </>
          )}
        </div>
        <div data-testid="group-baskets">
          {baskets === null && <p className="text-soft">reading what they bought …</p>}
          {baskets?.baskets === 0 && (
            <p className="text-soft">
              What these orders hold is not known: their file had no lines. Import one with a row a line to see it.
            </p>
          )}
          {baskets !== null && baskets.baskets > 0 && (
            <>
              <p>
                They buy most
                {baskets.baskets >= baskets.mostBaskets
                  ? ` (the newest ${words.count(baskets.baskets)} of them)`
                  : ''}:{' '}
                {baskets.products
                  .slice(0, 5)
                  .map(({ sku, orders: count }) => `${nameOf(sku)} (${words.percent(count / baskets.baskets)})`)
                  .join(', ')}
                .
              </p>
              <table className="table table-xs mt-1">
                <thead>
                  <tr className="border-b border-hairline text-left text-small text-soft">
                    <th scope="col" className="font-normal">
                      bought together
                    </th>
                    <th scope="col" className="text-right font-normal">
                      orders
                    </th>
                    <th scope="col" className="pl-2 text-right font-normal">
                      more than by chance
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {baskets.pairs.slice(0, 7).map(({ skus, orders: count, times }) => (
                    <tr key={skus.join(' ')} className="border-b border-hairline">
                      <td>
                        {nameOf(skus[0])} + {nameOf(skus[1])}
                      </td>
                      <td className="text-right">{words.count(count)}</td>
                      <td className="text-right">{words.about(times)} ×</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {baskets.pairs.length === 0 && (
                <p className="text-soft">No two products stand together more often than by chance.</p>
              )}
              <SaveAs
                what="what they buy"
                forms={[
                  {
                    name: 'CSV',
                    save: () =>
                      saveCsv(
                        `bought-${marketId}`,
                        ['SKU', 'product', 'and SKU', 'and product', 'orders', 'times as often as by chance'],
                        [
                          ...baskets.products.map(
                            ({ sku, orders: count }) => [sku, nameOf(sku), null, null, count, null] as const,
                          ),
                          ...baskets.pairs.map(
                            ({ skus, orders: count, times }) =>
                              [
                                skus[0],
                                nameOf(skus[0]),
                                skus[1],
                                nameOf(skus[1]),
                                count,
                                Math.round(times * 100) / 100,
                              ] as const,
                          ),
                        ],
                      ),
                  },
                ]}
              />
            </>
          )}
        </div>
      </div>
    </section>
  );
}

/** What the group holds, asked of the server once its ends stand still. */
function useBaskets(market: string, filter: OrderFilter, group: Stretch | null): BasketStudy | null {
  const [baskets, setBaskets] = useState<BasketStudy | null>(null);
  const { fromDay, toDay, shopper, option, delivery } = filter;
  const [from, to] = group ? [group.from, group.to] : [null, null];
  useEffect(() => {
    if (from === null || to === null) return;
    let wanted = true;
    setBaskets(null);
    const query = {
      market,
      fromValue: String(from),
      toValue: String(to),
      fromDay: String(fromDay),
      toDay: String(toDay),
      shopper,
      delivery,
      ...(option === null ? {} : { option }),
    };
    void call('GET /api/orders/group', { query }).then((answer) => {
      if (wanted) setBaskets(answer.ok ? answer.body : { baskets: 0, mostBaskets: 0, products: [], pairs: [] });
    });
    return () => {
      wanted = false;
    };
  }, [market, from, to, fromDay, toDay, shopper, option, delivery]);
  return baskets;
}
