import policySchema from '../../core/policy/schema/policy.schema.json' with { type: 'json' };
import { patchSchema } from '../draft/draft-requests.ts';
import { productDeliveryChangeSchema } from '../products/product-requests.ts';
import { quoteRequestSchema } from '../quote/quote.ts';
import { headingRequestSchema, importRequestSchema, mappingSchema } from '../imports/import-requests.ts';
import { carrierTestSchema } from '../carriers/carrier-schema.ts';
import { modeSchema } from '../stand-ins/mode-request.ts';
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
const ifMatch = {
  name: 'If-Match',
  in: 'header',
  required: true,
  description: 'the ETag of the draft that was seen',
  schema: string,
};
const number = { name: 'number', in: 'path', required: true, schema: { type: 'integer', minimum: 1 } };

const importId = { name: 'id', in: 'path', required: true, schema: { type: 'integer', minimum: 1 } };
const market = { name: 'market', in: 'query', required: true, schema: string };
const query = (name: string, schema: object, required = false) => ({ name, in: 'query', required, schema });

const ratesAdded = { added: integer, changed: integer, same: integer };
const standIn = { name: 'name', in: 'path', required: true, schema: string };
const standInMode = object({ mode: string, modes: { type: 'array', items: string } });
const draftOrChanges = { oneOf: [ref('Draft'), ref('DraftChanges')] };
const prefer = {
  name: 'Prefer',
  in: 'header',
  description: '`return=minimal` answers with what has changed since If-Match (RFC 7240)',
  schema: string,
};

const editAnswers = {
  200: answer('the draft after the edit, or what has changed in it', draftOrChanges),
  400: problem('not JSON, or If-Match is malformed'),
  403: problem('sent by another site'),
  412: problem('the draft has moved on; the newer one is in `draft`'),
  422: problem('the edit is malformed or the draft would not be valid'),
  428: problem('If-Match is missing'),
  503: problem('the database cannot be reached'),
};

/** OpenAPI 3.1 of everything Summant answers. The tests validate answers against it. */
const state = { enum: ['invite', 'progress', 'nearly', 'reached', 'onward', 'missedOut'] };
const totals = object({
  goods: minor,
  goodsReward: minor,
  delivery: minor,
  tax: minor,
  toPay: minor,
  taxes: { description: 'by rate, a decimal percentage', type: 'array', items: object({ rate: string, tax: minor }) },
});

