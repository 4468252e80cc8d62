import { peopleFor } from '../../../server/accounts/people-answers.ts';
import { endpoint, reply } from '../../../server/http/endpoint.ts';

export const GET = endpoint('GET /api/people', async ({ person }) => reply(await peopleFor(person)));
