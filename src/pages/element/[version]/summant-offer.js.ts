import type { APIRoute } from 'astro';
import { elementFile } from '../../../server/element/element-files.ts';
import { answering, problemResponse } from '../../../server/http/problem.ts';

/** The element in a version of an earlier build; that of the present one is a file of the build. */
export const GET: APIRoute = ({ params }) =>
  answering(async () => {
    const content = await elementFile(params.version ?? '');
    if (!content)
      return problemResponse({
        status: 404,
        title: 'There is no such version of the element',
        detail: '/element/current.json names the one there is.',
      });
    return new Response(new Uint8Array(content), {
      headers: {
        'content-type': 'text/javascript; charset=utf-8',
        'cache-control': 'public, max-age=31536000, immutable',
        'access-control-allow-origin': '*',
        'cross-origin-resource-policy': 'cross-origin',
      },
    });
  });
