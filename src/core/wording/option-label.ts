import type { DeliveryOption } from '../policy/types.ts';

/** An option's label in a language, falling back as wording does; its internal name when nothing is written. */
export function optionLabel(option: DeliveryOption, language: string, marketLanguages: readonly string[]): string {
  const { label } = option;
  const base = language.split('-')[0];
  const sameBase = Object.keys(label).sort().find((key) => key.split('-')[0] === base);
  return label[language] ?? (sameBase ? label[sameBase] : undefined) ?? label[marketLanguages[0] ?? ''] ?? option.name;
}
