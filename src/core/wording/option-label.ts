import type { DeliveryOption } from '../policy/types.ts';
import { textIn } from './text-in.ts';

/** An option's label in a language, once it has become free the one for that; its internal name when none is written. */
export function optionLabel(
  option: DeliveryOption,
  language: string,
  marketLanguages: readonly string[],
  isFree = false,
): string {
  const free = isFree ? textIn(option.freeLabel, language, marketLanguages) : null;
  return free ?? textIn(option.label, language, marketLanguages) ?? option.name;
}
