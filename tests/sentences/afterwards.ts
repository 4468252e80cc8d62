import type { Labelled } from './labelled.ts';

/**
 * Sentences that were written after the reader, to see how it does on what nobody had in mind: of what it first said of them 85 % was
 * right, of what they say it found 80 %. It has been changed for them since.
 */
export const afterwards: Readonly<Record<string, readonly Labelled[]>> = {
  en: [
    ['Did you know? Baskets of £85 and over travel for free: we cover the shipping.', 'goal 85 GBP'],
    ['Mainland UK: £4.95. Channel Islands: delivery £11.95.', 'price 11.95 GBP'],
    ['Hit $150 and standard shipping is on us.', 'goal 150 USD'],
    ['Kites under £20 go by letter post; delivery is then £2.40.', 'price 2.40 GBP'],
    ['Shipping rates start at $6.', 'price 6 USD'],
    ['Free kite bag with orders over £100, delivered in 3 days.'],
    ['We ship to 40 countries for a flat fee of €14.', 'price 14 EUR'],
    ['Pay £3 extra for Saturday delivery.', 'price 3 GBP'],
    ['Free delivery for members.', 'free'],
    ['Up to 2 kg delivery costs £3.10, above 2 kg £5.60.', 'price 3.10 GBP', 'price 5.60 GBP'],
  ],
  nl: [
    ['Onder de 30 euro betaal je € 3,95 voor de bezorging; daarboven is het gratis.', 'price 3.95 EUR', 'goal 30 EUR'],
    ['Vandaag besteld, morgen in huis. Bezorgen: € 4,95.', 'price 4.95 EUR'],
    ['Nog geen € 75 in je mandje? Dan rekenen we € 5,95 voor verzending.', 'price 5.95 EUR'],
    ['Wie voor meer dan 120 euro koopt, krijgt het pakket gratis thuis.', 'goal 120 EUR'],
    ['Verzenden naar België kost 2 euro extra.', 'price 2 EUR'],
    ['Een vlieger van € 80 bezorgen we in één dag.'],
    ['Verzendkosten zijn voor onze rekening vanaf een bedrag van € 99.', 'goal 99 EUR'],
    ['Wij bezorgen gratis in Nederland en België.', 'free'],
  ],
  fr: [
    ['Franco de port à partir de 150 €.', 'goal 150 EUR'],
    ['Votre panier atteint 95 € ? La livraison est pour nous.', 'goal 95 EUR'],
    ['Hors de France, comptez 14 € de frais d’expédition.', 'price 14 EUR'],
    ['Un supplément de 3 € est demandé pour la livraison le samedi.', 'price 3 EUR'],
    ['Livraison standard : 4,90 € ; livraison express : 9,90 €.', 'price 4.90 EUR', 'price 9.90 EUR'],
    ['Les cerfs-volants à plus de 200 € sont livrés montés.'],
    ['Livraison gratuite en France métropolitaine.', 'free'],
    ['Frais de port réduits : 1,99 € au lieu de 4,99 €', 'price 1.99 EUR'],
  ],
  de: [
    ['Wir schenken Ihnen das Porto ab 60 €.', 'goal 60 EUR'],
    ['Ihr Warenkorb liegt über 110 €? Dann zahlen Sie keinen Versand.', 'goal 110 EUR'],
    ['Standardversand 4,90 €, Expressversand 9,90 €.', 'price 4.90 EUR', 'price 9.90 EUR'],
    ['Für Samstagszustellung kommen 3 € hinzu.', 'price 3 EUR'],
    ['Inselzuschlag für die Lieferung: 6 €', 'price 6 EUR'],
    ['Drachen über 200 € liefern wir fertig aufgebaut.'],
    ['Innerhalb Deutschlands liefern wir versandkostenfrei.', 'free'],
    ['Ab 75 € Bestellwert geht der Versand auf uns.', 'goal 75 EUR'],
  ],
  da: [
    ['Handler du for over 800 kr., får du leveringen med i prisen.', 'goal 800 DKK'],
    ['Standardlevering 39 kr., ekspreslevering 79 kr.', 'price 39 DKK', 'price 79 DKK'],
    ['Vi lægger 25 kr. til for levering om lørdagen.', 'price 25 DKK'],
    ['Gratis levering i Danmark.', 'free'],
    ['Drager over 900 kr. leveres samlet.'],
    ['Du skal købe for 450 kr. for at få fri fragt.', 'goal 450 DKK'],
    ['Køb under 250 kr. koster 35 kr. at sende.', 'price 35 DKK'],
  ],
  ja: [
    ['お買い上げ金額5,000円未満の場合、送料500円を申し受けます。', 'price 500 JPY'],
    ['送料は通常便600円、速達便1,200円です。', 'price 600 JPY', 'price 1200 JPY'],
    ['土曜日の配送は300円増しとなります。', 'price 300 JPY'],
    ['20,000円以上の凧は組み立ててお届けします。'],
    ['8,800円以上で配送費用は当社負担', 'goal 8800 JPY'],
    ['本州は送料無料です。', 'free'],
    ['3,000円からの送料サービス実施中', 'goal 3000 JPY'],
  ],
  ar: [
    ['إذا تجاوز طلبك 110 يورو نتحمل تكلفة الشحن.', 'goal 110 EUR'],
    ['التوصيل العادي 4.90 يورو والسريع 9.90 يورو.', 'price 4.90 EUR', 'price 9.90 EUR'],
    ['يضاف 3 يورو للتوصيل يوم السبت.', 'price 3 EUR'],
    ['التوصيل مجاني داخل ألمانيا.', 'free'],
    ['نوصل الطائرات التي يزيد سعرها عن 200 يورو مركبة.'],
    ['للطلبات دون 30 يورو رسوم توصيل قدرها 4 يورو.', 'price 4 EUR'],
    ['اشتر بـ 95 يورو والشحن علينا.', 'goal 95 EUR'],
  ],
};
