import { readDraft } from '../../server/draft/draft-store.ts';
import { endpoint } from '../../server/http/endpoint.ts';
import { wholeCatalogue } from '../../server/products/products-known.ts';
import { askedOf } from '../../server/published/asked-of.ts';
import { fileNamed, noSuchFile, streamed } from '../../server/published/generated-response.ts';
import { currentState } from '../../server/current-state.ts';

/** A generated file as it would be if the draft were released now. */
export const GET = endpoint('GET /api/generated', async ({ query: { market = '', language = '', file } }) => {
  const [{ policy }, { catalogue }] = await Promise.all([readDraft(), currentState()]);
  const asked = askedOf(policy, await wholeCatalogue(catalogue), Date.now());
  const named = fileNamed(asked, { market, language, file });
  if (!named) return noSuchFile;
  return new Response(streamed(named.make(asked, market, language)), {
    headers: { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' },
  });
});
