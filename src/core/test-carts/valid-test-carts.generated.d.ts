import type { ErrorObject } from 'ajv';
import type { TestCart } from '../policy/types.ts';

declare const validate: { (document: unknown): document is Record<string, TestCart>; errors?: ErrorObject[] | null };
export default validate;
