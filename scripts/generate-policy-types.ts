// Writes src/core/policy/types.generated.ts from the JSON Schema; a unit test fails when the two drift apart.
import { writeFile } from 'node:fs/promises';
import { compile, type JSONSchema } from 'json-schema-to-typescript';
import { policySchema } from '../src/core/schema/policy-schema.ts';

export const typesFile = new URL('../src/core/policy/types.generated.ts', import.meta.url);

export async function policyTypes(): Promise<string> {
  const schema = policySchema() as unknown as JSONSchema;
  return compile(schema, 'Policy', {
    bannerComment: '// Generated from the schema by `npm run types`. Do not edit.',
    additionalProperties: false,
    ignoreMinAndMaxItems: true,
    style: { singleQuote: true, printWidth: 120 },
  });
}

if (process.argv[1] === new URL(import.meta.url).pathname) await writeFile(typesFile, await policyTypes());
