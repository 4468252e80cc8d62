/** The few words that the element says by itself; everything else comes with the quote. A page may put its own in their slots. */
interface Words {
  free: string;
  why: string;
  add: string;
  options: string;
  /** of a goal: {counted} of {goal} */
  of: string;
  /** one of several ways of delivery that is not there */
  unavailable: string;
}

const words: Record<string, Words> = {
  en: {
    free: 'free',
    why: 'Why?',
    add: 'Add',
    options: 'Delivery',
    of: '{counted} of {goal}',
    unavailable: 'not available',
  },
  nl: {
    free: 'gratis',
    why: 'Waarom?',
    add: 'Toevoegen',
    options: 'Bezorging',
    of: '{counted} van {goal}',
    unavailable: 'niet beschikbaar',
  },
  de: {
    free: 'kostenlos',
    why: 'Warum?',
    add: 'Hinzufügen',
    options: 'Lieferung',
    of: '{counted} von {goal}',
    unavailable: 'nicht verfügbar',
  },
  fr: {
    free: 'gratuit',
    why: 'Pourquoi ?',
    add: 'Ajouter',
    options: 'Livraison',
    of: '{counted} sur {goal}',
    unavailable: 'indisponible',
  },
  da: {
    free: 'gratis',
    why: 'Hvorfor?',
    add: 'Tilføj',
    options: 'Levering',
    of: '{counted} af {goal}',
    unavailable: 'ikke tilgængelig',
  },
  ja: {
    free: '無料',
    why: '理由',
    add: '追加',
    options: '配送',
    of: '{goal}のうち{counted}',
    unavailable: '利用できません',
  },
  ar: {
    free: 'مجاني',
    why: 'لماذا؟',
    add: 'أضف',
    options: 'التوصيل',
    of: '{counted} من {goal}',
    unavailable: 'غير متاح',
  },
};

/** Those of a language, else English. */
export const wordsIn = (language: string): Words => words[language.split('-')[0]!.toLowerCase()] ?? words.en!;

/** Languages that are written from right to left. */
const rightToLeft = new Set(['ar', 'dv', 'fa', 'he', 'ku', 'ps', 'sd', 'ug', 'ur', 'yi']);

export const directionOf = (language: string): 'rtl' | 'ltr' =>
  rightToLeft.has(language.split('-')[0]!.toLowerCase()) ? 'rtl' : 'ltr';
