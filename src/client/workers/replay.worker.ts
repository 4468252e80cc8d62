import { compilePolicy } from '../../core/evaluation/compile.ts';
import { splitMonths, unpackMonths, type OrderColumns } from '../../core/orders/columns.ts';
import { replayZonesOf, replayOrders } from '../../core/orders/replay.ts';
import { columnsAddress } from './orders-messages.ts';
import type { ReplayReply, ReplayRequest } from './replay-messages.ts';

/** Looked at first, so that something is said soon. */
const sampled = 50;

const worker = self as unknown as {
  onmessage: ((event: MessageEvent<ReplayRequest>) => void) | null;
  postMessage: (reply: ReplayReply) => void;
};

worker.onmessage = ({ data }) => void replayAll(data);

async function replayAll({ draft, release, markets, now }: ReplayRequest): Promise<void> {
  const [ahead, current] = [compilePolicy(draft), release && compilePolicy(release)];
  const held = new Map<string, OrderColumns>();
  for (const whole of [false, true]) {
    for (const [index, market] of markets.entries()) {
      const zonesOf = replayZonesOf(ahead.markets.get(market), current?.markets.get(market));
      const left = (reason: string) => !whole && worker.postMessage({ kind: 'left', market, reason });
      if (!zonesOf) {
        left('no zone of it is on');
        continue;
      }
      const currency = current?.markets.get(market)?.market.currency;
      if (currency !== undefined && currency !== ahead.markets.get(market)?.market.currency) {
        left('its currency is another one in the release');
        continue;
      }
      const columns = held.get(market) ?? (await columnsOf(market));
      if (typeof columns === 'string') {
        left(columns);
        continue;
      }
      held.set(market, columns);
      const replay = replayOrders(
        columns,
        zonesOf,
        now,
        whole ? 1 : sampled,
        (share) => whole && worker.postMessage({ kind: 'progress', share: (index + share) / markets.length }),
      );
      worker.postMessage({ kind: 'market', market, whole, replay });
    }
  }
  worker.postMessage({ kind: 'done' });
}

/** A market's orders, or why they could not be read. */
async function columnsOf(market: string): Promise<OrderColumns | string> {
  try {
    const response = await fetch(columnsAddress(market));
    if (!response.ok) return 'its orders could not be read';
    return unpackMonths(splitMonths(new Uint8Array(await response.arrayBuffer())).months);
  } catch {
    return 'its orders could not be read';
  }
}
