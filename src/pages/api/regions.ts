import type { APIRoute } from 'astro';
import { answering, json } from '../../server/http/problem.ts';
import { bodySchema, readQuery } from '../../server/http/read-request.ts';
import { regionsOf } from '../../server/places/regions.ts';

const validate = bodySchema<{ country: string }>({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'object',
  additionalProperties: false,
  required: ['country'],
  properties: { country: { type: 'string', pattern: '^[A-Z]{2}$' } },
});

/** Regions of a country by ISO 3166-2: `?country=NL`. */
export const GET: APIRoute = ({ url }) =>
  answering(() => Promise.resolve(json({ regions: regionsOf(readQuery(url, validate).country) })));
