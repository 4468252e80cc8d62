import { tree } from '../conditions.ts';
import type { PlantedFault } from './planted-fault.ts';
import { country, items, steps, yesNo } from './pieces.ts';

/** Faults of the kinds that stand at Wording and Rehearse. */
export const inWording: PlantedFault[] = [
  {
    kind: 'noticeDates',
    plant: ({ notices }) => (notices!['order-today']!.schedule = { readIn: 'store', until: '2025-12-01T00:00' }),
    says: '“Order by four” is on, but it ended on',
  },
  {
    kind: 'noticeDates',
    plant: ({ notices }) =>
      (notices!['before-the-holidays']!.schedule = { readIn: 'store', until: '2026-01-01T00:00' }),
    says: 'is on, but it ended on',
  },
  {
    kind: 'noticeDates',
    plant: ({ notices }) =>
      (notices!['order-today']!.schedule = { readIn: 'market', from: '2026-01-01T00:00', until: '2026-02-01T00:00' }),
    says: 'is on, but it ended on',
  },
  {
    kind: 'noticeNever',
    plant: ({ notices }) => (notices!['order-today']!.when = tree('all', country('oneOf', 'FR'))),
    says: 'is on, but its condition holds for nobody',
  },
  {
    kind: 'noticeNever',
    plant: ({ notices }) =>
      (notices!['before-the-holidays']!.when = tree('all', items('atLeast', 3), items('atMost', 2))),
    says: 'is on, but its condition holds for nobody',
  },
  {
    kind: 'noticeNever',
    plant: ({ notices }) =>
      (notices!['order-today']!.when = tree('none', yesNo('shopper.signedIn', true), yesNo('shopper.signedIn', false))),
    says: 'is on, but its condition holds for nobody',
  },
  {
    kind: 'noticeConditionAlways',
    plant: ({ notices }) => (notices!['order-today']!.when = tree('all', country('oneOf', 'NL', 'BE', 'LU'))),
    says: 'holds for everybody: it says nothing',
  },
  {
    kind: 'noticeConditionAlways',
    plant: ({ notices }) => (notices!['order-today']!.when = tree('all', items('atLeast', 0))),
    says: 'holds for everybody: it says nothing',
  },
  {
    kind: 'noticeConditionAlways',
    plant: ({ notices }) =>
      (notices!['order-today']!.when = tree('any', country('oneOf', 'NL'), country('noneOf', 'NL'))),
    says: 'holds for everybody: it says nothing',
  },
  {
    kind: 'textFault',
    plant: (policy) => {
      policy.textNotes = {
        ...policy.textNotes,
        'free-delivery': { progress: { everyPlace: { 'nl-NL': { unfinished: 'Nog {rest} te gaan.' } } } },
      };
    },
    says: '“Free delivery”, on the way, nl-NL',
  },
  {
    kind: 'textFault',
    plant: (policy) => {
      policy.textNotes = {
        ...policy.textNotes,
        'first-order': { reached: { everyPlace: { 'en-GB': { unfinished: 'Off {' } } } },
      };
    },
    says: 'Shoppers go on reading',
  },
  {
    kind: 'textFault',
    plant: ({ wording }) =>
      (wording['first-order']!.progress!.everyPlace!['en-GB'] = 'Spend more and delivery is free.'),
    says: '“First order”, on the way, en-GB',
  },
  {
    kind: 'textMissing',
    plant: ({ wording }) => delete wording['free-delivery']!.progress!.everyPlace!['da-DK'],
    says: 'has no text in',
  },
  {
    kind: 'textMissing',
    plant: ({ markets }) => markets.jp!.languages.push('ko-KR'),
    says: 'ko-KR (shoppers read',
  },
  {
    kind: 'textMissing',
    plant: ({ wording }) => {
      for (const texts of Object.values(wording['two-steps']!)) delete texts.everyPlace?.['ar-DE'];
    },
    says: '“Two steps up” has no text in ar-DE',
  },
  {
    kind: 'textStale',
    plant: ({ wording }) =>
      (wording['free-delivery']!.progress!.everyPlace!['en-GB'] = 'Add {remaining} for free delivery.'),
    says: 'which reads otherwise now',
  },
  {
    kind: 'textStale',
    plant: ({ textNotes, wording }) => {
      wording['first-order']!.progress!.everyPlace!['nl-NL'] = 'Nog {remaining}.';
      textNotes!['first-order'] = { progress: { everyPlace: { 'nl-NL': { madeFrom: 'Another text.' } } } };
    },
    says: '“First order”, on the way, nl-NL was made from “Another text.”',
  },
  {
    kind: 'textStale',
    plant: ({ textNotes }) => {
      textNotes!['windy-weekend'] = { reached: { everyPlace: { 'nl-NL': { madeFrom: 'Old.' } } } };
    },
    says: '“Windy weekend”, reached, nl-NL was made from “Old.”',
  },
  {
    kind: 'testCartFails',
    plant: ({ options }) => (options['nlbe-door']!.charge = steps([0, 100])),
    says: 'Test cart “Beach day” comes out otherwise than expected',
  },
  {
    kind: 'testCartFails',
    plant: ({ offers }) => (offers['free-delivery']!.on = false),
    says: 'Test cart “Beach day” comes out otherwise than expected',
  },
  {
    kind: 'testCartFails',
    plant: ({ options }) => (options['nlbe-door']!.on = false),
    says: 'Test cart “Beach day”',
  },
];
