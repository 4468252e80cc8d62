import { unaccented } from '../../unaccented.ts';

const form = /^[a-z]{2,3}(-[A-Z][a-z]{3})?(-([A-Z]{2}|[0-9]{3}))?$/;

/** Every two-letter tag, of which the platform names those that are languages. */
export const languageTags: readonly string[] = Array.from({ length: 26 * 26 }, (_, index) =>
  String.fromCharCode(97 + Math.floor(index / 26), 97 + (index % 26)),
);

const plain = (text: string): string => unaccented(text).trim();

/**
 * A language by its tag or its name in English, in the reader's language or its own: “fr-CA”, “French”, “français”. A name
 * becomes the language of the country given.
 *
 * @returns null for neither
 */
export function languageByName(text: string, country: string | undefined, reader: string): string | null {
  const typed = text.trim();
  const upper = typed.replace(
    /^([A-Za-z]{2,3})(?:[-_]([A-Za-z]{2}))?$/,
    (_, language: string, region: string | undefined) =>
      language.toLowerCase() + (region ? `-${region.toUpperCase()}` : ''),
  );
  if (form.test(upper) && (upper.includes('-') || upper === typed)) return upper;
  const wanted = plain(typed);
  if (wanted.length < 3) return null;
  const names = ['en', reader].map(
    (language) => new Intl.DisplayNames(language, { type: 'language', fallback: 'none' }),
  );
  const found = languageTags.find(
    (tag) => names.some((known) => plain(known.of(tag) ?? '') === wanted) || plain(ownName(tag)) === wanted,
  );
  if (found === undefined) return null;
  if (country) return `${found}-${country}`;
  return found;
}

const ownName = (tag: string): string =>
  new Intl.DisplayNames(tag, { type: 'language', fallback: 'none' }).of(tag) ?? '';
