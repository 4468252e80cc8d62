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
  },
};

export const shopWords = (language: string): ShopWords => words[language.split('-')[0]!] ?? english;

/** The language in which the shop's own words are said. */
export const shopWordsLanguage = (language: string): string => (words[language.split('-')[0]!] ? language : 'en');
