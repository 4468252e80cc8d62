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
        'en-GB': '{items, plural, one {One item} other {# items}} so far. Add {remaining} more and delivery is free from {goal}.',
        'nl-NL': '{items, plural, one {Eén artikel} other {# artikelen}} tot nu toe. Nog {remaining} en bezorging is gratis vanaf {goal}.',
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
  },
  'two-steps': {
    invite: { everyPlace: { 'de-DE': 'Ab {goal} ist der Paketshop kostenlos.' } },
    progress: { everyPlace: { 'de-DE': 'Noch {remaining} bis zur nächsten Stufe.' } },
    nearly: { everyPlace: { 'de-DE': 'Fast geschafft: noch {remaining}.' } },
    onward: { everyPlace: { 'de-DE': 'Schon günstiger. Noch {remaining} bis zur nächsten Stufe ab {goal}.' } },
    reached: { everyPlace: { 'de-DE': 'Der Versand ist kostenlos, auch express.' } },
  },
  'members-sooner': {
    progress: { everyPlace: { 'nl-NL': 'Als lid nog {remaining} tot gratis bezorging.', 'de-DE': 'Als Mitglied noch {remaining} bis zum kostenlosen Versand.', 'en-GB': 'As a member, add {remaining} more for free delivery.' } },
    nearly: { everyPlace: { 'nl-NL': 'Bijna: nog {remaining}.' } },
    reached: { everyPlace: { 'nl-NL': 'Als lid is uw bezorging gratis.', 'de-DE': 'Als Mitglied ist der Versand kostenlos.', 'en-GB': 'As a member, your delivery is free.' } },
  },
  'first-order': {
    progress: { everyPlace: { 'nl-NL': 'Nog {remaining} en de eerste bezorging kost de helft.', 'en-GB': 'Add {remaining} more and the first delivery costs half.', 'de-DE': 'Noch {remaining} und der erste Versand kostet die Hälfte.' } },
    reached: { everyPlace: { 'nl-NL': 'Uw eerste bezorging kost de helft.', 'en-GB': 'Your first delivery costs half.', 'de-DE': 'Der erste Versand kostet die Hälfte.' } },
  },
  'three-spares': {
    progress: { everyPlace: { 'en-US': '{remaining, plural, one {One more spare} other {# more spares}} and delivery costs less.', 'da-DK': '{remaining, plural, one {Én reservedel} other {# reservedele}} mere, så koster leveringen mindre.' } },
    reached: { everyPlace: { 'en-US': 'Delivery costs less with your spares.', 'da-DK': 'Leveringen koster mindre med dine reservedele.' } },
  },
  'windy-weekend': {
    progress: { everyPlace: { 'nl-NL': 'Dit weekend nog {remaining} tot gratis bezorging.', 'en-GB': 'This weekend, add {remaining} more for free delivery.' } },
    reached: { everyPlace: { 'nl-NL': 'Dit weekend is uw bezorging gratis.', 'en-GB': 'This weekend your delivery is free.' } },
  },
  neighbours: { missedOut: { everyPlace: { 'nl-NL': 'De strandronde voor minder is er voor de buurt.' } } },
};
