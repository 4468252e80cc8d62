import { offerHistory } from '../../../server/draft/draft-history.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';
import { readerLocale } from '../../../server/page-data.ts';

/** The edits of an offer, newest first: `?offer=free-delivery`. */
export const GET = endpoint('GET /api/draft/history', async ({ query: { offer, language } }) =>
  reply(await offerHistory(offer, readerLocale(language ?? null))),
);