export const openApiDocument = {
  openapi: '3.1.0',
  info: {
    title: 'Summant',
    version: '1',
    description:
      'Delivery prices and spend goals of a store. The shop calls `POST /api/quote`; the rest is for Summant’s own pages.',
  },
  paths: {
    '/api/quote': {
      post: {
        summary: 'What a cart is offered and told under the current release',
        requestBody: { required: true, ...content(ref('QuoteRequest')) },
        responses: {
          200: answer('the quote', ref('Quote')),
          400: problem('not JSON'),
          409: problem('nothing has been released yet'),
          413: problem('too large'),
          415: problem('not JSON by its content type'),
          422: problem('malformed, or products are unknown'),
          503: problem('the database cannot be reached'),
        },
      },
    },
    '/api/draft': {
      get: {
        summary: 'The draft',
        parameters: [
          query('since', {
            type: 'integer',
            description: 'the revision that is known: answers with what has changed since',
          }),
        ],
        responses: {
          200: answer('the draft; its ETag goes into If-Match', draftOrChanges),
          304: { description: 'unchanged' },
          409: problem('what is stored needs to be repaired'),
          503: problem('the database cannot be reached'),
        },
      },
      patch: {
        summary: 'Edits the draft by a JSON Patch (RFC 6902)',
        parameters: [ifMatch, prefer],
        requestBody: { required: true, ...content(ref('Patch'), 'application/json-patch+json') },
        responses: { ...editAnswers, 413: problem('too large'), 415: problem('not a JSON Patch by its content type') },
      },
    },
    '/api/draft/policy': {
      get: {
        summary: 'A state of the draft, which never changes',
        parameters: [query('revision', integer, true), query('stamp', string, true)],
        responses: { 200: answer('the policy', ref('Policy')), 422: problem('the state is not said completely') },
      },
    },
    '/api/draft/history': {
      get: {
        summary: 'The edits of an offer and its texts, newest first',
        parameters: [query('offer', string, true), query('language', string)],
        responses: {
          200: answer(
            'edits with what each changed, amounts in the language asked for; incomplete where there were more',
            object({
              complete: { type: 'boolean' },
              edits: {
                type: 'array',
                items: object({
                  revision: integer,
                  kind: { enum: ['found', 'edit', 'undo', 'redo'] },
                  state: { enum: ['done', 'undone', 'dropped'] },
                  label: string,
                  madeBy: string,
                  madeAt: string,
                  changes: {
                    type: 'array',
                    items: object({
                      path: string,
                      place: string,
                      subject: string,
                      before: nullable(string),
                      after: nullable(string),
                    }),
                  },
                }),
              },
            }),
          ),
          422: problem('no offer is named'),
          503: problem('the database cannot be reached'),
        },
      },
    },
    '/api/draft/undo': {
      post: { summary: 'Takes the newest edit back', parameters: [ifMatch, prefer], responses: editAnswers },
    },
    '/api/draft/redo': {
      post: { summary: 'Does the last undone edit again', parameters: [ifMatch, prefer], responses: editAnswers },
    },
    '/api/draft/repair': {
      post: {
        summary: 'Goes back to the newest valid state where what is stored is not a policy',
        responses: {
          200: answer('what was done', object({ repaired: { type: 'boolean' }, backTo: nullable(integer) })),
        },
      },
    },
    '/api/releases': {
      get: {
        summary: 'Releases, newest first',
        responses: { 200: answer('the list', object({ releases: { type: 'array', items: ref('ReleaseSummary') } })) },
      },
      post: {
        summary: 'Makes the draft the next release',
        parameters: [ifMatch],
        requestBody: { required: true, ...content(ref('ReleaseRequest')) },
        responses: {
          201: answer('released', ref('ReleaseSummary')),
          412: problem('the draft has moved on'),
          422: problem('malformed'),
        },
      },
    },
    '/api/releases/{number}': {
      get: {
        summary: 'One release with its policy',
        parameters: [number],
        responses: { 200: answer('the release', ref('Release')), 404: problem('no such release') },
      },
    },
    '/api/releases/{number}/roll-back': {
      post: {
        summary: 'Makes a new release of an old copy',
        parameters: [number],
        requestBody: { required: true, ...content(ref('ReleaseRequest')) },
        responses: { 201: answer('released', ref('ReleaseSummary')), 404: problem('no such release') },
      },
    },
    '/api/products': {
      get: {
        summary: 'The catalogue',
        responses: {
          200: answer('products by SKU', object({ products: { type: 'array', items: { type: 'object' } } })),
        },
      },
    },
    '/api/products/{id}': {
      patch: {
        summary: 'Changes what bears on a product’s delivery; it holds for shoppers at once',
        parameters: [{ name: 'id', in: 'path', required: true, schema: string }],
        requestBody: { required: true, ...content(bare(productDeliveryChangeSchema)) },
        responses: {
          200: answer('the product after the change', object({ product: { type: 'object' } })),
          404: problem('no such product'),
          409: problem('the field has been changed meanwhile; the product is in `product`'),
          422: problem('malformed'),
          503: problem('the database cannot be reached'),
        },
      },
    },
    '/api/orders/values': {
      get: {
        summary: 'How order values are distributed in a market',
        parameters: [market],
        responses: {
          200: answer(
            'distinct values, as steps, with the number of orders of each',
            object({
              currency: nullable(string),
              orders: integer,
              valueSteps: { type: 'array', items: integer },
              counts: { type: 'array', items: integer },
            }),
          ),
          404: problem('no such market'),
        },
      },
    },
    '/api/orders/columns': {
      get: {
        summary: 'All orders of a market, packed into columns month by month (src/core/orders/columns.ts)',
        parameters: [market],
        responses: {
          200: {
            description: 'the length of a JSON heading in 32 bits, the heading, and the bytes of each month',
            content: { 'application/octet-stream': {} },
          },
          404: problem('no such market'),
        },
      },
    },
    '/api/orders/group': {
      get: {
        summary: 'What the orders in a stretch of values hold',
        parameters: [
          market,
          ...['fromValue', 'toValue', 'fromDay', 'toDay'].map((name) => query(name, integer, true)),
          query('shopper', { enum: ['all', 'new', 'returning'] }),
          query('option', string),
          query('delivery', { enum: ['all', 'paid', 'free'] }),
        ],
        responses: {
          200: answer(
            'products, and pairs bought together more often than by chance',
            object({
              baskets: integer,
              mostBaskets: integer,
              products: { type: 'array', items: object({ sku: string, orders: integer }) },
              pairs: {
                type: 'array',
                items: object({
                  skus: { type: 'array', items: string, minItems: 2, maxItems: 2 },
                  orders: integer,
                  times: { type: 'number' },
                }),
              },
            }),
          ),
          404: problem('no such market'),
          422: problem('the group is not said completely'),
        },
      },
    },
    '/api/orders/order': {
      get: {
        summary: 'One past order by the number the shop gave it',
        parameters: [query('number', string, true)],
        responses: {
          200: answer(
            'the order, amounts in minor units of its currency',
            object({
              number: string,
              placedAt: { type: 'string', format: 'date-time' },
              market: string,
              country: string,
              region: string,
              postcode: string,
              currency: string,
              goods: minor,
              delivery: nullable(minor),
              option: string,
              code: string,
              returning: nullable({ type: 'boolean' }),
              lines: { type: 'array', items: object({ sku: string, quantity: integer }) },
            }),
          ),
          404: problem('no order has that number'),
          422: problem('no number is given'),
        },
      },
    },
    '/api/imports': {
      get: {
        summary: 'Imports, newest first',
        responses: { 200: answer('the list', object({ imports: { type: 'array', items: ref('Import') } })) },
      },
      post: {
        summary: 'Announces a file of orders or products and how it is to be read',
        requestBody: { required: true, ...content(ref('ImportRequest')) },
        responses: {
          201: answer('its file can be sent', ref('Import')),
          422: problem('malformed, or the file cannot be read like this'),
        },
      },
    },
    '/api/imports/remembered': {
      post: {
        summary: 'How a file with this heading was read the last time',
        requestBody: { required: true, ...content(headingRequestSchema) },
        responses: {
          200: answer('null for a heading not seen before', object({ mapping: nullable(mappingSchema) })),
          422: problem('malformed'),
        },
      },
    },
    '/api/imports/{id}': {
      get: {
        summary: 'How far an import has come',
        parameters: [importId],
        responses: { 200: answer('the import', ref('Import')), 404: problem('no such import') },
      },
    },
    '/api/imports/{id}/file': {
      put: {
        summary: 'The file, read as it comes in; answers once it has been read and compared with what is there',
        parameters: [importId],
        requestBody: { required: true, content: { 'text/csv': {}, 'application/octet-stream': {} } },
        responses: {
          200: answer('what importing it would do', ref('Import')),
          404: problem('no such import'),
          409: problem('read already, or stopped'),
          429: problem('four files are being read; send it again in a moment'),
          503: problem('the database cannot be reached'),
        },
      },
    },
    '/api/imports/{id}/apply': {
      post: {
        summary: 'Takes a checked file over',
        parameters: [importId],
        responses: {
          202: answer('begun', ref('Import')),
          404: problem('no such import'),
          409: problem('not checked, or taken over already'),
        },
      },
    },
    '/api/imports/{id}/cancel': {
      post: {
        summary: 'Stops an import; what was taken over is taken back',
        parameters: [importId],
        responses: {
          202: answer('stopping', ref('Import')),
          404: problem('no such import'),
          409: problem('it has ended'),
        },
      },
    },
    '/api/imports/{id}/rejected.csv': {
      get: {
        summary: 'Rows that could not be taken, with line, column and reason',
        parameters: [importId],
        responses: { 200: { description: 'CSV', content: { 'text/csv': {} } }, 404: problem('no such import') },
      },
    },
    '/api/rates': {
      get: {
        summary: 'Rates day by day, as far as they are known',
        responses: {
          200: answer(
            'currency → days, the oldest first',
            object({
              rates: {
                type: 'object',
                additionalProperties: { type: 'array', items: object({ day: string, rate: string }) },
              },
              feed: string,
            }),
          ),
        },
      },
    },
    '/api/rates/fetch': {
      post: {
        summary: 'Takes what the rate feed has; adopts nothing',
        responses: {
          200: answer('what it brought', object({ ...ratesAdded, newest: nullable(string) })),
          502: problem('the feed cannot be read'),
        },
      },
    },
    '/api/rates/import': {
      post: {
        summary: 'Takes rates in the layout of the European Central Bank’s history; adopts nothing',
        parameters: [query('dryRun', { enum: ['yes', 'no'] })],
        requestBody: { required: true, content: { 'text/csv': {} } },
        responses: {
          200: answer(
            'what it brought or would bring',
            object({
              ...ratesAdded,
              dryRun: { type: 'boolean' },
              currencies: { type: 'array', items: string },
              firstDay: nullable(string),
              lastDay: nullable(string),
              rejected: { type: 'array', items: object({ line: integer, column: string, reason: string }) },
            }),
          ),
          413: problem('too large'),
          422: problem('no rates in it, or the store’s base is not the euro'),
        },
      },
    },
    '/api/regions': {
      get: {
        summary: 'Regions of a country by ISO 3166-2',
        parameters: [query('country', string, true)],
        responses: {
          200: answer('by name', object({ regions: { type: 'array', items: object({ code: string, name: string }) } })),
          422: problem('not a country’s code'),
        },
      },
    },
    '/api/stand-ins/{name}': {
      get: {
        summary: 'How a simulated outside service behaves',
        parameters: [standIn],
        responses: { 200: answer('its mode', standInMode), 404: problem('no such stand-in') },
      },
      put: {
        summary: 'Makes it behave otherwise',
        parameters: [standIn],
        requestBody: { required: true, ...content(bare(modeSchema)) },
        responses: {
          200: answer('its mode', standInMode),
          404: problem('no such stand-in'),
          422: problem('it cannot do that'),
        },
      },
    },
    '/api/carriers/test': {
      post: {
        summary: 'Asks a carrier as a quote would, and tells all of it',
        requestBody: { required: true, ...content(bare(carrierTestSchema)) },
        responses: {
          200: answer(
            'request, answer and what they come to',
            object({
              request: { type: 'object' },
              answer: nullable(string),
              quote: nullable(minor),
              problem: nullable(string),
              took: integer,
            }),
          ),
          422: problem('malformed, or no such market'),
        },
      },
    },
    '/api/demo': {
      post: {
        summary: 'Loads the demo store into an empty installation',
        responses: {
          201: answer('loaded', object({ loaded: { const: true } })),
          409: problem('the store is not empty'),
        },
      },
    },
    '/healthz': {
      get: {
        summary: 'The process answers',
        responses: {
          200: answer(
            'it does',
            object({ status: { const: 'ok' }, carriers: object({ asked: integer, silent: integer }) }),
          ),
        },
      },
    },
    '/readyz': {
      get: {
        summary: 'Database and schema are ready',
        responses: {
          200: answer('they are', object({ status: { const: 'ok' }, database: { const: 'ok' }, migrations: integer })),
          503: problem('they are not'),
        },
      },
    },
  },
  components: {
    schemas: {
      ImportRequest: importRequestSchema,
      Import: object(
        {
          id: integer,
          kind: { enum: ['orders', 'products'] },
          fileName: string,
          fileBytes: integer,
          state: { enum: ['reading', 'checked', 'applying', 'takingBack', 'done', 'cancelled', 'failed'] },
          bytesRead: integer,
          rowsRead: integer,
          staged: { type: 'integer', description: 'orders or products that stand ready' },
          fresh: integer,
          changed: integer,
          same: integer,
          rejected: { type: 'integer', description: 'rows' },
          rounded: { type: 'integer', description: 'amounts with more decimals than their currency' },
          applied: integer,
          problem: string,
          madeAt: string,
          rejections: {
            description: 'the first of the rejected rows',
            type: 'array',
            items: object({ line: integer, column: string, reason: string }),
          },
        },
        ['rejections'],
      ),
      Problem: {
        type: 'object',
        required: ['type', 'title', 'status', 'detail'],
        properties: {
          type: string,
          title: string,
          status: integer,
          detail: string,
          fields: { type: 'array', items: object({ pointer: string, message: string }) },
          draft: draftOrChanges,
        },
      },
      Policy: { type: 'object', description: `JSON Schema ${policySchema.$id}` },
      Draft: object({ revision: integer, policy: ref('Policy'), canUndo: nullable(string), canRedo: nullable(string) }),
      DraftChanges: object({
        revision: integer,
        canUndo: nullable(string),
        canRedo: nullable(string),
        since: object({ revision: integer, patch: { type: 'array', items: { type: 'object' } } }),
      }),
      Patch: bare(patchSchema),
      QuoteRequest: bare(quoteRequestSchema),
      ReleaseRequest: bare(releaseSchema),
      ReleaseSummary: object({
        number: integer,
        note: string,
        copyOf: nullable(integer),
        releasedBy: string,
        releasedAt: { type: 'string', format: 'date-time' },
      }),
      Release: object({
        number: integer,
        note: string,
        copyOf: nullable(integer),
        releasedBy: string,
        releasedAt: { type: 'string', format: 'date-time' },
        policy: ref('Policy'),
      }),
      Quote: object({
        release: integer,
        market: nullable(string),
        zone: nullable(string),
        currency: nullable(string),
        pricesIncludeTax: nullable({ type: 'boolean' }),
        lines: {
          description: 'as priced; those of one product are one',
          type: 'array',
          items: object({
            product: string,
            sku: string,
            quantity: integer,
            unitPrice: minor,
            value: minor,
            afterDiscounts: minor,
            afterRewards: minor,
            taxRate: string,
            tax: minor,
          }),
        },
        goodsValue: nullable(minor),
        options: {
          type: 'array',
          items: object({
            id: string,
            kind: { enum: ['parcel', 'localDelivery', 'pickUp'] },
            label: string,
            description: nullable(string),
            place: nullable(
              object({
                id: string,
                name: string,
                address: object({ street: string, postcode: string, town: string, country: string }),
                coordinates: nullable({ type: 'object' }),
                hours: nullable({ type: 'object', description: 'weekday (1 Monday to 7 Sunday) → open from and to' }),
                instructions: nullable(string),
              }),
            ),
            priceBefore: minor,
            priceAfter: minor,
            tax: minor,
            estimate: object({
              unit: { enum: ['workingDays', 'hours'] },
              min: integer,
              max: integer,
              leaves: string,
              earliest: string,
              latest: string,
            }),
            totals,
            setBy: { type: 'array', items: object({ offer: string, goal: string }) },
          }),
        },
        unavailable: {
          type: 'array',
          items: object({
            id: string,
            reason: { enum: ['otherChannel', 'notNow', 'conditionNotMet', 'noLineApplies', 'carrierSilent'] },
            label: string,
            shown: { type: 'boolean', description: 'whether shoppers are to see that it exists' },
            text: nullable(string),
          }),
        },
        noOptions: nullable({
          enum: ['noMarket', 'noZone', 'goodsBarred', 'nothingToDeliver', 'zoneWithoutOptions', 'noneApplies'],
        }),
        outOfArea: nullable(string),
        preselected: nullable(string),
        earlier: nullable({
          type: 'object',
          description: 'what became of the earlier choice',
          required: ['optionId', 'still', 'was'],
          properties: {
            optionId: string,
            still: { enum: ['same', 'cheaper', 'dearer', 'gone'] },
            was: minor,
            now: minor,
            because: string,
          },
        }),
        totals: nullable(totals),
        goals: {
          type: 'array',
          items: object({
            offer: string,
            status: { enum: ['inForce', 'notYet', 'over', 'notForShopper', 'usedUp', 'needsCode'] },
            goal: string,
            measure: { enum: ['value', 'items', 'weight'] },
            target: nullable({
              type: 'integer',
              description: 'minor units, pieces or grams; null: a code alone reaches it',
            }),
            counted: integer,
            remaining: nullable({ type: 'integer', description: 'null when no promise can be made' }),
            remainingAtBest: nullable({
              type: 'integer',
              description:
                'what is enough for goods that the discounts on certain goods treat best; null where all are treated alike',
            }),
            percent: integer,
            reached: { type: 'boolean', description: 'only while the offer is in force' },
            byCode: { type: 'boolean' },
          }),
        },
        gifts: { type: 'array', items: object({ offer: string, goal: string, product: string, quantity: integer }) },
        carriersSilent: {
          description: 'carriers that were asked and gave no quote: prices that wait for them are their fallback',
          type: 'array',
          items: string,
        },
        goodsRewards: {
          description: 'which offers took something off the goods',
          type: 'array',
          items: object({ offer: string, goal: string }),
        },
        messages: {
          type: 'array',
          items: object({
            place: string,
            text: string,
            language: string,
            state,
            offer: string,
            goal: string,
            percent: integer,
            deadline: nullable({ type: 'string', format: 'date-time' }),
          }),
        },
        lead: nullable(object({ offer: string, goal: string, state })),
        percent: nullable(integer),
        deadline: nullable({
          type: 'string',
          format: 'date-time',
          description: 'the first minute after the offer that leads',
        }),
        look: object(
          {
            style: { enum: ['filled', 'ruled', 'label'] },
            colours: object({ ground: string, ink: string, bar: string }),
            position: { enum: ['top', 'bottom'] },
            closable: { type: 'boolean' },
            countdownWithin: integer,
            silentIn: { type: 'object' },
          },
          ['countdownWithin', 'silentIn'],
        ),
      }),
    },
  },
};
