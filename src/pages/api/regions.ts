import { endpoint, reply } from '../../server/http/endpoint.ts';
import { regionsOf } from '../../server/geography/regions.ts';

/** Regions of a country by ISO 3166-2: `?country=NL`. */
export const GET = endpoint('GET /api/regions', ({ query: { country } }) =>
  Promise.resolve(reply({ regions: regionsOf(country) })),
);
