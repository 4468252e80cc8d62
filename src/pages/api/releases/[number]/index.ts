import { endpoint, reply } from '../../../../server/http/endpoint.ts';
import { noSuchRelease, releaseNumberOf } from '../../../../server/releases/release-number.ts';
import { readRelease } from '../../../../server/releases/release-store.ts';

/** One immutable release with its whole policy. */
export const GET = endpoint('GET /api/releases/{number}', async ({ params: { number } }) => {
  const release = await readRelease(releaseNumberOf(number));
  return release ? reply(release, { 'cache-control': 'private, max-age=31536000, immutable' }) : noSuchRelease;
});
