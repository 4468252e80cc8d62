import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

/** A type of schema.org: its properties, with the types and values each may have. */
interface VocabularyType {
  extends: string[];
  properties: Map<string, Set<string>>;
}

/**
 * schema.org’s vocabulary as far as types are asked for. Source: the npm package `schema-dts`, which is generated from the
 * vocabulary that schema.org publishes.
 */
export function schemaOrgTypes(): (name: string) => VocabularyType | null {
  const file = createRequire(import.meta.url)
    .resolve('schema-dts/package.json')
    .replace('package.json', 'dist/schema.d.ts');
  const text = readFileSync(file, 'utf8');
  const known = new Map<string, VocabularyType | null>();
  const read = (name: string): VocabularyType | null => {
    const found = new RegExp(`^interface ${name}Base extends ([^{]+)\\{\\n([\\s\\S]*?)\\n\\}`, 'm').exec(text);
    if (!found) return null;
    const properties = new Map<string, Set<string>>();
    for (const [, property, ranges] of found[2]!.matchAll(/^ +"(\w+)"\?: SchemaValue<([^,]+),/gm))
      properties.set(property!, new Set(ranges!.split('|').map((range) => range.trim())));
    return { extends: [...found[1]!.matchAll(/(\w+)Base/g)].map(([, base]) => base!), properties };
  };
  return (name) => {
    if (!known.has(name)) known.set(name, read(name));
    return known.get(name)!;
  };
}

/** Everything in data that schema.org’s vocabulary does not know, as sentences. */
export function unknownToSchemaOrg(data: unknown): string[] {
  const types = schemaOrgTypes();
  const rangesOf = (type: string, property: string): Set<string> | null => {
    const known = types(type);
    if (!known) return null;
    return (
      known.properties.get(property) ?? known.extends.map((base) => rangesOf(base, property)).find(Boolean) ?? null
    );
  };
  const wrong: string[] = [];
  const visit = (node: Record<string, unknown>) => {
    const type = String(node['@type']);
    if (!types(type)) return void wrong.push(`there is no type ${type}`);
    for (const [property, value] of Object.entries(node)) {
      if (property.startsWith('@')) continue;
      const ranges = rangesOf(type, property);
      if (!ranges) wrong.push(`${type} has no ${property}`);
      else for (const one of Array.isArray(value) ? value : [value]) check(one, ranges, `${type}.${property}`);
    }
  };
  const check = (value: unknown, ranges: Set<string>, at: string) => {
    const among = (...names: string[]) => names.some((name) => ranges.has(name));
    if (typeof value === 'object' && value !== null) {
      if (!ranges.has(String((value as { '@type': string })['@type'])))
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
