import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import { priceKinds } from '../charges/prices/registry.ts';
import { facts } from '../conditions/registry.ts';
import { rewardKinds } from '../offers/rewards/registry.ts';
import { optionKinds } from '../options/kinds/registry.ts';
import schema from '../schema/policy.schema.json' with { type: 'json' };
import { policySchema } from '../schema/policy-schema.ts';
import { schemaSettings } from '../schema/settings.ts';
import type { AreaPart, Policy } from '../policy/types.ts';
import type { PolicyFault } from '../policy/fault.ts';
import { isRecord } from '../same.ts';
import { differingKeys } from '../policy/patch.ts';
import { deepest, faultOf } from './schema-fault.ts';
import { checkReferences } from './references/check-references.ts';

type PolicyCheck = { ok: true; policy: Policy } | { ok: false; faults: PolicyFault[] };

let compiled: { kinds: number; validate: ValidateFunction } | null = null;

/** The schema's check, compiled anew when there are more kinds than before. */
function schemaCheck(): ValidateFunction {
  const kinds = [facts, rewardKinds, priceKinds, optionKinds].reduce((sum, { all }) => sum + all.length, 0);
  if (compiled?.kinds !== kinds) {
    const ajv = new Ajv2020({ ...schemaSettings, allErrors: false });
    compiled = { kinds, validate: ajv.compile(policySchema()) };
  }
  return compiled.validate;
}

/**
 * Checks shape (JSON Schema), then references and meaning. Never throws on any input.
 *
 * @param valid a policy that has been found valid: what the document shares with it need not be looked at again
 */
export function checkPolicy(document: unknown, valid?: Policy): PolicyCheck {
  const crowded = valid ? overfull(document) : [];
  if (crowded.length > 0) return { ok: false, faults: crowded };
  const check = schemaCheck();
  if (!check(valid ? withoutShared(document, valid) : document))
    return { ok: false, faults: deepest(check.errors ?? []).map(faultOf) };
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
  if (!isRecord(zone) || !isRecord(zone.area)) return zone;
  const side = (parts: unknown) =>
    isRecord(parts)
      ? Object.fromEntries(
          Object.entries(parts).map(([id, part]) => [
            id,
            isRecord(part) && isRecord(part.patterns) && validLists.has(part.patterns)
              ? { ...part, patterns: someList }
              : part,
          ]),
        )
      : parts;
  return { ...zone, area: Object.fromEntries(Object.entries(zone.area).map(([name, parts]) => [name, side(parts)])) };
}

/** A document's collections without the entries that it shares with a valid policy. */
function withoutShared(document: unknown, valid: Policy): unknown {
  if (!isRecord(document)) return document;
  const before = valid as unknown as Record<string, unknown>;
  return Object.fromEntries(
    Object.entries(document).map(([name, collection]) => {
      const known = before[name];
      if (!isCollection(name) || !isRecord(collection) || !isRecord(known)) return [name, collection];
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
  if (!isRecord(document)) return [];
  return Object.entries(document).flatMap(([name, collection]) => {
    const most = collectionSchema(name)?.maxProperties;
    return most !== undefined && isRecord(collection) && Object.keys(collection).length > most
      ? [{ pointer: `/${name}`, message: `must NOT have more than ${most} properties` }]
      : [];
  });
}
