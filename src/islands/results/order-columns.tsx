import { useMemo } from 'react';
import type { ListedOrder } from '../../contract/shapes/placed-order.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { askedAsTestCart } from '../../core/test-carts/asked-as-test-cart.ts';
import { cartAsText } from '../../core/test-carts/cart-as-text.ts';
import type { TableColumn } from '../../ui/Table.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useCatalogue, useNotation } from '../page/page-context.tsx';
import { whyInWords } from './verdict-in-words.ts';

/** What the list says of an order that was charged otherwise. */
export function useOrderColumns(): TableColumn<ListedOrder>[] {
  const policy = usePolicy();
  const catalogue = useCatalogue();
  const { figure, locale } = useNotation();
  return useMemo(() => {
    const { store, markets, options, offers } = policy;
    const bySku = new Map([...catalogue.values()].map(({ id, sku }) => [sku, id]));
    const day = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short', timeZone: store.timeZone });
    const nameOf = (offer: string) => offers[offer]?.name ?? offer;
    const why = (order: ListedOrder) => whyInWords(order, nameOf);
    return [
      { id: 'number', name: 'Order', value: ({ number }) => number, className: 'whitespace-nowrap', pinned: true },
      {
        id: 'charged',
        name: 'Charged',
        value: ({ delivery, currency }) => Number(toDecimal(delivery, currency)),
        cell: ({ delivery, currency }) => figure(delivery, currency),
        right: true,
        className: 'whitespace-nowrap',
      },
      {
        id: 'expected',
        name: 'By the rules',
        value: ({ expected, currency }) => (expected === null ? null : Number(toDecimal(expected, currency))),
        cell: ({ expected, currency }) => (expected === null ? '–' : figure(expected, currency)),
        right: true,
        className: 'whitespace-nowrap',
      },
      {
        id: 'why',
        name: 'Why it is here',
        value: why,
        cell: (order) => (
          <>
            {why(order)} <AtRehearse order={order} languages={markets[order.market]?.languages ?? []} bySku={bySku} />
          </>
        ),
        className: 'min-w-44',
      },
      {
        id: 'option',
        name: 'Option',
        value: ({ option }) => (option === null ? 'not delivered' : (options[option]?.name ?? option)),
        className: 'whitespace-nowrap',
      },
      { id: 'market', name: 'Market', value: ({ market }) => markets[market]?.name ?? market },
      {
        id: 'difference',
        name: 'Difference',
        value: ({ delivery, expected, currency }) =>
          expected === null ? null : Number(toDecimal(delivery - expected, currency)),
        cell: ({ delivery, expected, currency }) =>
          expected === null || expected === delivery
            ? '–'
            : `${delivery > expected ? '+' : ''}${figure(delivery - expected, currency)}`,
        right: true,
        className: 'whitespace-nowrap',
      },
      { id: 'currency', name: 'Currency', value: ({ currency }) => currency },
      {
        id: 'placed',
        name: 'Placed',
        value: ({ placedAt }) => placedAt,
        cell: ({ placedAt }) => day.format(Date.parse(placedAt)),
        className: 'whitespace-nowrap',
      },
    ];
  }, [policy, catalogue, figure, locale]);
}

/** Opens the order’s cart with the rules of its day and of today side by side. */
function AtRehearse({
  order: { number, asked, option, delivery, placedAt, arm },
  languages,
  bySku,
}: {
  order: ListedOrder;
  languages: readonly string[];
  bySku: ReadonlyMap<string, string>;
}) {
  const catalogue = useCatalogue();
  if (!asked) return null;
  const { cart, without } = askedAsTestCart(asked, catalogue, bySku, {
    name: `Order ${number}`,
    language: languages[0] ?? 'en',
    at: placedAt,
    placed: { charged: delivery, ...(option === null ? {} : { option }) },
  });
  const query = new URLSearchParams({ shared: cartAsText(cart), tool: 'charged', ...(arm === '' ? {} : { arm }) });
  return (
    <>
      <a className="link link-primary whitespace-nowrap" href={`/rehearse?${query.toString()}#tools`}>
        See it at Rehearse
      </a>
      {without.length > 0 && (
        <span className="text-soft"> Without what the catalogue does not say: {without.join(', ')}.</span>
      )}
    </>
  );
}
