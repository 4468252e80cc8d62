import { measuredOf, placesBy, type ReadableOrders } from './readable-orders.ts';
import { readOption, type ReadOption } from './read-option.ts';

/** What each option cost, by its id or what the export called it; that with most orders first. */
export interface ReadOptions {
  orders: number;
  explained: number;
  options: { option: string; read: ReadOption }[];
}

export function readOptions(orders: ReadableOrders, places: Uint32Array): ReadOptions {
  const { columns } = orders;
  const measured = measuredOf(orders);
  const options = placesBy(places, (place) => columns.option[place]!).map(([index, some]) => ({
    option: columns.options[index]!,
    read: readOption(measured, columns.day, some),
  }));
  return {
    orders: places.length,
    explained: options.reduce((sum, { read }) => sum + read.explained, 0),
    options,
  };
}
