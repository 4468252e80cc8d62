import { Ajv2020, type ErrorObject } from 'ajv/dist/2020.js';
import schema from './schema/policy.schema.json' with { type: 'json' };
import type { Policy } from './types.ts';
import type { PolicyFault } from './fault.ts';
import { checkReferences } from './references/check-references.ts';

export type PolicyCheck = { ok: true; policy: Policy } | { ok: false; faults: PolicyFault[] };

const validateSchema = new Ajv2020({ allErrors: false, strict: true, strictTypes: false, strictRequired: false, discriminator: true }).compile(schema);

/** Checks shape (JSON Schema), then references and meaning. Never throws on any input. */
export function checkPolicy(document: unknown): PolicyCheck {
  if (!validateSchema(document)) return { ok: false, faults: deepest(validateSchema.errors ?? []).map(faultOf) };
  const policy = document as unknown as Policy;
  const faults = checkReferences(policy);
  return faults.length > 0 ? { ok: false, faults } : { ok: true, policy };
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
      return { pointer: `${error.instancePath}/${String(params.additionalProperty)}`, message: 'is not a known property' };
    case 'required':
      return { pointer: `${error.instancePath}/${String(params.missingProperty)}`, message: 'is missing' };
    case 'enum':
      return { pointer: error.instancePath, message: `must be one of ${(params.allowedValues as unknown[]).join(', ')}` };
    case 'discriminator':
      return { pointer: `${error.instancePath}/${String(params.tag)}`, message: params.error === 'tag' ? 'must say which kind it is' : 'is not one of the kinds there are' };
    case 'const':
      return { pointer: error.instancePath, message: `must be ${JSON.stringify(params.allowedValue)}` };
    default:
      return { pointer: error.instancePath, message: error.message ?? 'is not valid' };
  }
}
