import { endpoint } from '../../server/http/endpoint.ts';
import { pictureOf } from '../../server/pictures/picture-store.ts';

/** Served as an image that can run nothing, to the pages of any shop. */
export const GET = endpoint('GET /pictures/{image}', async ({ params }) => {
  const picture = await pictureOf(params.image);
  if (!picture)
    return {
      status: 404,
      title: 'There is no such picture',
      detail: 'Ask for a quote anew: it names the pictures of the current release.',
    };
  return new Response(picture.bytes as Uint8Array<ArrayBuffer>, {
    headers: {
      'content-type': picture.type,
      'cache-control': 'public, max-age=31536000, immutable',
      'cross-origin-resource-policy': 'cross-origin',
    },
  });
});
