import { useEffect, useMemo, useState } from 'react';
import { ordersClient } from '../../client/orders/orders-client.ts';
import { ofEachOrder, unknownToExports } from '../../core/conditions/unknown-to-exports.ts';
import type { ConditionOnOrders, Trait } from '../../core/orders/condition-on-orders.ts';
import type { Condition, Policy } from '../../core/policy/types.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';

/** For which share of the last quarter's orders a condition would hold, as it is typed, and what orders do not tell. */
export function TriedOnOrders({ condition, marketId }: { condition: Condition; marketId: string }) {
  const policy = usePolicy();
  const { locale, money } = useNotation();
  const { markets, store, rates, qualifiers, options } = policy;
  const market = markets[marketId]!;
  const zoneOf = useMemo(
    () => Object.fromEntries(Object.entries(options).map(([id, { zone }]) => [id, zone])),
    [options],
  );
  const [tried, setTried] = useState<{ market: string; result: ConditionOnOrders } | 'failed' | null>(null);
  useEffect(() => {
    let wanted = true;
    ordersClient()
      .condition(marketId, condition, { market, store, ...(rates ? { rates } : {}), qualifiers, zoneOf })
      .then(
        (result) => wanted && setTried({ market: marketId, result }),
        () => wanted && setTried('failed'),
      );
    return () => {
      wanted = false;
    };
  }, [condition, marketId, market, store, rates, qualifiers, zoneOf]);
  const unknown = useMemo(() => {
    // Orders of a market with one country went there.
    const told = market.countries.length === 1 ? 'destination.country' : null;
    return unknownToExports(condition, policy, ofEachOrder).filter(({ id }) => id !== told);
  }, [condition, policy, market]);
  if (tried === 'failed')
    return <p className="text-small text-warning">It could not be tried on past orders, which could not be read.</p>;
  const untold = unknown.length > 0 && (
    <span className="text-soft">
      {' '}
      Orders do not tell {unknown.map(({ about, name }) => `${about.toLowerCase()}: ${name}`).join(', ')}; a line that
      asks for it counts as not true.
    </span>
  );
  if (tried === null || tried.market !== marketId)
    return <p className="text-small text-soft">trying it on past orders …</p>;
  const { orders, holding, mostly } = tried.result;
  if (orders === 0)
    return <p className="text-small text-soft">There are no past orders in {market.name} to try it on.</p>;
  const percent = new Intl.NumberFormat(locale, {
    style: 'percent',
    maximumFractionDigits: holding > 0 && holding / orders < 0.01 ? 2 : 0,
  });
  return (
    <p className="text-small" data-testid="tried-on-orders">
      Would hold for {percent.format(holding / orders)} of last quarter’s {new Intl.NumberFormat(locale).format(orders)}{' '}
      orders in {market.name}
      {mostly &&
        `, mostly ${inWords(mostly, policy, (minor) => money(minor, market.currency))} (${percent.format(mostly.share)}, of all ${percent.format(mostly.usual)})`}
      .{untold}
    </p>
  );
}

function inWords({ kind, value, option }: Trait, { options }: Policy, money: (minor: number) => string): string {
  switch (kind) {
    case 'new':
      return 'first orders';
    case 'returning':
      return 'of returning shoppers';
    case 'atLeast':
      return `worth ${money(value)} or more`;
    case 'below':
      return `worth less than ${money(value)}`;
    case 'option':
      return `with ${options[option]?.name ?? option}`;
  }
}
