import type { APIRoute } from 'astro';
import { answering } from '../../../server/http/problem.ts';
import { readText } from '../../../server/http/read-request.ts';
import { byStandInProvider, standInIssuer } from '../../../server/stand-ins/provider/answering.ts';
import { exchanged } from '../../../server/stand-ins/provider/tokens.ts';

export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const asked = new URLSearchParams(await readText(request, 16 * 1024));
    return byStandInProvider((wrong) => exchanged(asked, standInIssuer(), wrong));
  });
