import { expose, wrap } from 'comlink';
import { compilePolicy } from '../../core/evaluation/compile.ts';
import type { OrderColumns } from '../../core/orders/columns.ts';
import { replayOrders, replayZonesOf } from '../../core/orders/replay.ts';
import type { HeldOrders } from './held-orders.ts';
import type { ReplayRequest, TellReplay } from './replay-messages.ts';

/** Looked at first, so that something is said soon. */
const sampled = 50;

/** Replays past orders, market by market: a worker of its own, so that it can be stopped. */
export class Replaying {
  /** @param port to the worker that holds the orders */
  async replay({ draft, release, markets, now }: ReplayRequest, port: MessagePort, tell: TellReplay): Promise<void> {
    const orders = wrap<HeldOrders>(port);
    const [ahead, current] = [compilePolicy(draft), release && compilePolicy(release)];
    const held = new Map<string, OrderColumns>();
    for (const whole of [false, true]) {
      for (const [index, market] of markets.entries()) {
        const zonesOf = replayZonesOf(ahead.markets.get(market), current?.markets.get(market));
        const left = async (reason: string) => {
          if (!whole) await tell({ kind: 'left', market, reason });
        };
        if (!zonesOf) {
          await left('no zone of it is on');
          continue;
        }
        const currency = current?.markets.get(market)?.market.currency;
        if (currency !== undefined && currency !== ahead.markets.get(market)?.market.currency) {
          await left('its currency is another one in the release');
          continue;
        }
        const columns = held.get(market) ?? (await orders.columns(market).catch(() => null));
        if (!columns) {
          await left('its orders could not be read');
          continue;
        }
        held.set(market, columns);
        const replay = replayOrders(
          columns,
          zonesOf,
          now,
          whole ? 1 : sampled,
          (share) => void (whole && tell({ kind: 'progress', share: (index + share) / markets.length })),
        );
        // Heard before the end is told, which comes by another channel.
        await tell({ kind: 'market', market, whole, replay });
      }
    }
  }
}

expose(new Replaying());
