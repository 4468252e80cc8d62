import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { listProducts } from '../../../server/products/product-store.ts';

export const GET = endpoint('GET /api/products', async () => reply({ products: await listProducts() }));
