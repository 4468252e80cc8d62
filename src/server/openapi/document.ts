import policySchema from '../../core/policy/schema/policy.schema.json' with { type: 'json' };
import { patchSchema } from '../draft/patch-schema.ts';
import { quoteRequestSchema } from '../quote/quote.ts';
import { releaseSchema } from '../releases/release-requests.ts';

const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const string = { type: 'string' };
const integer = { type: 'integer' };
const minor = { type: 'integer', description: 'minor units of the currency' };
const nullable = (schema: object) => ({ anyOf: [schema, { type: 'null' }] });
const object = (properties: Record<string, object>, optional: string[] = []) => ({
  type: 'object',
  additionalProperties: false,
  required: Object.keys(properties).filter((name) => !optional.includes(name)),
  properties,
});
const bare = ({ $schema: _, ...schema }: { $schema: string }) => schema;
const content = (schema: object, type = 'application/json') => ({ content: { [type]: { schema } } });
const answer = (description: string, schema: object) => ({ description, ...content(schema) });
const problem = (description: string) => ({ description, ...content(ref('Problem'), 'application/problem+json') });
const ifMatch = { name: 'If-Match', in: 'header', required: true, description: 'the ETag of the draft that was seen', schema: string };
const number = { name: 'number', in: 'path', required: true, schema: { type: 'integer', minimum: 1 } };

const editAnswers = {
  200: answer('the draft after the edit', ref('Draft')),
  400: problem('not JSON, or If-Match is malformed'),
  403: problem('sent by another site'),
  412: problem('the draft has moved on; the newer one is in `draft`'),
  422: problem('the edit is malformed or the draft would not be valid'),
  428: problem('If-Match is missing'),
  503: problem('the database cannot be reached'),
};

