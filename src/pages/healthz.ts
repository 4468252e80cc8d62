import type { APIRoute } from 'astro';
import { json } from '../server/http/problem.ts';

/** The process answers. */
export const GET: APIRoute = () => json({ status: 'ok' });
