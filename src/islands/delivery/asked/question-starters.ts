import type { Question, Texts } from '../../../core/policy/types.ts';

/** A question that shops usually ask, worded in the languages that it is known in. */
export interface QuestionStarter {
  key: string;
  name: string;
  make: (languages: readonly string[]) => Question;
}

const telephone: Texts = {
  en: 'Telephone for the driver',
  nl: 'Telefoon voor de bezorger',
  de: 'Telefon für die Zustellung',
  fr: 'Téléphone pour le livreur',
  da: 'Telefon til chaufføren',
  ja: '配達員からの連絡先電話番号',
};
const note: Texts = {
  en: 'A note for the driver',
  nl: 'Een bericht voor de bezorger',
  de: 'Eine Nachricht für die Zustellung',
  fr: 'Un mot pour le livreur',
  da: 'En besked til chaufføren',
  ja: '配達員へのメッセージ',
};
const code: Texts = {
  en: 'Door code',
  nl: 'Code van de deur',
  de: 'Türcode',
  fr: 'Code de la porte',
  da: 'Dørkode',
  ja: 'オートロックの番号',
};
const where: Texts = {
  en: 'If nobody is in',
  nl: 'Als er niemand thuis is',
  de: 'Wenn niemand da ist',
  fr: 'En cas d’absence',
  da: 'Hvis ingen er hjemme',
  ja: 'ご不在のとき',
};
const neighbour: Texts = {
  en: 'to a neighbour',
  nl: 'bij de buren',
  de: 'zu Nachbarn',
  fr: 'chez un voisin',
  da: 'til en nabo',
  ja: '隣の方へ',
};
const back: Texts = {
  en: 'to a parcel shop',
  nl: 'naar een pakketpunt',
  de: 'in einen Paketshop',
  fr: 'en point relais',
  da: 'til en pakkeshop',
  ja: '営業所で受け取り',
};

/** A text in the languages of a market, as far as their words are known. */
const inLanguages = (texts: Texts, languages: readonly string[]): Texts =>
  Object.fromEntries(
    languages.flatMap((language) => {
      const text = texts[language.split('-')[0]!];
      return text === undefined ? [] : [[language, text] as const];
    }),
  );

export const questionStarters: readonly QuestionStarter[] = [
  {
    key: 'telephone',
    name: 'a telephone number',
    make: (of) => ({ order: 0, kind: 'telephone', label: inLanguages(telephone, of), required: true }),
  },
  {
    key: 'note',
    name: 'a note',
    make: (of) => ({ order: 0, kind: 'text', label: inLanguages(note, of), required: false, longest: 120 }),
  },
  {
    key: 'door-code',
    name: 'a door code',
    make: (of) => ({ order: 0, kind: 'text', label: inLanguages(code, of), required: false, longest: 12 }),
  },
  {
    key: 'if-nobody-is-in',
    name: 'what to do if nobody is in',
    make: (of) => ({
      order: 0,
      kind: 'choice',
      label: inLanguages(where, of),
      required: true,
      choices: {
        neighbour: { order: 1, label: inLanguages(neighbour, of) },
        'parcel-shop': { order: 2, label: inLanguages(back, of) },
      },
    }),
  },
];
