import type { Policy } from '../../src/core/policy/types.ts';

export const wording: Policy['wording'] = {
  'free-delivery': {
    progress: {
      everyPlace: {
        'en-GB': 'Add {remaining} more for free delivery.',
        'nl-NL': 'Nog {remaining} tot gratis bezorging.',
        'da-DK': 'Køb for {remaining} mere og få gratis levering.',
        'de-CH': 'Noch {remaining} bis zum kostenlosen Versand.',
        'ja-JP': 'あと{remaining}で送料無料です。',
      },
      cart: {
        'en-GB':
          '{items, plural, one {One item} other {# items}} so far. Add {remaining} more and delivery is free from {goal}.',
        'nl-NL':
          '{items, plural, one {Eén artikel} other {# artikelen}} tot nu toe. Nog {remaining} en bezorging is gratis vanaf {goal}.',
      },
    },
    reached: {
      everyPlace: {
        'en-GB': 'Your delivery is free.',
        'nl-NL': 'Uw bezorging is gratis.',
        'da-DK': 'Din levering er gratis.',
        'de-CH': 'Der Versand ist kostenlos.',
        'ja-JP': '送料無料になりました。',
      },
    },
    newsletter: {
      everyPlace: {
        'en-GB': 'From {goal} on, we deliver for free.',
        'nl-NL': 'Vanaf {goal} bezorgen we gratis.',
        'fr-BE': 'Dès {goal}, la livraison est gratuite.',
        'da-DK': 'Fra {goal} leverer vi gratis.',
        'de-CH': 'Ab {goal} liefern wir kostenlos.',
        'en-US': 'From {goal} on, we deliver for free.',
        'ja-JP': '{goal}以上のご注文で送料無料。',
      },
    },
    landingPage: {
      everyPlace: {
        'en-GB': 'Kites, lines and windsocks to your door: spend {goal} or more and delivery is free.',
        'nl-NL': 'Vliegers, lijnen en windzakken aan huis: besteed {goal} of meer en de bezorging is gratis.',
        'ja-JP': '凧、ライン、吹き流しをお届けします。{goal}以上で送料無料。',
      },
    },
  },
  'two-steps': {
    invite: {
      everyPlace: {
        'en-GB': 'From {goal}, the parcel shop is free.',
        'de-DE': 'Ab {goal} ist der Paketshop kostenlos.',
        'ar-DE': 'ابتداءً من {goal} يكون الاستلام من متجر الطرود مجانيًا.',
      },
    },
    progress: {
      everyPlace: {
        'en-GB': 'Add {remaining} more for the next step.',
        'de-DE': 'Noch {remaining} bis zur nächsten Stufe.',
        'ar-DE': 'أضف {remaining} للوصول إلى الخطوة التالية.',
      },
      cart: {
        'en-GB': '{items, plural, one {One item} other {# items}} so far. Add {remaining} more for the next step.',
        'de-DE':
          '{items, plural, one {Ein Artikel} other {# Artikel}} bisher. Noch {remaining} bis zur nächsten Stufe.',
        'ar-DE':
          '{items, plural, zero {لا منتجات} one {منتج واحد} two {منتجان} few {# منتجات} many {# منتجًا} other {# منتج}} حتى الآن. أضف {remaining} للوصول إلى الخطوة التالية.',
      },
    },
    nearly: {
      everyPlace: {
        'en-GB': 'Nearly there: {remaining} more.',
        'de-DE': 'Fast geschafft: noch {remaining}.',
        'ar-DE': 'اقتربت: بقي {remaining}.',
      },
    },
    onward: {
      everyPlace: {
        'en-GB': 'Cheaper already. Add {remaining} more for the next step, from {goal}.',
        'de-DE': 'Schon günstiger. Noch {remaining} bis zur nächsten Stufe ab {goal}.',
        'ar-DE': 'التوصيل أرخص الآن. أضف {remaining} للخطوة التالية ابتداءً من {goal}.',
      },
    },
    reached: {
      everyPlace: {
        'en-GB': '{reward, select, deliveryFree {Your delivery is free.} other {Your delivery costs less.}}',
        'de-DE': '{reward, select, deliveryFree {Der Versand ist kostenlos.} other {Der Versand kostet weniger.}}',
        'ar-DE': '{reward, select, deliveryFree {التوصيل مجاني.} other {التوصيل أرخص.}}',
      },
    },
    newsletter: {
      everyPlace: {
        'en-GB': '{reward, select, deliveryFree {From {goal} delivery is free.} other {From {goal} it costs {given}.}}',
        'de-DE':
          '{reward, select, deliveryFree {Ab {goal} ist der Versand kostenlos.} other {Ab {goal} kostet er {given}.}}',
        'ar-DE':
          '{reward, select, deliveryFree {التوصيل مجاني ابتداءً من {goal}.} other {التوصيل مقابل {given} ابتداءً من {goal}.}}',
      },
    },
  },
  'members-sooner': {
    progress: {
      everyPlace: {
        'nl-NL': 'Als lid nog {remaining} tot gratis bezorging.',
        'de-DE': 'Als Mitglied noch {remaining} bis zum kostenlosen Versand.',
        'en-GB': 'As a member, add {remaining} more for free delivery.',
        'ar-DE': 'بصفتك عضوًا، أضف {remaining} للحصول على توصيل مجاني.',
      },
    },
    nearly: { everyPlace: { 'nl-NL': 'Bijna: nog {remaining}.', 'en-GB': 'Nearly there: {remaining} more.' } },
    reached: {
      everyPlace: {
        'nl-NL': 'Als lid is uw bezorging gratis.',
        'de-DE': 'Als Mitglied ist der Versand kostenlos.',
        'en-GB': 'As a member, your delivery is free.',
        'ar-DE': 'بصفتك عضوًا، التوصيل مجاني.',
      },
    },
  },
  'first-order': {
    progress: {
      everyPlace: {
        'nl-NL': 'Nog {remaining} en de eerste bezorging kost de helft.',
        'en-GB': 'Add {remaining} more and the first delivery costs half.',
        'de-DE': 'Noch {remaining} und der erste Versand kostet die Hälfte.',
      },
    },
    reached: {
      everyPlace: {
        'nl-NL': 'Uw eerste bezorging kost de helft.',
        'en-GB': 'Your first delivery costs half.',
        'de-DE': 'Der erste Versand kostet die Hälfte.',
      },
    },
  },
  'three-spares': {
    progress: {
      everyPlace: {
        'en-GB': '{remaining, plural, one {One more spare} other {# more spares}} and delivery costs less.',
        'en-US': '{remaining, plural, one {One more spare} other {# more spares}} and delivery costs less.',
        'da-DK': '{remaining, plural, one {Én reservedel} other {# reservedele}} mere, så koster leveringen mindre.',
      },
    },
    reached: {
      everyPlace: {
        'en-GB': 'Delivery costs less with your spares.',
        'en-US': 'Delivery costs less with your spares.',
        'da-DK': 'Leveringen koster mindre med dine reservedele.',
      },
    },
  },
  'windy-weekend': {
    progress: {
      everyPlace: {
        'nl-NL': 'Dit weekend nog {remaining} tot gratis bezorging.',
        'en-GB': 'This weekend, add {remaining} more for free delivery.',
      },
    },
    reached: {
      everyPlace: {
        'nl-NL': 'Dit weekend is uw bezorging gratis.',
        'en-GB':
          '{reward, select, deliveryFree {This weekend your delivery is free, until {deadline}.} other {This weekend your delivery costs less, until {deadline}.}}',
      },
    },
    newsletter: {
      everyPlace: {
        'nl-NL': 'Het gaat waaien: gratis bezorging vanaf {goal}, tot en met {deadline}.',
        'en-GB': 'Wind ahead: free delivery from {goal}, until {deadline}.',
      },
    },
  },
  'order-today': {
    notice: {
      everyPlace: {
        'en-GB': 'Order within {cutOff} and it is with you by {arrives}.',
        'nl-NL': 'Bestel binnen {cutOff} en u hebt het uiterlijk {arrives}.',
        'fr-BE': 'Commandez dans les {cutOff} pour une livraison au plus tard le {arrives}.',
      },
    },
  },
  'winter-storms': {
    notice: {
      everyPlace: {
        'en-GB': 'Storms delay parcels by a day or two.',
        'nl-NL': 'Door de storm komen pakketten een of twee dagen later.',
      },
      strip: { 'nl-NL': 'Storm: pakketten komen later.' },
    },
  },
  'before-the-holidays': {
    notice: {
      everyPlace: {
        'en-GB': 'Order within {cutOff} to have it before the holidays.',
        'en-US': 'Order within {cutOff} to have it before the holidays.',
      },
    },
  },
  neighbours: {
    missedOut: {
      everyPlace: {
        'en-GB': 'The cheaper beach round is for the neighbourhood.',
        'nl-NL': 'De strandronde voor minder is er voor de buurt.',
      },
    },
  },
};

/** Of two texts the English one has been rewritten since they were translated. */
export const textNotes: NonNullable<Policy['textNotes']> = {
  'free-delivery': {
    progress: {
      everyPlace: {
        'da-DK': { madeFrom: 'Only {remaining} more for free delivery.' },
        'de-CH': { madeFrom: 'Add {remaining} more for free delivery.' },
      },
    },
    reached: { everyPlace: { 'de-CH': { madeFrom: 'Delivery is free.' } } },
  },
};

export const look: NonNullable<Policy['look']> = {
  style: 'filled',
  colours: { ground: '#173f4f', ink: '#fffaf0', bar: '#f2924b' },
  position: 'top',
  closable: true,
  countdownWithin: 7,
};
