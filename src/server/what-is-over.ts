import { forgetOldEntries } from './audit/audit-store.ts';
import { isUnavailable } from './database/unavailable.ts';
import { log } from './log.ts';
import { forgetShoppersCounted } from './experiments/known-of-experiments.ts';
import { aggregateUpTo, beginAggregating } from './orders/aggregate-orders.ts';
import { forgetOldQuotes } from './quote/given-quotes.ts';
import { forgetOldSecrets } from './quote/signing-secrets.ts';
import { forgetOldCalls } from './receivers/call-log.ts';
import { forgetOldReservations } from './redemptions/reserve.ts';
import { forgetGonePages } from './together/presence-store.ts';

/** How often what is over is cleared away. Nothing rests on it: it counts no more as soon as it is over. ms */
const every = 60_000;

let watch: ReturnType<typeof setInterval> | null = null;

/** Clears away reservations, signed quotes, secrets and calls to receivers that are over, from now on. */
export function watchWhatIsOver(): void {
  watch ??= setInterval(() => void clearAway(), every).unref();
}

async function clearAway(): Promise<void> {
  try {
    await forgetOldReservations();
    await forgetOldQuotes();
    await forgetOldSecrets();
    await forgetOldCalls();
    await forgetShoppersCounted();
    await forgetOldEntries();
    await forgetGonePages();
    const old = await beginAggregating();
    if (old !== null) await aggregateUpTo(old);
  } catch (error) {
    if (!isUnavailable(error)) log.error({ err: String(error) }, 'what is over could not be cleared away');
  }
}
