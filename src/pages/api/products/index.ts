import type { APIRoute } from 'astro';
import { answering, json } from '../../../server/http/problem.ts';
import { listProducts } from '../../../server/products/product-store.ts';

export const GET: APIRoute = () => answering(async () => json({ products: await listProducts() }));
