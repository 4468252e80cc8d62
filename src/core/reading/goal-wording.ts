import type { OfferWording, Texts } from '../policy/types.ts';

/** What an offer of free delivery from an amount says, on the way to it and when it is reached (worded from memory). */
const words: Readonly<Record<string, { progress: string; reached: string }>> = {
  ar: { progress: 'أضف {remaining} ليصبح التوصيل مجانيًا.', reached: 'التوصيل مجاني.' },
  da: { progress: 'Køb for {remaining} mere og få gratis levering.', reached: 'Din levering er gratis.' },
  de: { progress: 'Noch {remaining} bis zum kostenlosen Versand.', reached: 'Der Versand ist kostenlos.' },
  en: { progress: 'Add {remaining} more for free delivery.', reached: 'Your delivery is free.' },
  fr: { progress: 'Plus que {remaining} pour la livraison gratuite.', reached: 'La livraison est gratuite.' },
  ja: { progress: 'あと{remaining}で送料無料です。', reached: '送料無料になりました。' },
  nb: { progress: 'Handle for {remaining} til og få gratis levering.', reached: 'Leveringen er gratis.' },
  nl: { progress: 'Nog {remaining} tot gratis bezorging.', reached: 'Uw bezorging is gratis.' },
  no: { progress: 'Handle for {remaining} til og få gratis levering.', reached: 'Leveringen er gratis.' },
  sv: { progress: 'Handla för {remaining} till och få fri leverans.', reached: 'Din leverans är gratis.' },
};

const wordsIn = (language: string) => {
  const base = language.split('-')[0]!;
  return Object.hasOwn(words, base) ? words[base]! : null;
};

/** Languages in which an offer of free delivery cannot be worded here. */
export const unworded = (languages: readonly string[]): string[] =>
  [...new Set(languages)].filter((language) => !wordsIn(language));

/** Texts of an offer of free delivery in those languages of some that are known; undefined: in none of them. */
export function goalWording(languages: readonly string[]): OfferWording | undefined {
  const worded = [...new Set(languages)].flatMap((language) => {
    const said = wordsIn(language);
    return said ? [{ language, ...said }] : [];
  });
  if (worded.length === 0) return undefined;
  const texts = (of: 'progress' | 'reached'): { everyPlace: Texts } => ({
    everyPlace: Object.fromEntries(worded.map((one) => [one.language, one[of]])),
  });
  return { progress: texts('progress'), reached: texts('reached') };
}
