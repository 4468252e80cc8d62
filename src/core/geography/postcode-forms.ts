import { parsePostcodePattern } from './postcode.ts';

/**
 * How postcodes of some countries look, as they are compared: 9 a digit, A a letter, X either. From the postal services' public
 * descriptions, checked against the package `postcode-validator` in tests/published; a country that is not here is not judged.
 */
export const postcodeForms: Readonly<Record<string, readonly string[]>> = {
  AT: ['9999'],
  AU: ['9999'],
  BE: ['9999'],
  CA: ['A9A9A9'],
  CH: ['9999'],
  CZ: ['99999'],
  DE: ['99999'],
  DK: ['9999'],
  ES: ['99999'],
  FI: ['99999'],
  FR: ['99999'],
  GB: ['A99AA', 'A999AA', 'AA99AA', 'AA999AA', 'A9A9AA', 'AA9A9AA'],
  IT: ['99999'],
  JP: ['9999999'],
  LU: ['9999'],
  NL: ['9999AA'],
  NO: ['9999'],
  PL: ['99999'],
  PT: ['9999999'],
  SE: ['99999'],
  US: ['99999', '999999999'],
};

const marks: Readonly<Record<string, RegExp>> = { 9: /[0-9*?]/, A: /[A-Z*?]/ };
const anyMark = /[A-Z0-9*?]/;
const fits = (form: string, mark: string): boolean => (marks[form] ?? anyMark).test(mark);

/** Whether a text can be the beginning of a postcode of that form; `whole`: all of it. */
function begins(form: string, text: string, whole: boolean): boolean {
  return (
    text.length <= form.length &&
    (!whole || text.length === form.length) &&
    [...text].every((mark, index) => fits(form[index]!, mark))
  );
}

/**
 * Whether a pattern can match a postcode of a country, as far as that country's form is known. An exact one must be whole, but
 * for the outward part of countries that write one; ends of ranges may be the beginning of postcodes.
 */
export function canBePostcode(country: string, pattern: string): boolean {
  const known = Object.hasOwn(postcodeForms, country) ? postcodeForms[country]! : null;
  const parsed = parsePostcodePattern(pattern);
  if (!known || !parsed.ok) return true;
  const { pattern: read } = parsed;
  switch (read.kind) {
    case 'exact':
      return known.some((form) => begins(form, read.text, true));
    case 'range':
      return known.some((form) =>
        [String(read.from), String(read.to)].every((end) =>
          begins(form, read.by === 'digits' ? end.padStart(firstDigits(form), '0') : end, false),
        ),
      );
    case 'glob': {
      const fixed = read.text.split('*')[0]!;
      return known.some((form) => begins(form, fixed, !read.text.includes('*')));
    }
  }
}

/** Leading zeros of a range's ends are not kept: 0800..0899 is from 800 to 899. */
const firstDigits = (form: string): number => /^9*/.exec(form)![0].length;
