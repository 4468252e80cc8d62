import type { APIRoute } from 'astro';
import { answering, json, problemResponse } from '../../../server/http/problem.ts';
import { readBody } from '../../../server/http/read-request.ts';
import { changeProductDelivery } from '../../../server/products/change-delivery.ts';
import { validateProductDeliveryChange } from '../../../server/products/product-requests.ts';

/** Changes what bears on a product's delivery; it holds for shoppers at once. */
export const PATCH: APIRoute = ({ request, params }) =>
  answering(async () => {
    const result = await changeProductDelivery(
      params.id ?? '',
      await readBody(request, validateProductDeliveryChange, 4096),
    );
    if (!result)
      return problemResponse({
        status: 404,
        title: 'There is no such product',
        detail: 'It may have been taken out by an import. Nothing was changed.',
      });
    if (!result.made)
      return problemResponse({
        status: 409,
        title: `${result.product.name} has been changed meanwhile`,
        detail: 'Nothing was changed. It is shown as it is now.',
        more: { product: result.product },
      });
    return json({ product: result.product });
  });
