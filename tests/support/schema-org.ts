import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import vocabulary from '../published/schema-org-shipping.json' with { type: 'json' };

/** A type of schema.org: its properties, with the types and values each may have. */
interface VocabularyType {
  extends: string[];
  properties: Record<string, string[]>;
}

/** What shipping needs of schema.org’s vocabulary, as it is kept beside the tests with its source. */
export const shippingVocabulary: Readonly<Record<string, VocabularyType>> = vocabulary.types;
const typeNamed = (name: string): VocabularyType | null =>
  Object.hasOwn(shippingVocabulary, name) ? shippingVocabulary[name]! : null;

/**
 * The same as the npm package `schema-dts` has it, which is generated from the vocabulary that schema.org publishes.
 */
export function packagedVocabulary(): (name: string) => VocabularyType | null {
  const file = createRequire(import.meta.url)
    .resolve('schema-dts/package.json')
    .replace('package.json', 'dist/schema.d.ts');
  const text = readFileSync(file, 'utf8');
  return (name) => {
    const found = new RegExp(`^interface ${name}Base extends ([^{]+)\\{\\n([\\s\\S]*?)\\n\\}`, 'm').exec(text);
    if (!found) return null;
    const properties: VocabularyType['properties'] = {};
    for (const [, property, ranges] of found[2]!.matchAll(/^ +"(\w+)"\?: SchemaValue<([^,]+),/gm))
      properties[property!] = ranges!.split('|').map((range) => range.trim());
    return { extends: [...found[1]!.matchAll(/(\w+)Base/g)].map(([, base]) => base!), properties };
  };
}

/** Everything in data that schema.org’s vocabulary does not know, as sentences. */
export function unknownToSchemaOrg(data: unknown): string[] {
  const rangesOf = (type: string, property: string): readonly string[] | null => {
    const known = typeNamed(type);
    if (!known) return null;
    if (Object.hasOwn(known.properties, property)) return known.properties[property]!;
    return known.extends.map((base) => rangesOf(base, property)).find(Boolean) ?? null;
  };
  const wrong: string[] = [];
  const visit = (node: Record<string, unknown>) => {
    const type = String(node['@type']);
    if (!typeNamed(type)) return void wrong.push(`there is no type ${type}`);
    for (const [property, value] of Object.entries(node)) {
      if (property.startsWith('@')) continue;
      const ranges = rangesOf(type, property);
      if (!ranges) wrong.push(`${type} has no ${property}`);
      else for (const one of Array.isArray(value) ? value : [value]) check(one, ranges, `${type}.${property}`);
    }
  };
  const check = (value: unknown, ranges: readonly string[], at: string) => {
    const among = (...names: string[]) => names.some((name) => ranges.includes(name));
    if (typeof value === 'object' && value !== null) {
      if (!ranges.includes(String((value as { '@type': string })['@type'])))
        wrong.push(`${at} is no ${JSON.stringify(value)}`);
      visit(value as Record<string, unknown>);
    } else if (typeof value === 'number' ? !among('Number', 'Integer', 'Float') : false)
      wrong.push(`${at} is no number`);
    else if (typeof value === 'boolean' && !among('Boolean')) wrong.push(`${at} is no boolean`);
    else if (typeof value === 'string' && !among('Text', 'URL', 'Time', 'Date', 'DateTime', 'DayOfWeek'))
      wrong.push(`${at} is no text`);
  };
  for (const node of (data as { '@graph': Record<string, unknown>[] })['@graph']) visit(node);
  return wrong;
}
