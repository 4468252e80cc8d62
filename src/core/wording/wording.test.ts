import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { csvOf } from '../tabular/write-csv.ts';
import { readTextCsv, textCsv } from '../translations/text-csv.ts';
import { countdownInWords } from './look/countdown-words.ts';
import { deadlineInWords } from './deadline.ts';
import { canBeShown, wordingFaults } from './faults.ts';
import { findText } from './find-text.ts';
import { optionLabel } from './option-label.ts';
import { directionOf } from './languages/languages.ts';
import { faultsAt, policyWordingFaults } from './policy-faults.ts';
import { startOffer } from '../offers/authoring/starter-offers.ts';
import { starterOffers } from '../offers/authoring/starters.ts';
import { renderText } from './render.ts';
import type { RewardKind } from '../offers/reward-kinds.ts';
import { textSamples } from './samples.ts';
import { textTable } from './text-table.ts';

const situation = {
  shownIn: ['strip'],
  setting: { currency: 'EUR', timeZone: 'Europe/Amsterdam' },
  measure: 'value',
  without: [],
  rewards: [],
} as const;
const faults = (text: string, language = 'en-GB', state: 'progress' | 'reached' = 'progress') =>
  wordingFaults(text, { ...situation, language, state }).map(({ message }) => message);

describe('mistakes in a text', () => {
  test('a good text has none', () => expect(faults('Add {remaining} more.')).toEqual([]));
  test('an empty text is not a mistake: the place inherits', () => expect(faults('')).toEqual([]));
  test('an unknown argument, and where', () => {
    const [fault] = wordingFaults('Add {remainin} more.', { ...situation, language: 'en-GB', state: 'reached' });
    expect(fault).toMatchObject({ severity: 'wrong', at: { offset: 4, length: 10 } });
    expect(fault!.message).toMatch(/no argument \{remainin\}.*\{remaining\}/);
  });
  test('a missing one that the state needs', () => {
    expect(faults('Nearly there.')).toEqual(['It does not say {remaining}, what is still missing.']);
    expect(faults('Your delivery is free.', 'en-GB', 'reached')).toEqual([]);
  });
  test('braces that do not close', () => expect(faults('Add {remaining more.')[0]).toMatch(/cannot be read/));
  test('an amount put into a plural', () =>
    expect(faults('{remaining, plural, one {a} other {b}}').join()).toMatch(/is an amount/));
  test('a text too long for its place', () =>
    expect(faults(`${'word '.repeat(30)}{remaining}`).join()).toMatch(/shows at most 120/));
});

test('mistakes of a whole policy name the text they are in', () => {
  const policy = structuredClone(smallStore);
  expect(policyWordingFaults(policy)).toEqual([]);
  policy.wording['free-delivery']!.progress!.everyPlace!['nl-NL'] = 'Nog {reste}';
  expect(policyWordingFaults(policy)).toMatchObject([
    { speakerId: 'free-delivery', state: 'progress', place: 'everyPlace', language: 'nl-NL', severity: 'wrong' },
    { message: expect.stringMatching(/does not say/) },
  ]);
});

describe('which text is shown', () => {
  const find = (place: 'strip' | 'cart', language: string, languages = ['nl-NL', 'fr-BE']) =>
    findText(smallStore, { speakerId: 'free-delivery', state: 'progress', place, language }, languages);
  test('the place’s own before that of every place', () => {
    expect(find('cart', 'nl-NL')).toMatchObject({ inherited: false, fallback: null });
    expect(find('strip', 'nl-NL')).toMatchObject({ inherited: true, fallback: null });
  });
  test('a language falls back to its base and then to the market’s first, and says so', () => {
    expect(find('strip', 'en-US')).toMatchObject({ language: 'en-GB', fallback: { wanted: 'en-US' } });
    expect(find('strip', 'fr-BE')).toMatchObject({ language: 'nl-NL', fallback: { wanted: 'fr-BE' } });
    expect(find('strip', 'fr-BE', ['fr-BE'])).toBeNull();
  });
  test('option labels fall back the same way, last to the internal name', () => {
    const option = smallStore.options['nlbe-door']!;
    expect(optionLabel(option, 'en-AU', ['nl-NL'])).toBe('Parcel to your door');
    expect(optionLabel(option, 'ja-JP', ['nl-NL'])).toBe('Pakket aan huis');
    expect(optionLabel(option, 'ja-JP', [])).toBe('Parcel to the door');
  });
});

test('a text is filled, never taken for markup, and a faulty one says nothing', () => {
  expect(renderText('<b>{remaining}</b>', 'en-GB', { remaining: '€1.00' })).toBe('<b>€1.00</b>');
  expect(renderText('{items, plural, one {one item} other {# items}}', 'en-GB', { items: 1 })).toBe('one item');
  expect(renderText('{items', 'en-GB', { items: 1 })).toBeNull();
  expect(renderText('{nobody}', 'en-GB', {})).toBeNull();
});

