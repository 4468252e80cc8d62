import type { Labelled } from './labelled.ts';

/** Sentences that the reader was never changed for. Whoever changes it for one of them moves it to `afterwards.ts`. */
export const unseen: Readonly<Record<string, readonly Labelled[]>> = {
  en: [
    ['Delivery throughout Ireland is €6, or nothing at all if you buy for €90.', 'price 6 EUR', 'goal 90 EUR'],
    ['Flat-rate postage of £3.60 applies to every order.', 'price 3.60 GBP'],
    ['Orders that total $130 or more qualify for free shipping.', 'goal 130 USD'],
    ['You will be charged £8.20 for a timed delivery slot.', 'price 8.20 GBP'],
    ['A kite for £129 makes a fine present, and we wrap it before we ship it.'],
    ['From Monday, delivery goes up to £5.40.', 'price 5.40 GBP'],
    ['Free postage this weekend when you spend £25!', 'goal 25 GBP'],
  ],
  nl: [
    ['Voor slechts € 2,99 bezorgen we op zaterdag.', 'price 2.99 EUR'],
    ['Koop voor € 55 en krijg gratis verzending.', 'goal 55 EUR'],
    ['De prijs van een pakket naar Duitsland: € 9,40', 'price 9.40 EUR'],
    ['Deze week geen verzendkosten bij een bestelling vanaf 35 euro.', 'goal 35 EUR'],
    ['Bezorging op de eilanden: toeslag van € 7,50', 'price 7.50 EUR'],
    ['Vliegers tot € 40 passen door de brievenbus.'],
  ],
  fr: [
    ['Profitez de la livraison offerte dès que votre commande dépasse 110 €.', 'goal 110 EUR'],
    ['La livraison en soirée est facturée 8,90 €.', 'price 8.90 EUR'],
    ['Colissage et port compris : 6,40 €', 'price 6.40 EUR'],
    ['Pour 45 € d’achat, le port est gratuit.', 'goal 45 EUR'],
    ['Un cerf-volant à 60 € part le jour même.'],
    ['Les frais d’expédition sont de 12 € vers la Corse.', 'price 12 EUR'],
  ],
  de: [
    ['Ab sofort: Lieferung nur noch 3,90 €!', 'price 3.90 EUR'],
    ['Bestellwert über 95 €: Lieferung gratis', 'goal 95 EUR'],
    ['Die Zustellung am Abend wird mit 7,20 € berechnet.', 'price 7.20 EUR'],
    ['Kaufen Sie für 60 € ein, und wir liefern ohne Versandkosten.', 'goal 60 EUR'],
    ['Ein Drachen für 89 € ist in zwei Tagen bei Ihnen.'],
    ['Nach Österreich: 9,90 € Versand', 'price 9.90 EUR'],
  ],
  da: [
    ['Du får fri fragt, når kurven er på 375 kr.', 'goal 375 DKK'],
    ['Aftenlevering koster 69 kr. ekstra.', 'price 69 DKK'],
    ['Forsendelse til Færøerne: 189 kr.', 'price 189 DKK'],
    ['Shop for 525 kr. – så er leveringen gratis', 'goal 525 DKK'],
    ['En drage til 299 kr. kan sendes som brev.'],
    ['Prisen for levering er 49 kr. i hele landet.', 'price 49 DKK'],
  ],
  ja: [
    ['まとめ買いで送料無料！お買い上げ7,000円以上が対象です。', 'goal 7000 JPY'],
    ['北海道への配送料は1,540円となります。', 'price 1540 JPY'],
    ['送料は全国どこでも750円', 'price 750 JPY'],
    ['9,000円（税込）以上なら送料が無料に', 'goal 9000 JPY'],
    ['12,000円の凧を翌日お届け。'],
    ['夜間配送をご希望の場合は400円を加算します。', 'price 400 JPY'],
  ],
  ar: [
    ['استمتع بالشحن المجاني عند تجاوز مشترياتك 130 يورو.', 'goal 130 EUR'],
    ['سعر التوصيل المسائي 7.20 يورو.', 'price 7.20 EUR'],
    ['الشحن إلى النمسا: 9.90 €', 'price 9.90 EUR'],
    ['تسوق بمبلغ 45 يورو واحصل على توصيل مجاني.', 'goal 45 EUR'],
    ['طائرة بسعر 89 يورو تصلك خلال يومين.'],
  ],
};
