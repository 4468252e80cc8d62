// Makes the types of the demo shop's client from the OpenAPI document, as any shop would.
import { writeFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import openapiTypes, { astToString, type OpenAPI3 } from 'openapi-typescript';
import { openApiDocument } from '../src/contract/openapi.ts';

/** The types of the calls that are a shop's: what it need not know is left out. */
export async function shopClientTypes(): Promise<string> {
  const paths = Object.fromEntries(
    Object.entries(openApiDocument.paths).filter(([, methods]) =>
      Object.values(methods as Record<string, { security?: object[] }>).some(({ security }) =>
        security?.some((way) => 'key' in way),
      ),
    ),
  );
  const document = JSON.parse(JSON.stringify({ ...openApiDocument, paths })) as OpenAPI3;
  const text = astToString(await openapiTypes(document));
  return `// Made by \`npm run types\` from /openapi.json. Not to be edited.\n${text}`;
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  await writeFile(new URL('../shop/summant.generated.ts', import.meta.url), await shopClientTypes());