describe('what an offer has nothing for', () => {
  const windy = {
    ...smallStore.offers['free-delivery']!,
    schedule: { readIn: 'market' as const, until: '2027-03-29T00:00' },
  };
  const withEnd = { ...smallStore, offers: { 'free-delivery': windy } };
  const address = { speakerId: 'free-delivery', state: 'reached', place: 'strip', language: 'en-GB' } as const;
  test('a deadline only where there is an end, a code only where there is one', () => {
    expect(faultsAt(smallStore, address, 'Until {deadline}.')[0]).toMatchObject({
      breaks: true,
      message: expect.stringMatching(/no end/),
    });
    expect(faultsAt(withEnd, address, 'Until {deadline}.')).toEqual([]);
    expect(faultsAt(smallStore, address, 'With {code}.')[0]).toMatchObject({
      breaks: true,
      message: expect.stringMatching(/no code/),
    });
  });
  test('rewards are chosen by, not printed', () => {
    expect(faultsAt(smallStore, address, '{reward}')[0]!.message).toMatch(/chooses between/);
    expect(faultsAt(smallStore, address, '{reward, select, deliveryFree {Free.} other {Less.}}')).toEqual([]);
    expect(faultsAt(smallStore, address, '{reward, select, gratis {Free.} other {Less.}}')[0]).toMatchObject({
      severity: 'risky',
      message: expect.stringMatching(/never gratis/),
    });
  });
  test('the deadline is the last minute, on the market’s clock, through the change of clocks', () => {
    const until = Date.parse('2027-03-28T22:00Z');
    expect(deadlineInWords(until, 'Europe/Berlin', 'en-GB')).toBe('Sunday 28 March at 23:59');
    expect(deadlineInWords(until, 'Europe/London', 'en-GB')).toBe('Sunday 28 March at 22:59');
  });
});

describe('texts that promise another reward than the offer gives', () => {
  const said = (text: string, rewards: RewardKind[][], language = 'en-GB') =>
    wordingFaults(text, { ...situation, language, state: 'reached', rewards }).map(
      ({ severity, message }) => [severity, message] as const,
    );
  test('free is said only where delivery or a gift is free', () => {
    expect(said('Your delivery is free.', [['deliveryFree']])).toEqual([]);
    expect(said('A free gift comes along.', [['gift']])).toEqual([]);
    expect(said('Your delivery is free.', [['deliveryAt']])).toEqual([
      ['wrong', expect.stringContaining('the offer gives delivery at a fixed price')],
    ]);
    for (const [text, language] of [
      ['Uw bezorging is gratis.', 'nl-NL'],
      ['Der Versand ist kostenlos.', 'de-CH'],
      ['La livraison est offerte.', 'fr-BE'],
      ['送料無料になりました。', 'ja-JP'],
      ['التوصيل مجاني.', 'ar-DE'],
      ['Din levering er gratis.', 'da-DK'],
    ] as const) {
      expect([language, said(text, [['deliveryLessPercent']], language).length]).toEqual([language, 1]);
      expect([language, said(text, [['deliveryFree']], language)]).toEqual([language, []]);
    }
    expect(said('Bis Freitag.', [['deliveryAt']], 'de-DE')).toEqual([]);
    expect(said('We feel carefree.', [['deliveryAt']])).toEqual([]);
  });
  test('of a text that chooses its words by the reward, those that are read count', () => {
    const text = '{reward, select, deliveryFree {Your delivery is free.} other {Your delivery costs less.}}';
    expect(said(text, [['deliveryAt'], ['deliveryFree']])).toEqual([]);
    expect(said('{reward, select, gift {A gift.} other {Your delivery is free.}}', [['deliveryAt']])).toHaveLength(1);
  });
  test('one text for goals that give different things is risky', () =>
    expect(said('It costs less.', [['deliveryAt'], ['gift']])).toEqual([
      ['risky', expect.stringContaining('tells them apart')],
    ]));
  test('a starter’s texts follow the reward', () => {
    const started = startOffer(
      starterOffers.find(({ id }) => id === 'threeItems')!,
      demoPolicy,
      '',
      'en-GB',
    );
    const policy = structuredClone({
      ...demoPolicy,
      offers: { ...demoPolicy.offers, it: { order: 99, ...started.offer } },
      wording: { ...demoPolicy.wording, it: started.wording },
    });
    policy.offers.it!.goals.first!.rewards = {
      fixed: {
        order: 1,
        kind: 'deliveryAt',
        on: { by: 'all' },
        coversOwnDelivery: false,
        price: { uk: { exact: 200 } },
      },
    };
    expect(policyWordingFaults(policy).filter(({ speakerId }) => speakerId === 'it')).toEqual([]);
    expect(renderText(started.wording.reached!.everyPlace!['en-GB']!, 'en-GB', { reward: 'deliveryAt' })).toBe(
      'Your delivery costs less.',
    );
  });
});

