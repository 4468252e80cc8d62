import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { facts } from '../../src/core/conditions/registry.ts';
import { schemaSettings } from '../../src/core/schema/settings.ts';
import { QuoteRequestShape } from '../../src/contract/shapes/quote-request.ts';

const sheet = readFileSync(new URL('../../docs/facts.md', import.meta.url), 'utf8');

test('the sheet of facts names every fact once, and no other', () => {
  const named = [...sheet.matchAll(/^\| `([\w.]+)` /gm)].map(([, id]) => id);
  expect(named.toSorted()).toEqual(facts.all.map(({ id }) => id).toSorted());
});

test('its example is a request that is taken', () => {
  const [, example] = /```json\n([\s\S]*?)```/.exec(sheet)!;
  const fits = new Ajv2020(schemaSettings).compile(QuoteRequestShape);
  expect([fits(JSON.parse(example!)), fits.errors]).toEqual([true, null]);
});
