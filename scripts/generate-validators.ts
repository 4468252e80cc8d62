// Writes the checks that run in the browser, as Ajv's standalone code: no compiler, no eval, no schema travels there. A unit
// test fails when what is written and the schema drift apart.
import { writeFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { Ajv2020 } from 'ajv/dist/2020.js';
import standaloneCode from 'ajv/dist/standalone/index.js';
import { build } from 'esbuild';
import { schemaDefinitions } from '../src/core/schema/definitions.ts';
import { schemaSettings } from '../src/core/schema/settings.ts';
import { testCartsSchema } from '../src/core/test-carts/test-carts-schema.ts';

export const validatorsFile = new URL('../src/core/test-carts/valid-test-carts.generated.js', import.meta.url);

export async function validators(): Promise<string> {
  const ajv = new Ajv2020({ ...schemaSettings, allErrors: false, code: { source: true, esm: true } });
  const validate = ajv.compile({ ...testCartsSchema, $defs: schemaDefinitions(['id', 'testCart']) });
  const code = (standaloneCode as unknown as { default: typeof standaloneCode }).default(ajv, validate);
  const {
    outputFiles: [file],
  } = await build({
    stdin: { contents: code, resolveDir: fileURLToPath(new URL('..', import.meta.url)) },
    bundle: true,
    minify: true,
    format: 'esm',
    write: false,
    banner: { js: '// Generated from the schema by `npm run types`. Do not edit.' },
  });
  return file!.text;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await writeFile(validatorsFile, await validators());
