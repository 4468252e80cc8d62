import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { list, object, text } from '../shape.ts';
import { ProductDeliveryChangeShape, ProductShape } from '../shapes/product.ts';

export const productCalls = defineCalls({
  'GET /api/products': {
    needs: 'look',
    summary: 'The catalogue',
    answers: { 200: answer('products by SKU', object({ products: list(ProductShape) })), 503: databaseAway },
  },
  'PATCH /api/products/{id}': {
    needs: 'edit',
    summary: 'Changes what bears on a product’s delivery; it holds for shoppers at once',
    params: { id: text },
    body: { schema: ProductDeliveryChangeShape, most: 4096 },
    answers: {
      200: answer('the product after the change', object({ product: ProductShape })),
      ...writeRefused,
      404: problem('no such product'),
      409: problem('the field has been changed meanwhile; the product is in `product`'),
      422: problem('malformed'),
    },
  },
});
