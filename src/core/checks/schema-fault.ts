import type { ErrorObject } from 'ajv';
import type { PolicyFault } from '../policy/fault.ts';

/** Of the errors of several alternatives, those of the alternative that came closest. */
export function deepest(errors: readonly ErrorObject[]): ErrorObject[] {
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
    case 'dependentRequired':
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
