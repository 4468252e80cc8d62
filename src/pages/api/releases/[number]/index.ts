import type { APIRoute } from 'astro';
import { answering, json, problemResponse } from '../../../../server/http/problem.ts';
import { noSuchRelease, releaseNumberOf } from '../../../../server/releases/release-number.ts';
import { readRelease } from '../../../../server/releases/release-store.ts';

/** One immutable release with its whole policy. */
export const GET: APIRoute = ({ params }) =>
  answering(async () => {
    const release = await readRelease(releaseNumberOf(params.number));
    return release
      ? json(release, { headers: { 'cache-control': 'private, max-age=31536000, immutable' } })
      : problemResponse(noSuchRelease);
  });
