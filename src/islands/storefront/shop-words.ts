/** What the demo shop says itself, apart from what Summant tells it. */
export interface ShopWords {
  product: string;
  add: string;
  cart: string;
  checkout: string;
  delivery: string;
  tax: string;
  total: string;
  goodsReward: string;
  close: string;
  ends: string;
  gift: string;
  toward: string;
  /** of a question */
  needed: string;
  answerMissing: string;
  answerTooLong: string;
  answerNoTelephone: string;
  answerNotOffered: string;
}

const english: ShopWords = {
  product: 'In stock',
  add: 'Add to cart',
  cart: 'Your cart',
  checkout: 'Delivery and total',
  delivery: 'Delivery',
  tax: 'Tax',
  total: 'Total',
  goodsReward: 'Taken off the goods',
  close: 'Close',
  ends: 'Ends in',
  gift: 'Gift',
  toward: 'Toward the goal',
  needed: 'needed',
  answerMissing: 'Please answer this.',
  answerTooLong: 'This is too long.',
  answerNoTelephone: 'This is not a telephone number.',
  answerNotOffered: 'Please choose one.',
};

const words: Record<string, ShopWords> = {
  en: english,
  nl: {
    product: 'Op voorraad',
    add: 'In winkelwagen',
    cart: 'Uw winkelwagen',
    checkout: 'Bezorging en totaal',
    delivery: 'Bezorging',
    tax: 'Btw',
    total: 'Totaal',
    goodsReward: 'Korting op artikelen',
    close: 'Sluiten',
    ends: 'Eindigt over',
    gift: 'Cadeau',
    toward: 'Op weg naar het doel',
    needed: 'nodig',
    answerMissing: 'Vul dit in.',
    answerTooLong: 'Dit is te lang.',
    answerNoTelephone: 'Dit is geen telefoonnummer.',
    answerNotOffered: 'Maak een keuze.',
  },
  de: {
    product: 'Auf Lager',
    add: 'In den Warenkorb',
    cart: 'Ihr Warenkorb',
    checkout: 'Versand und Summe',
    delivery: 'Versand',
    tax: 'Steuer',
    total: 'Summe',
    goodsReward: 'Nachlass auf Artikel',
    close: 'Schließen',
    ends: 'Endet in',
    gift: 'Geschenk',
    toward: 'Auf dem Weg zum Ziel',
    needed: 'nötig',
    answerMissing: 'Bitte ausfüllen.',
    answerTooLong: 'Das ist zu lang.',
    answerNoTelephone: 'Das ist keine Telefonnummer.',
    answerNotOffered: 'Bitte wählen Sie eines.',
  },
  fr: {
    product: 'En stock',
    add: 'Ajouter au panier',
    cart: 'Votre panier',
    checkout: 'Livraison et total',
    delivery: 'Livraison',
    tax: 'Taxes',
    total: 'Total',
    goodsReward: 'Remise sur les articles',
    close: 'Fermer',
    ends: 'Se termine dans',
    gift: 'Cadeau',
    toward: 'Vers l’objectif',
    needed: 'requis',
    answerMissing: 'Veuillez répondre.',
    answerTooLong: 'C’est trop long.',
    answerNoTelephone: 'Ce n’est pas un numéro de téléphone.',
    answerNotOffered: 'Veuillez choisir.',
  },
  da: {
    product: 'På lager',
    add: 'Læg i kurv',
    cart: 'Din kurv',
    checkout: 'Levering og total',
    delivery: 'Levering',
    tax: 'Moms',
    total: 'I alt',
    goodsReward: 'Rabat på varer',
    close: 'Luk',
    ends: 'Slutter om',
    gift: 'Gave',
    toward: 'På vej mod målet',
    needed: 'skal udfyldes',
    answerMissing: 'Udfyld venligst.',
    answerTooLong: 'Det er for langt.',
    answerNoTelephone: 'Det er ikke et telefonnummer.',
    answerNotOffered: 'Vælg venligst en.',
  },
  ja: {
    product: '在庫あり',
    add: 'カートに入れる',
    cart: 'カート',
    checkout: '配送と合計',
    delivery: '配送',
    tax: '税',
    total: '合計',
    goodsReward: '商品の割引',
    close: '閉じる',
    ends: '終了まで',
    gift: 'プレゼント',
    toward: '目標まで',
    needed: '必須',
    answerMissing: 'ご記入ください。',
    answerTooLong: '長すぎます。',
    answerNoTelephone: '電話番号ではありません。',
    answerNotOffered: 'お選びください。',
  },
  ar: {
    product: 'متوفر',
    add: 'أضف إلى السلة',
    cart: 'سلتك',
    checkout: 'التوصيل والمجموع',
    delivery: 'التوصيل',
    tax: 'الضريبة',
    total: 'المجموع',
    goodsReward: 'خصم على المنتجات',
    close: 'إغلاق',
    ends: 'ينتهي خلال',
    gift: 'هدية',
    toward: 'نحو الهدف',
    needed: 'مطلوب',
    answerMissing: 'يرجى الإجابة.',
    answerTooLong: 'النص طويل جدًا.',
    answerNoTelephone: 'هذا ليس رقم هاتف.',
    answerNotOffered: 'يرجى الاختيار.',
  },
};

export const shopWords = (language: string): ShopWords => words[language.split('-')[0]!] ?? english;

/** The language in which the shop's own words are said. */
export const shopWordsLanguage = (language: string): string => (words[language.split('-')[0]!] ? language : 'en');
