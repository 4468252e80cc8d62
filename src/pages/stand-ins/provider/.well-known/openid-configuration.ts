import type { APIRoute } from 'astro';
import { answering } from '../../../../server/http/problem.ts';
import { byStandInProvider, standInIssuer } from '../../../../server/stand-ins/provider/answering.ts';
import { metadata } from '../../../../server/stand-ins/provider/tokens.ts';

export const GET: APIRoute = () => answering(() => byStandInProvider(() => metadata(standInIssuer())));
