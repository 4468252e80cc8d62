import { expose, wrap } from 'comlink';
import type { ImportMapping } from '../../../core/imports/mapping.ts';
import { proposedRules, type ProposedRules } from '../../../core/reading/proposed-rules.ts';
import { readStore } from '../../../core/reading/read-store.ts';
import type { ReadableOrders } from '../../../core/reading/readable-orders.ts';
import type { HeldOrders } from '../held-orders.ts';
import { readFileOfOrders } from './read-file.ts';
import { sometimes, type TellShare } from './sometimes.ts';

/** What was read of some orders. */
export interface FoundRules {
  proposals: ProposedRules[];
  /** orders looked at, those that do not say what delivery cost among them */
  orders: number;
  /** rows of a file that are no orders */
  refused: number;
}

/** Of progress, how much reading a file is. */
const fileShare = 0.5;

/** Reads rules from orders: a worker of its own, so that it can be stopped. */
export class Reading {
  /** @param timeZone of the store @throws when the file cannot be read */
  async file(file: File, mapping: ImportMapping, timeZone: string, tell: TellShare): Promise<FoundRules> {
    const told = sometimes(tell);
    const { orders, refused } = await readFileOfOrders(file, mapping, timeZone, (share) => told(share * fileShare));
    return { ...found(orders, (share) => told(fileShare + share * (1 - fileShare))), refused };
  }

  /** @param port to the worker that holds the orders */
  async market(market: string, currency: string, port: MessagePort, tell: TellShare): Promise<FoundRules> {
    const { columns, shipments } = await wrap<HeldOrders>(port).shipped(market);
    const orders = shipments ? [{ currency, columns, shipments }] : [];
    return { ...found(orders, sometimes(tell)), refused: 0 };
  }
}

const found = (orders: readonly ReadableOrders[], tell: TellShare) => ({
  proposals: readStore(orders, tell).map(proposedRules),
  orders: orders.reduce((sum, { columns }) => sum + columns.count, 0),
});

expose(new Reading());
