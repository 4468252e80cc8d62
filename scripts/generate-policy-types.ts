// Writes src/core/policy/types.generated.ts from the JSON Schema; a unit test fails when the two drift apart.
import { readFile, writeFile } from 'node:fs/promises';
import { compile, type JSONSchema } from 'json-schema-to-typescript';

const schemaFile = new URL('../src/core/policy/schema/policy.schema.json', import.meta.url);
export const typesFile = new URL('../src/core/policy/types.generated.ts', import.meta.url);

export async function policyTypes(): Promise<string> {
  const schema = JSON.parse(await readFile(schemaFile, 'utf8')) as JSONSchema;
  return compile(schema, 'Policy', {
    bannerComment: '// Generated from schema/policy.schema.json by `npm run types`. Do not edit.',
    additionalProperties: false,
    ignoreMinAndMaxItems: true,
    style: { singleQuote: true, printWidth: 120 },
  });
}

if (process.argv[1] === new URL(import.meta.url).pathname) await writeFile(typesFile, await policyTypes());
