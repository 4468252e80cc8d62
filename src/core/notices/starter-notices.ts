import { inOrder } from '../ordered.ts';
import type { Notice, OfferWording, Policy, Texts } from '../policy/types.ts';
import { addDays } from '../time/day.ts';

/** A notice to begin with; its texts are worded in the languages that its words are known in. */
export interface StarterNotice {
  id: 'order-today' | 'weather' | 'last-order-day' | 'new-place' | 'summer-break';
  name: string;
  says: string;
}

export const starterNotices: readonly StarterNotice[] = [
  { id: 'order-today', name: 'order by the cut-off', says: 'counts down to the cut-off of a parcel option' },
  { id: 'weather', name: 'delays by weather', says: 'for three days from today' },
  { id: 'last-order-day', name: 'last order day before a holiday', says: 'counts down to the evening of a day' },
  { id: 'new-place', name: 'new pick-up place', says: 'for a month from today' },
  { id: 'summer-break', name: 'summer break', says: 'for two weeks, beginning in a week' },
];

export interface StartedNotice {
  notice: Omit<Notice, 'order'>;
  wording: OfferWording;
}

/** A notice of a starter, off until somebody turns it on, with texts in all languages of the store that its words are known in. */
export function startNotice({ id, name }: StarterNotice, policy: Policy, today: string): StartedNotice {
  const languages = [...new Set(inOrder(policy.markets).flatMap(([, market]) => market.languages))];
  const texts: Texts = Object.fromEntries(
    languages.flatMap((language) => {
      const text = words[id][language.split('-')[0]!];
      return text === undefined ? [] : [[language, text] as const];
    }),
  );
  return {
    notice: { name: capital(name), note: '', on: false, priority: 0, ...parts(id, today) },
    wording: { notice: { everyPlace: texts } },
  };
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function parts(id: StarterNotice['id'], today: string): Pick<Notice, 'schedule' | 'countdown'> {
  const days = (from: number, until: number): Pick<Notice, 'schedule'> => ({
    schedule: { readIn: 'store', from: `${addDays(today, from)}T00:00`, until: `${addDays(today, until)}T00:00` },
  });
  switch (id) {
    case 'order-today':
      return { countdown: { to: 'cutOff', on: { by: 'kind', kinds: ['parcel'] }, withinHours: 6 } };
    case 'weather':
      return days(0, 3);
    case 'last-order-day':
      return {
        countdown: { to: 'moment', at: `${addDays(today, 14)}T16:00`, readIn: 'store', withinHours: 24 * 7 },
      };
    case 'new-place':
      return days(0, 30);
    case 'summer-break':
      return days(7, 21);
  }
}

/** By language; a text without region is read in all of them. */
const words: Record<StarterNotice['id'], Readonly<Record<string, string>>> = {
  'order-today': {
    en: 'Order within {cutOff} and it is with you by {arrives}.',
    nl: 'Bestel binnen {cutOff} en u hebt het uiterlijk {arrives}.',
    de: 'Bestellen Sie innerhalb von {cutOff}, dann ist es spätestens am {arrives} bei Ihnen.',
    fr: 'Commandez dans les {cutOff} pour une livraison au plus tard le {arrives}.',
    da: 'Bestil inden for {cutOff}, så er det hos dig senest {arrives}.',
    ja: 'あと{cutOff}以内のご注文で{arrives}までにお届けします。',
    ar: 'اطلب خلال {cutOff} ليصلك في موعد أقصاه {arrives}.',
  },
  weather: {
    en: 'The weather delays parcels by a day or two.',
    nl: 'Door het weer komen pakketten een of twee dagen later.',
    de: 'Wegen des Wetters kommen Pakete ein bis zwei Tage später.',
    fr: 'La météo retarde les colis d’un ou deux jours.',
    da: 'Vejret forsinker pakker en dag eller to.',
    ja: '天候の影響で、お届けが1〜2日遅れています。',
    ar: 'تتأخر الطرود يومًا أو يومين بسبب الطقس.',
  },
  'last-order-day': {
    en: 'Order within {cutOff} to have it before the holiday.',
    nl: 'Bestel binnen {cutOff} om het voor de feestdag te hebben.',
    de: 'Bestellen Sie innerhalb von {cutOff}, damit es vor dem Feiertag da ist.',
    fr: 'Commandez dans les {cutOff} pour être livré avant le jour férié.',
    da: 'Bestil inden for {cutOff} for at have det før helligdagen.',
    ja: 'あと{cutOff}以内のご注文で祝日前にお届けします。',
    ar: 'اطلب خلال {cutOff} ليصلك قبل العطلة.',
  },
  'new-place': {
    en: 'New: collect your order at our second pick-up place.',
    nl: 'Nieuw: haal uw bestelling op bij ons tweede afhaalpunt.',
    de: 'Neu: Holen Sie Ihre Bestellung an unserer zweiten Abholstelle ab.',
    fr: 'Nouveau : retirez votre commande dans notre deuxième point de retrait.',
    da: 'Nyt: hent din ordre på vores andet afhentningssted.',
    ja: '新しい受け取り場所ができました。',
    ar: 'جديد: استلم طلبك من نقطة الاستلام الثانية.',
  },
  'summer-break': {
    en: 'We are on summer break: what is ordered now leaves when we are back.',
    nl: 'Wij zijn met zomervakantie: wat u nu bestelt, gaat weg zodra wij terug zijn.',
    de: 'Wir machen Sommerpause: Was jetzt bestellt wird, geht nach unserer Rückkehr hinaus.',
    fr: 'Nous sommes en congé d’été : les commandes partiront à notre retour.',
    da: 'Vi holder sommerferie: det, du bestiller nu, sendes, når vi er tilbage.',
    ja: '夏季休業中です。ご注文は営業再開後に発送します。',
    ar: 'نحن في إجازة صيفية: تُشحن الطلبات عند عودتنا.',
  },
};
