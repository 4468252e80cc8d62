import { accessOf } from '../../server/accounts/person.ts';
import { endpoint } from '../../server/http/endpoint.ts';
import { newsStream } from '../../server/together/news-stream.ts';

export const GET = endpoint('GET /api/news', ({ request, person }) => {
  // Whoever sat at this machine may until somebody has an account.
  const local = person.signedIn === null;
  const may = async () => (await accessOf({ needs: 'look' }, request, local)).refused === null;
  return Promise.resolve(newsStream(may, request.signal));
});
