import { useCallback, useEffect, useRef, useState } from 'react';
import { filterOf } from '../../client/orders/order-query.ts';
import { ordersClient, type OrdersClient } from '../../client/orders/orders-client.ts';
import type { OrderBounds, OrderStudy } from '../../core/orders/study.ts';

/** A market's orders as far as they have been looked through. */
export interface MarketOrders {
  market: string;
  bounds: OrderBounds;
  study: OrderStudy;
}

interface MarketOrdersState {
  /** of another market while the wanted one is on its way */
  orders: MarketOrders | null;
  reading: boolean;
  problem: string | null;
  worker: OrdersClient | null;
  /** reads the orders again */
  reload: () => void;
}

/** The orders that the address asks for, looked through by its worker. */
export function useMarketOrders(market: string, query: Record<string, string>): MarketOrdersState {
  const worker = useRef<OrdersClient | null>(null);
  const [orders, setOrders] = useState<MarketOrders | null>(null);
  const [reading, setReading] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const [generation, setGeneration] = useState(0);
  const { from, to, shopper, option, delivery } = query;

  useEffect(() => {
    let wanted = true;
    setReading(true);
    const look = async () => {
      const current = (worker.current = ordersClient());
      const bounds = await current.bounds(market);
      if (!wanted) return;
      const study = await current.study(
        market,
        filterOf({ from, to, shopper, option, delivery } as Record<string, string>, bounds),
      );
      if (!wanted) return;
      setOrders({ market, bounds, study });
      setProblem(null);
      setReading(false);
    };
    look().catch((error: unknown) => {
      if (!wanted) return;
      setProblem(error instanceof Error ? error.message : String(error));
      setReading(false);
    });
    return () => {
      wanted = false;
    };
  }, [market, from, to, shopper, option, delivery, generation]);

  const reload = useCallback(() => {
    worker.current?.forget();
    setGeneration((count) => count + 1);
  }, []);
  return { orders, reading, problem, worker: worker.current, reload };
}
