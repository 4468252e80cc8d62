import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { addComment, commentsOn } from '../../../server/together/comment-store.ts';

export const GET = endpoint('GET /api/comments', async ({ query }) => reply(await commentsOn(query)));

export const POST = endpoint('POST /api/comments', async ({ body, person }) => {
  const made = await addComment(body, person.name);
  if (made) return { status: 201, body: made };
  return {
    status: 409,
    title: 'There are as many comments as are kept',
    detail: 'It was not kept. Copy it, and tell it in another way.',
  };
});
