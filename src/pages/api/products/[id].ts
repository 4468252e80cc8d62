import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { changeProductDelivery } from '../../../server/products/change-delivery.ts';

/** Changes what bears on a product's delivery; it holds for shoppers at once. */
export const PATCH = endpoint('PATCH /api/products/{id}', async ({ params: { id }, body }) => {
  const result = await changeProductDelivery(id, body);
  if (!result)
    return {
      status: 404,
      title: 'There is no such product',
      detail: 'It may have been taken out by an import. Nothing was changed.',
    };
  if (!result.made)
    return {
      status: 409,
      title: `${result.product.name} has been changed meanwhile`,
      detail: 'Nothing was changed. It is shown as it is now.',
      product: result.product,
    };
  return reply({ product: result.product });
});
