import type { APIRoute } from 'astro';
import { offerHistory } from '../../../server/draft/draft-history.ts';
import { validateHistoryQuery } from '../../../server/draft/draft-requests.ts';
import { answering, json } from '../../../server/http/problem.ts';
import { readerLocale } from '../../../server/page-data.ts';
import { readQuery } from '../../../server/http/read-request.ts';

/** The edits of an offer, newest first: `?offer=free-delivery`. */
export const GET: APIRoute = ({ url }) =>
  answering(async () => {
    const { offer, language } = readQuery(url, validateHistoryQuery);
    return json(await offerHistory(offer, readerLocale(language ?? null)));
  });
