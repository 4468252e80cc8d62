import { expose, wrap } from 'comlink';
import { compilePolicy } from '../../core/evaluation/compile.ts';
import { replayOrders, type ReplayedOrders } from '../../core/orders/replay/replay.ts';
import { replayPlacesOf } from '../../core/orders/replay/replay-places.ts';
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
    const held = new Map<string, ReplayedOrders>();
    for (const whole of [false, true]) {
      for (const [index, market] of markets.entries()) {
        const places = replayPlacesOf(market, ahead, current);
        const left = async (reason: string) => {
          if (!whole) await tell({ kind: 'left', market, reason });
        };
        if (!places) {
          await left('no zone of it is on');
          continue;
        }
        const currency = current?.markets.get(market)?.market.currency;
        if (currency !== undefined && currency !== ahead.markets.get(market)?.market.currency) {
          await left('its currency is another one in the release');
          continue;
        }
        const replayed = held.get(market) ?? (await orders.shipped(market).catch(() => null));
        if (!replayed) {
          await left('its orders could not be read');
          continue;
        }
        held.set(market, replayed);
        const replay = replayOrders(
          replayed,
          places,
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