/** OpenAPI 3.1 of everything Summant answers. The tests validate answers against it. */
export const openApiDocument = {
  openapi: '3.1.0',
  info: { title: 'Summant', version: '1', description: 'Delivery prices and spend goals of a store. The shop calls `POST /api/quote`; the rest is for Summant’s own pages.' },
  paths: {
    '/api/quote': {
      post: {
        summary: 'What a cart is offered and told under the current release',
        requestBody: { required: true, ...content(ref('QuoteRequest')) },
        responses: { 200: answer('the quote', ref('Quote')), 400: problem('not JSON'), 409: problem('nothing has been released yet'), 413: problem('too large'), 415: problem('not JSON by its content type'), 422: problem('malformed, or products are unknown'), 503: problem('the database cannot be reached') },
      },
    },
    '/api/draft': {
      get: { summary: 'The draft', responses: { 200: answer('the draft; its ETag goes into If-Match', ref('Draft')), 304: { description: 'unchanged' }, 503: problem('the database cannot be reached') } },
      patch: { summary: 'Edits the draft by a JSON Patch (RFC 6902)', parameters: [ifMatch], requestBody: { required: true, ...content(ref('Patch'), 'application/json-patch+json') }, responses: { ...editAnswers, 413: problem('too large'), 415: problem('not a JSON Patch by its content type') } },
    },
    '/api/draft/undo': { post: { summary: 'Takes the newest edit back', parameters: [ifMatch], responses: editAnswers } },
    '/api/draft/redo': { post: { summary: 'Does the last undone edit again', parameters: [ifMatch], responses: editAnswers } },
    '/api/releases': {
      get: { summary: 'Releases, newest first', responses: { 200: answer('the list', object({ releases: { type: 'array', items: ref('ReleaseSummary') } })) } },
      post: { summary: 'Makes the draft the next release', parameters: [ifMatch], requestBody: { required: true, ...content(ref('ReleaseRequest')) }, responses: { 201: answer('released', ref('ReleaseSummary')), 412: problem('the draft has moved on'), 422: problem('malformed') } },
    },
    '/api/releases/{number}': { get: { summary: 'One release with its policy', parameters: [number], responses: { 200: answer('the release', ref('Release')), 404: problem('no such release') } } },
    '/api/releases/{number}/roll-back': { post: { summary: 'Makes a new release of an old copy', parameters: [number], requestBody: { required: true, ...content(ref('ReleaseRequest')) }, responses: { 201: answer('released', ref('ReleaseSummary')), 404: problem('no such release') } } },
    '/api/products': { get: { summary: 'The catalogue', responses: { 200: answer('products by SKU', object({ products: { type: 'array', items: { type: 'object' } } })) } } },
    '/api/orders/values': {
      get: {
        summary: 'How order values are distributed in a market',
        parameters: [{ name: 'market', in: 'query', required: true, schema: string }],
        responses: { 200: answer('distinct values, as steps, with the number of orders of each', object({ currency: nullable(string), orders: integer, valueSteps: { type: 'array', items: integer }, counts: { type: 'array', items: integer } })), 404: problem('no such market') },
      },
    },
    '/api/demo': { post: { summary: 'Loads the demo store into an empty installation', responses: { 201: answer('loaded', object({ loaded: { const: true } })), 409: problem('the store is not empty') } } },
    '/healthz': { get: { summary: 'The process answers', responses: { 200: answer('it does', object({ status: { const: 'ok' } })) } } },
    '/readyz': { get: { summary: 'Database and schema are ready', responses: { 200: answer('they are', object({ status: { const: 'ok' }, database: { const: 'ok' }, migrations: integer })), 503: problem('they are not') } } },
  },
  components: {
    schemas: {
      Problem: {
        type: 'object',
        required: ['type', 'title', 'status', 'detail'],
        properties: { type: string, title: string, status: integer, detail: string, fields: { type: 'array', items: object({ pointer: string, message: string }) }, draft: ref('Draft') },
      },
      Policy: { type: 'object', description: `JSON Schema ${policySchema.$id}` },
      Draft: object({ revision: integer, policy: ref('Policy'), canUndo: nullable(string), canRedo: nullable(string) }),
      Patch: bare(patchSchema),
      QuoteRequest: bare(quoteRequestSchema),
      ReleaseRequest: bare(releaseSchema),
      ReleaseSummary: object({ number: integer, note: string, copyOf: nullable(integer), releasedBy: string, releasedAt: { type: 'string', format: 'date-time' } }),
      Release: object({ number: integer, note: string, copyOf: nullable(integer), releasedBy: string, releasedAt: { type: 'string', format: 'date-time' }, policy: ref('Policy') }),
      Quote: object({
        release: integer,
        market: nullable(string),
        zone: nullable(string),
        currency: nullable(string),
        goodsValue: nullable(minor),
        options: {
          type: 'array',
          items: object({
            id: string,
            kind: { enum: ['parcel', 'localDelivery', 'pickUp'] },
            label: string,
            description: nullable(string),
            priceBefore: minor,
            priceAfter: minor,
            tax: minor,
            estimate: object({ unit: { enum: ['workingDays', 'hours'] }, min: integer, max: integer, leaves: string, earliest: string, latest: string }),
            setBy: { type: 'array', items: object({ offer: string, goal: string }) },
          }),
        },
        unavailable: {
          type: 'array',
          items: object({ id: string, reason: { enum: ['otherChannel', 'notNow', 'conditionNotMet', 'noLineApplies', 'carrierSilent'] }, label: string, text: nullable(string) }),
        },
        noOptions: nullable({ enum: ['noMarket', 'noZone', 'goodsBarred', 'nothingToDeliver', 'zoneWithoutOptions', 'noneApplies'] }),
        outOfArea: nullable(string),
        preselected: nullable(string),
        earlier: nullable({ type: 'object', description: 'what became of the earlier choice', required: ['optionId', 'still', 'was'], properties: { optionId: string, still: { enum: ['same', 'cheaper', 'dearer', 'gone'] }, was: minor, now: minor, because: string } }),
        totals: nullable(object({ goods: minor, goodsReward: minor, delivery: minor, tax: minor, toPay: minor })),
        goals: {
          type: 'array',
          items: object({
            offer: string,
            status: { enum: ['inForce', 'notYet', 'over', 'notForShopper', 'usedUp', 'needsCode'] },
            goal: string,
            measure: { enum: ['value', 'items', 'weight'] },
            target: nullable({ type: 'integer', description: 'minor units, pieces or grams; null: a code alone reaches it' }),
            counted: integer,
            remaining: nullable({ type: 'integer', description: 'null when no promise can be made' }),
            percent: integer,
            reached: { type: 'boolean' },
            byCode: { type: 'boolean' },
          }),
        },
        gifts: { type: 'array', items: object({ offer: string, goal: string, product: string, quantity: integer }) },
        messages: { type: 'array', items: object({ place: string, text: string, language: string, state: { enum: ['invite', 'progress', 'nearly', 'reached', 'onward', 'missedOut'] } }) },
      }),
    },
  },
};
