import type { APIRoute } from 'astro';
import { figures } from '../server/carriers/quotes-for.ts';
import { json } from '../server/http/problem.ts';

/** The process answers, and what it has counted since it began. */
export const GET: APIRoute = () => json({ status: 'ok', carriers: figures });