test('samples: the typical, the least and the most that can be missing, one piece and many, and where amounts are widest', () => {
  const compiled = compilePolicy(demoPolicy);
  const samples = textSamples(
    compiled,
    { speakerId: 'free-delivery', state: 'progress', language: 'en-GB' },
    compiled.markets.get('nlbe')!,
    0,
  );
  expect(samples.map(({ name, values: { remaining, items }, market: { id } }) => [name, remaining, items, id])).toEqual(
    [
      ['typical', 1500, 3, 'nlbe'],
      ['least missing', 1, 3, 'nlbe'],
      ['most missing', 7499, 3, 'nlbe'],
      ['one piece', 1500, 1, 'nlbe'],
      ['many pieces', 1500, 99, 'nlbe'],
      ['widest amounts', expect.any(Number), 3, expect.stringMatching(/dk|jp|ch/)],
    ],
  );
});

test('what is left is told in the two largest units', () => {
  expect(countdownInWords({ days: 2, hours: 3, minutes: 4, seconds: 5 }, 'en-GB')).toBe('2 days, 3 hours');
  expect(countdownInWords({ days: 1, hours: 0, minutes: 4, seconds: 5 }, 'nl-NL')).toBe('1 dag');
  expect(countdownInWords({ days: 0, hours: 0, minutes: 0, seconds: 9 }, 'en-GB')).toBe('9 seconds');
});

test('right-to-left languages are known by their script', () => {
  expect(['ar-DE', 'he-IL', 'fa-IR', 'ur-PK', 'nl-NL', 'ja-JP', 'az-AZ'].map(directionOf)).toEqual([
    'rtl',
    'rtl',
    'rtl',
    'rtl',
    'ltr',
    'ltr',
    'ltr',
  ]);
});

test('all texts side by side: what is written, falls back, is missing or stale', () => {
  const { languages, rows } = textTable(demoPolicy);
  expect(languages[0]).toBe('en-GB');
  const cell = (offer: string, state: string, language: string) =>
    rows.find(({ speakerId, state: of, place }) => speakerId === offer && of === state && place === 'everyPlace')!
      .cells[languages.indexOf(language)]!;
  expect(cell('free-delivery', 'progress', 'nl-NL').status).toBe('written');
  expect(cell('free-delivery', 'progress', 'da-DK')).toMatchObject({
    status: 'stale',
    madeFrom: 'Only {remaining} more for free delivery.',
  });
  expect(cell('free-delivery', 'progress', 'fr-BE')).toMatchObject({ status: 'fallsBack', to: 'nl-NL' });
  expect(cell('two-steps', 'progress', 'nl-NL').status).toBe('notNeeded');
  expect(cell('first-order', 'progress', 'ar-DE')).toMatchObject({ status: 'fallsBack', to: 'de-DE' });
});

test('a CSV of all texts comes back as it went, whatever stands in it', () => {
  fc.assert(
    fc.property(
      fc
        .array(
          fc.oneof(
            fc.string({ maxLength: 10 }),
            fc.constantFrom('=1+1', "'=", "'", '"', ';', ',', '\r\n', '{remaining}', '-5', '\t'),
          ),
          { minLength: 1, maxLength: 5 },
        )
        .map((pieces) => pieces.join('')),
      (text) => {
        fc.pre(
          text.trim() !== '' &&
            canBeShown(text) &&
            faultsAt(
              demoPolicy,
              { speakerId: 'free-delivery', state: 'reached', place: 'everyPlace', language: 'nl-NL' },
              text,
            ).every(({ breaks }) => !breaks),
        );
        const policy = structuredClone(demoPolicy);
        policy.wording['free-delivery']!.reached!.everyPlace!['nl-NL'] = text;
        const { heading, rows } = textCsv(policy);
        const { changed, rejected } = readTextCsv(csvOf(heading, rows), demoPolicy);
        expect(rejected).toEqual([]);
        expect(changed.map((one) => one.text)).toEqual(
          text === demoPolicy.wording['free-delivery']!.reached!.everyPlace!['nl-NL'] ? [] : [text],
        );
      },
    ),
    { numRuns: 300 },
  );
});

test('a file that is not a table of texts says so, and strange rows are named', () => {
  expect(readTextCsv('', demoPolicy).rejected).toEqual([{ at: 'line 1', reason: 'the file is empty' }]);
  expect(readTextCsv('a,b\r\n1,2\r\n', demoPolicy).rejected).toEqual([
    { at: 'line 1', reason: 'the heading lacks offer, state, place' },
  ]);
  const { changed, rejected } = readTextCsv(
    'offer,state,place,nl-NL\r\ngone,progress,everyPlace,x\r\nfree-delivery,progress,everyPlace,Nog {remaning}\r\nfree-delivery,reached,strip,Klaar\r\n',
    demoPolicy,
  );
  expect(rejected.map(({ at }) => at)).toEqual(['line 2, nl-NL', 'line 3, nl-NL']);
  expect(changed).toMatchObject([{ text: 'Klaar', address: { state: 'reached', place: 'strip' } }]);
});
