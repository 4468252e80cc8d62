import type { APIRoute } from 'astro';
import { answering } from '../../../server/http/problem.ts';
import { byStandInProvider } from '../../../server/stand-ins/provider/answering.ts';
import { keySet } from '../../../server/stand-ins/provider/tokens.ts';

export const GET: APIRoute = () => answering(() => byStandInProvider(keySet));
