import { parsePostcodePattern } from './postcode.ts';
import type { Fault } from '../policy/fault.ts';

export function checkPattern(pattern: string, pointer: string, fault: Fault): void {
  const parsed = parsePostcodePattern(pattern);
  if (!parsed.ok) fault(pointer, parsed.reason);
}
