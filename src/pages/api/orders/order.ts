import type { APIRoute } from 'astro';
import { answering, json, problemResponse } from '../../../server/http/problem.ts';
import { readQuery } from '../../../server/http/read-request.ts';
import { findOrder, validateOrderAddress } from '../../../server/orders/past-order.ts';

/** One past order by the number the shop gave it: `?number=`. */
export const GET: APIRoute = ({ url }) =>
  answering(async () => {
    const { number } = readQuery(url, validateOrderAddress);
    const order = await findOrder(number);
    return order
      ? json(order)
      : problemResponse({
          status: 404,
          title: 'There is no such order',
          detail: `No past order has the number ${number}. Nothing was changed.`,
        });
  });
