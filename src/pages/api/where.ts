import { isIP } from 'node:net';
import { endpoint, reply } from '../../server/http/endpoint.ts';
import { currentPolicy } from '../../server/quote/current-policy.ts';
import { notReleased } from '../../server/quote/not-released.ts';
import { standInMode } from '../../server/stand-ins/stand-in-modes.ts';
import { knownAddresses } from '../../server/where/known-addresses.ts';
import { whereOf } from '../../server/where/where.ts';

/** Where somebody probably is, before having said where the goods go. */
export const GET = endpoint('GET /api/where', async ({ query: { address, market }, client }) => {
  const current = await currentPolicy();
  if (!current) return notReleased;
  const wrong = [
    ...(address !== undefined && isIP(address) === 0
      ? [{ pointer: '/address', message: 'is no IPv4 or IPv6 address' }]
      : []),
    ...(market !== undefined && !current.compiled.markets.has(market)
      ? [{ pointer: '/market', message: `there is no market "${market}"` }]
      : []),
  ];
  if (wrong.length > 0)
    return { status: 422, title: 'That cannot be looked up', detail: 'The parts named are wrong.', fields: wrong };
  const asked = address ?? client();
  const works = (await standInMode('where')) === 'works';
  const place = works && asked !== null ? (await knownAddresses())(asked) : null;
  return reply(whereOf(current.compiled, place, asked, market));
});
