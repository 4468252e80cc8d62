import type { ImportedOrder } from '../imports/order-rows.ts';
import { emptyColumns, mostItems, optionIndex, type OrderColumns } from '../orders/columns.ts';
import {
  codeIndex,
  emptyShipments,
  placeIndex,
  weightUnknown,
  type OrderShipments,
} from '../orders/replay/shipments.ts';
import type { ReadableOrders } from './readable-orders.ts';

/** Orders of a file as they come, put together by currency so that rules can be read from them. */
export class CollectedOrders {
  readonly #byCurrency = new Map<string, GrowingOrders>();
  readonly #dayOf: (instant: number) => number;
  #count = 0;

  /** @param dayOf days since 1970-01-01 on the store’s clock, of a moment in ms */
  constructor(dayOf: (instant: number) => number) {
    this.#dayOf = dayOf;
  }

  get count(): number {
    return this.#count;
  }

  add(order: ImportedOrder): void {
    let orders = this.#byCurrency.get(order.currency);
    if (!orders) this.#byCurrency.set(order.currency, (orders = new GrowingOrders()));
    orders.add(order, this.#dayOf(order.placedAt));
    this.#count++;
  }

  /** All that came in. */
  done(): ReadableOrders[] {
    return [...this.#byCurrency].map(([currency, orders]) => orders.done(currency));
  }
}

const firstRoom = 1024;

/** Orders in arrays that are made twice as long whenever they are full. */
class GrowingOrders {
  #columns: OrderColumns = emptyColumns(firstRoom);
  #shipments: OrderShipments = emptyShipments(firstRoom);
  #count = 0;
  readonly #numbers: string[] = [];
  readonly #options = new Map<string, number>();
  readonly #places = new Map<string, number>();
  readonly #codes = new Map<string, number>();

  add(order: ImportedOrder, day: number): void {
    if (this.#count === this.#shipments.place.length) this.#grow();
    const i = this.#count++;
    const [columns, shipments] = [this.#columns, this.#shipments];
    columns.goods[i] = order.goods;
    columns.delivery[i] = order.delivery ?? -1;
    columns.day[i] = day;
    columns.option[i] = optionIndex(columns.options, this.#options, order.option);
    columns.items[i] = Math.min(mostItems, order.items ?? 0);
    shipments.grams[i] = order.grams ?? weightUnknown;
    shipments.place[i] = placeIndex(shipments.places, this.#places, [order.country, order.region, order.postcode]);
    shipments.code[i] = codeIndex(shipments.codes, this.#codes, order.code);
    this.#numbers.push(order.number);
  }

  #grow(): void {
    const room = 2 * this.#shipments.place.length;
    this.#columns = columnsOf(this.#columns, this.#count, room);
    this.#shipments = shipmentsOf(this.#shipments, room);
  }

  done(currency: string): ReadableOrders {
    const count = this.#count;
    return {
      currency,
      columns: columnsOf(this.#columns, count, count),
      shipments: shipmentsOf(this.#shipments, count),
      numbers: this.#numbers,
    };
  }
}

function columnsOf(columns: OrderColumns, count: number, room: number): OrderColumns {
  const next = emptyColumns(room, columns.options, columns.arms);
  for (const name of ['goods', 'delivery', 'day', 'option', 'shopper', 'items', 'arm'] as const)
    longer(columns[name], next[name]);
  return { ...next, count };
}

function shipmentsOf({ places, place, grams, codes, code }: OrderShipments, room: number): OrderShipments {
  const next = emptyShipments(room, places, codes);
  longer(place, next.place);
  longer(grams, next.grams);
  longer(code, next.code);
  return next;
}

/** Copies as much as there is room for. */
function longer<A extends Float64Array | Uint32Array | Uint16Array | Uint8Array>(from: A, to: A): void {
  to.set(from.subarray(0, to.length));
}
