import { accessOf } from '../../server/accounts/person.ts';
import { endpoint } from '../../server/http/endpoint.ts';
import { listening } from '../../server/together/listeners.ts';
import { newsStream } from '../../server/together/news-stream.ts';

export const GET = endpoint('GET /api/news', async ({ request, person, client }) => {
  const place = listening(person.signedIn?.accountId ?? null, request.signal);
  if (place !== null) return place;
  // Whoever sat at this machine may until somebody has an account.
  const local = person.signedIn === null;
  const may = async () => (await accessOf({ needs: 'look' }, { request, local, client })).refused === null;
  return newsStream(may, request.signal);
});
