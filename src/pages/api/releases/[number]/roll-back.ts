import type { APIRoute } from 'astro';
import { answering, json, problemResponse } from '../../../../server/http/problem.ts';
import { readBody } from '../../../../server/http/read-request.ts';
import { noSuchRelease, releaseNumberOf } from '../../../../server/releases/release-number.ts';
import { maxReleaseBytes, validateRelease } from '../../../../server/releases/release-requests.ts';
import { rollBack } from '../../../../server/releases/release-store.ts';
import { userOf } from '../../../../server/user.ts';

/** A new release of an old copy; the draft stays as it is. */
export const POST: APIRoute = ({ request, params }) =>
  answering(async () => {
    const number = releaseNumberOf(params.number);
    const { note } = await readBody(request, validateRelease, maxReleaseBytes);
    const outcome = await rollBack(number, note, userOf(request));
    return outcome.kind === 'released' ? json(outcome.release, { status: 201 }) : problemResponse(noSuchRelease);
  });
