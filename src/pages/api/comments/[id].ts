import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { setCommentDone } from '../../../server/together/comment-store.ts';

export const PUT = endpoint('PUT /api/comments/{id}', async ({ params: { id }, body: { done }, person }) => {
  const changed = await setCommentDone(id, done, person.name);
  return changed
    ? reply(changed)
    : { status: 404, title: 'There is no such comment', detail: 'Nothing was changed. Open the comments again.' };
});
