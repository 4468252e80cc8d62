import type { ImportedOrder } from '../imports/order-rows.ts';
import { emptyColumns, mostItems, optionIndex, type OrderColumns } from '../orders/columns.ts';
import { emptyShipments, placeIndex, weightUnknown, type OrderShipments } from '../orders/replay/shipments.ts';
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
  #codes = new Uint32Array(firstRoom);
  #count = 0;
  readonly #numbers: string[] = [];
  readonly #codeNames = [''];
  readonly #options = new Map<string, number>();
  readonly #places = new Map<string, number>();
  readonly #codesKnown = new Map<string, number>([['', 0]]);

  add(order: ImportedOrder, day: number): void {
    if (this.#count === this.#codes.length) this.#grow();
    const i = this.#count++;
    const [columns, shipments] = [this.#columns, this.#shipments];
    columns.goods[i] = order.goods;
    columns.delivery[i] = order.delivery ?? -1;
    columns.day[i] = day;
    columns.option[i] = optionIndex(columns.options, this.#options, order.option);
    columns.items[i] = Math.min(mostItems, order.items ?? 0);
    shipments.grams[i] = order.grams ?? weightUnknown;
    shipments.place[i] = placeIndex(shipments.places, this.#places, [order.country, order.region, order.postcode]);
    this.#codes[i] = this.#codeIndex(order.code.trim().toUpperCase());
    this.#numbers.push(order.number);
  }

  #codeIndex(code: string): number {
    let index = this.#codesKnown.get(code);
    if (index === undefined) this.#codesKnown.set(code, (index = this.#codeNames.push(code) - 1));
    return index;
  }

  #grow(): void {
    const room = 2 * this.#codes.length;
    this.#columns = columnsOf(this.#columns, this.#count, room);
    this.#shipments = shipmentsOf(this.#shipments, room);
    this.#codes = longer(this.#codes, new Uint32Array(room));
  }

  done(currency: string): ReadableOrders {
    const count = this.#count;
    return {
      currency,
      columns: columnsOf(this.#columns, count, count),
      shipments: shipmentsOf(this.#shipments, count),
      codes: this.#codeNames.length > 1 ? { names: this.#codeNames, of: this.#codes.subarray(0, count) } : null,
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

function shipmentsOf({ places, place, grams }: OrderShipments, room: number): OrderShipments {
  const next = emptyShipments(room, places);
  longer(place, next.place);
  longer(grams, next.grams);
  return next;
}

/** Copies as much as there is room for. */
function longer<A extends Float64Array | Uint32Array | Uint16Array | Uint8Array>(from: A, to: A): A {
  to.set(from.subarray(0, to.length));
  return to;
}
