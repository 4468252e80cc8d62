import { policySchema } from './policy-schema.ts';

/** The named parts of the policy's schema with all that they refer to, for other schemas to build on. */
export function schemaDefinitions(names: readonly string[]): Record<string, object> {
  const all = policySchema().$defs;
  const found: Record<string, object> = {};
  const add = (name: string): void => {
    const definition = all[name];
    if (!definition || found[name]) return;
    found[name] = definition;
    for (const [, next] of JSON.stringify(definition).matchAll(/"#\/\$defs\/(\w+)"/g)) add(next!);
  };
  names.forEach(add);
  return found;
}
