import { readFileSync } from 'node:fs';
import { Validator } from '@seriousme/openapi-schema-validator';
import { expect, test } from 'vitest';
import { shopClientTypes } from '../../scripts/generate-shop-client.ts';
import { openApiDocument } from '../../src/contract/openapi.ts';

/** As it is sent. */
const document = JSON.parse(JSON.stringify(openApiDocument)) as Record<string, unknown>;

// The OpenAPI Initiative's schema of documents of version 3.1, as the validator ships it.
test('the document is OpenAPI 3.1, by a validator of its own, with every reference leading somewhere', async () => {
  const validator = new Validator();
  const { valid, errors } = await validator.validate(structuredClone(document));
  expect(errors ?? []).toEqual([]);
  expect([valid, validator.version]).toEqual([true, '3.1']);
  const places = [...JSON.stringify(document).matchAll(/"\$ref":"#\/([^"]+)"/g)].map((one) => one[1]!);
  expect(places.length).toBeGreaterThan(100);
  const lost = places.filter(
    (place) =>
      place.split('/').reduce<unknown>((at, step) => (at as Record<string, unknown> | undefined)?.[step], document) ===
      undefined,
  );
  expect(lost).toEqual([]);
});

test('the demo shop’s client is what the document makes of it', async () => {
  expect(readFileSync('shop/summant.generated.ts', 'utf8')).toBe(await shopClientTypes());
});
