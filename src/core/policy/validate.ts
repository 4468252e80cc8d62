import { Ajv2020, type ErrorObject } from 'ajv/dist/2020.js';
import schema from './schema/policy.schema.json' with { type: 'json' };
import type { AreaPart, Policy } from './types.ts';
import type { PolicyFault } from './fault.ts';
import { differingKeys } from './patch.ts';
import { checkReferences } from './references/check-references.ts';

export type PolicyCheck = { ok: true; policy: Policy } | { ok: false; faults: PolicyFault[] };

const validateSchema = new Ajv2020({
  allErrors: false,
  verbose: true,
  strict: true,
  strictTypes: false,
  strictRequired: false,
  discriminator: true,
}).compile(schema);

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Checks shape (JSON Schema), then references and meaning. Never throws on any input.
 *
 * @param valid a policy that has been found valid: what the document shares with it need not be looked at again
 */
export function checkPolicy(document: unknown, valid?: Policy): PolicyCheck {
  const crowded = valid ? overfull(document) : [];
  if (crowded.length > 0) return { ok: false, faults: crowded };
  if (!validateSchema(valid ? withoutShared(document, valid) : document))
    return { ok: false, faults: deepest(validateSchema.errors ?? []).map(faultOf) };
  const policy = document as unknown as Policy;
  for (const part of listsOf(policy)) validLists.add(part.patterns);
  const faults = checkReferences(policy, valid);
  return faults.length > 0 ? { ok: false, faults } : { ok: true, policy };
}

type PostcodesPart = Extract<AreaPart, { kind: 'postcodes' }>;

/** Lists of postcodes that the schema has accepted: with tens of thousands of entries each is looked at once, not at every edit of its zone. */
const validLists = new WeakSet<object>();
const someList: Readonly<Record<string, true>> = { 0: true };

const listsOf = ({ zones }: Policy): PostcodesPart[] =>
  Object.values(zones).flatMap(({ area }) =>
    [...Object.values(area.include), ...Object.values(area.exclude ?? {})].filter(
      (part): part is PostcodesPart => part.kind === 'postcodes',
    ),
  );

/** A zone with a short list in place of each that is known to be valid. */
function withoutKnownLists(zone: unknown): unknown {
  if (!isObject(zone) || !isObject(zone.area)) return zone;
  const side = (parts: unknown) =>
    isObject(parts)
      ? Object.fromEntries(
          Object.entries(parts).map(([id, part]) => [
            id,
            isObject(part) && isObject(part.patterns) && validLists.has(part.patterns)
              ? { ...part, patterns: someList }
              : part,
          ]),
        )
      : parts;
  return { ...zone, area: Object.fromEntries(Object.entries(zone.area).map(([name, parts]) => [name, side(parts)])) };
}

/** A document's collections without the entries that it shares with a valid policy. */
function withoutShared(document: unknown, valid: Policy): unknown {
  if (!isObject(document)) return document;
  const before = valid as unknown as Record<string, unknown>;
  return Object.fromEntries(
    Object.entries(document).map(([name, collection]) => {
      const known = before[name];
      if (!isCollection(name) || !isObject(collection) || !isObject(known)) return [name, collection];
      return [
        name,
        Object.fromEntries(
          differingKeys(known, collection)
            .filter((id) => Object.hasOwn(collection, id))
            .map((id) => [id, name === 'zones' ? withoutKnownLists(collection[id]) : collection[id]]),
        ),
      ];
    }),
  );
}

interface CollectionSchema {
  maxProperties?: number;
  additionalProperties?: unknown;
}

const collectionSchema = (name: string) => (schema.properties as Record<string, CollectionSchema | undefined>)[name];
const isCollection = (name: string): boolean => collectionSchema(name)?.additionalProperties !== undefined;

/** Collections with more entries than the schema allows, which cannot be seen once shared entries are left out. */
function overfull(document: unknown): PolicyFault[] {
  if (!isObject(document)) return [];
  return Object.entries(document).flatMap(([name, collection]) => {
    const most = collectionSchema(name)?.maxProperties;
    return most !== undefined && isObject(collection) && Object.keys(collection).length > most
      ? [{ pointer: `/${name}`, message: `must NOT have more than ${most} properties` }]
      : [];
  });
}

/** Of the errors of several alternatives, those of the alternative that came closest. */
function deepest(errors: readonly ErrorObject[]): ErrorObject[] {
  const depth = ({ instancePath }: ErrorObject) => instancePath.split('/').length;
  const most = Math.max(...errors.map(depth));
  const close = errors.filter((error) => depth(error) === most);
  const telling = close.filter(({ keyword }) => keyword !== 'oneOf');
  return telling.length > 0 ? telling : close;
}

/** An Ajv error in words, with the pointer to the offending value. */
export function faultOf(error: ErrorObject): PolicyFault {
  const params = error.params as Record<string, unknown>;
  switch (error.keyword) {
    case 'additionalProperties':
      return {
        pointer: `${error.instancePath}/${String(params.additionalProperty)}`,
        message: 'is not a known property',
      };
    case 'required':
      return { pointer: `${error.instancePath}/${String(params.missingProperty)}`, message: 'is missing' };
    case 'enum':
      return {
        pointer: error.instancePath,
        message: `must be one of ${(params.allowedValues as unknown[]).join(', ')}`,
      };
    case 'discriminator':
      return {
        pointer: `${error.instancePath}/${String(params.tag)}`,
        message: params.error === 'tag' ? 'must say which kind it is' : 'is not one of the kinds there are',
      };
    case 'const':
      return { pointer: error.instancePath, message: `must be ${JSON.stringify(params.allowedValue)}` };
    case 'pattern': {
      const described = (error.parentSchema as { description?: string } | undefined)?.description;
      return {
        pointer: error.instancePath,
        message: described ? `must be ${described}` : 'is not written as it should be',
      };
    }
    default:
      return { pointer: error.instancePath, message: error.message ?? 'is not valid' };
  }
}
