import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { changed } from '../../../../tests/support/evaluate-store.ts';
import { randomInput, randomPolicyWithZones } from '../../../../tests/support/random-policy.ts';
import { checkPolicy } from '../../checks/validate.ts';
import { compilePolicy } from '../../evaluation/compile.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { formatMoney } from '../../money/format.ts';
import type { Policy } from '../../policy/types.ts';
import { faultsAt } from '../policy-faults.ts';
import { textTable } from '../text-table.ts';
import { isOutside } from './outside-states.ts';
import { outsideTexts } from './outside-texts.ts';

const filled = (policy: Policy, offerId: string, written = policy) =>
  outsideTexts(compilePolicy(policy), offerId, 'newsletter', {
    locale: 'en-GB',
    ownPrices: () => false,
    written,
  }).map(({ text, ...rest }) => ({ ...rest, text: text && text.replaceAll('\u00a0', ' ') }));
const saying = (offerId: string, texts: Record<string, string>, change: (copy: Policy) => void = () => {}): Policy =>
  changed(demoPolicy, (copy) => {
    copy.wording[offerId] = { ...copy.wording[offerId], newsletter: { everyPlace: texts } };
    change(copy);
  });
const inMarket = (policy: Policy, offerId: string, marketId: string) =>
  filled(policy, offerId).filter((one) => one.marketId === marketId);

describe('a text for outside', () => {
  test('is filled in every market and language of the offer, with what each market asks', () => {
    const policy = saying('free-delivery', { 'nl-NL': 'Vanaf {goal} gratis.', 'da-DK': 'Gratis fra {goal}.' });
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    expect(
      filled(policy, 'free-delivery').map(({ marketId, language, text, withheld }) => [
        marketId,
        language,
        text ?? withheld,
      ]),
    ).toEqual([
      ['nlbe', 'nl-NL', 'Vanaf € 75,00 gratis.'],
      ['nlbe', 'fr-BE', 'notWritten'],
      ['uk', 'en-GB', 'notWritten'],
      ['dk', 'da-DK', 'Gratis fra 569,00 kr..'],
      ['ch', 'de-CH', 'notWritten'],
      ['ch', 'fr-CH', 'notWritten'],
      ['us', 'en-US', 'notWritten'],
      ['jp', 'ja-JP', 'notWritten'],
    ]);
  });
  test('has a line for each goal, which names what it gives', () => {
    const text = '{reward, select, deliveryFree {{goal}: free} other {{goal}: {given}}}';
    expect(inMarket(saying('two-steps', { 'de-DE': text }), 'two-steps', 'deat')[0]!.text).toBe(
      '59,00 €: free\n79,00 €: 1,90 €\n139,00 €: free',
    );
    const share = saying('heavy-load', { 'de-CH': '{given} from {goal} g' });
    expect(inMarket(share, 'heavy-load', 'ch')[0]!.text).toBe('33.3% from 5000 g');
  });
  test('stands among the texts of all languages, and is missing where it is not written', () => {
    const rows = textTable(saying('free-delivery', { 'en-GB': 'From {goal}', 'nl-NL': 'Vanaf {goal}' })).rows;
    const row = rows.find(({ speakerId, state }) => speakerId === 'free-delivery' && state === 'newsletter')!;
    expect(Object.fromEntries(row.cells.map(({ language, status }) => [language, status]))).toMatchObject({
      'nl-NL': 'written',
      'fr-BE': 'missing',
      'de-DE': 'notNeeded',
    });
  });
  test('is filled whether or not the offer is on, and whoever it is for', () => {
    const off = saying('members-sooner', { 'nl-NL': '{goal}' }, (copy) => (copy.offers['members-sooner']!.on = false));
    expect(inMarket(off, 'members-sooner', 'nlbe')[0]).toMatchObject({
      text: '€ 49,00',
      unsaid: [expect.stringContaining('only when “'), expect.stringContaining('not for “')],
    });
  });
  test('says the amounts of one policy in the words of another', () => {
    const draft = saying('free-delivery', { 'nl-NL': 'Nu {goal}' }, (copy) => {
      copy.offers['free-delivery']!.goals.first!.targets.nlbe = { exact: 7900 };
    });
    expect(filled(demoPolicy, 'free-delivery', draft)[0]!.text).toBe('Nu € 75,00');
    expect(filled(draft, 'free-delivery')[0]!.text).toBe('Nu € 79,00');
  });
  test('is withheld where it says free and nothing is, where a figure lacks, and where nothing is given', () => {
    const first = (policy: Policy, offerId: string) => filled(policy, offerId)[0];
    expect(first(saying('first-order', { 'nl-NL': 'Gratis vanaf {goal}' }), 'first-order')).toMatchObject({
      text: null,
      withheld: 'notFree',
    });
    expect(inMarket(saying('two-steps', { 'de-DE': '{given}' }), 'two-steps', 'deat')[0]!.withheld).toBe('notFilled');
    const nowhere = saying('free-delivery', { 'nl-NL': '{goal}' }, (copy) => {
      for (const option of Object.values(copy.options)) option.on = false;
    });
    expect(first(nowhere, 'free-delivery')!.withheld).toBe('givesNothing');
    expect(filled(demoPolicy, 'order-today')).toEqual([]);
    expect(filled(demoPolicy, 'constructor')).toEqual([]);
  });
});

describe('what a text leaves unsaid', () => {
  test('dates, codes, limits and goods, unless it says them', () => {
    const weekend = (text: string) =>
      inMarket(saying('windy-weekend', { 'nl-NL': text }), 'windy-weekend', 'nlbe')[0]!.unsaid;
    expect(weekend('Gratis!')).toEqual([
      'from €40.00 on',
      'from Friday 26 March at 18:00 on',
      'until Sunday 28 March at 23:59',
    ]);
    expect(weekend('{goal}, {deadline}')).toEqual(['from Friday 26 March at 18:00 on']);
    const letter = inMarket(saying('campaign', { 'en-GB': '{given}' }), 'campaign', 'uk')[0]!;
    expect(letter.text).toBe('10%');
    expect(letter.unsaid).toEqual([
      'the share only off the categories “kites” or “windsocks” with a price that is at least 18.00 GBP',
      'only with one of 2 codes',
      '500 times at most in all',
      '2 times at most a shopper',
    ]);
    const school = (text: string) =>
      inMarket(saying('school-term', { 'de-DE': text }), 'school-term', 'deat')[0]!.unsaid;
    expect(school('{goal}')).toContain('only with the code “SCHOOL”');
    expect(school('{goal} {code}').join()).not.toContain('code');
    expect(inMarket(saying('three-spares', { 'da-DK': 'x' }), 'three-spares', 'dk')[0]!.unsaid[0]).toBe(
      'from 3 items on',
    );
  });
  test('of each goal, the options that stay as they are; zones where nothing is given; caps; what goods add of their own', () => {
    const [steps] = inMarket(saying('two-steps', { 'de-DE': '{goal}' }), 'two-steps', 'deat');
    expect(steps!.unsaid).toEqual([
      'from €59.00 not in “Austria”',
      'from €59.00 not for “Parcel to the door” and “Express”',
      'from €79.00 not for “Express”',
      'only where delivery costs at most €25.00',
    ]);
    const mainland = saying('free-delivery', { 'nl-NL': '{goal}' }, (copy) => {
      const { options } = copy;
      for (const option of Object.values(options)) if (option.zone === 'nlbe-islands') option.kind = 'pickUp';
    });
    expect(inMarket(mainland, 'free-delivery', 'nlbe')[0]!.unsaid[0]).toMatch(/^not in “/);
    const own = outsideTexts(compilePolicy(demoPolicy), 'free-delivery', 'newsletter', {
      locale: 'en-GB',
      ownPrices: (marketId) => marketId === 'uk',
      written: demoPolicy,
    });
    const still = 'what goods with a delivery price of their own add is still paid';
    expect(own.filter(({ unsaid }) => unsaid.includes(still)).map(({ marketId }) => marketId)).toEqual(['uk']);
  });
});

describe('what can be written', () => {
  const faults = (offerId: string, text: string, state: 'newsletter' | 'reached' = 'newsletter') =>
    faultsAt(demoPolicy, { speakerId: offerId, state, place: 'everyPlace', language: 'en-GB' }, text).map(
      ({ message }) => message,
    );
  test('only what is known without a cart', () => {
    expect(faults('free-delivery', 'Spend {goal}: delivery is free.')).toEqual([]);
    expect(faults('free-delivery', '{remaining} to go')).toEqual([
      'Outside the shop there is no cart, so there is no {remaining}.',
    ]);
    expect(faults('free-delivery', '{given}')).toEqual([
      'What is given is no amount and no share, so there is no {given}.',
    ]);
    expect(faults('campaign', '{goal}')).toEqual(['No amount is asked for, so there is no {goal}.']);
    expect(faults('first-order', 'Your first delivery is free.')[0]).toContain('says that something is free');
    expect(faults('first-order', 'less {given}', 'reached')).toEqual([
      'Only a text for outside the shop says {given}.',
    ]);
  });
  test('for no place of the shop', () => {
    const policy = changed(demoPolicy, (copy) => (copy.wording['free-delivery']!.newsletter!.strip = { 'en-GB': 'x' }));
    expect(JSON.stringify(checkPolicy(policy))).toContain('/wording/free-delivery/newsletter/strip');
    const notice = changed(demoPolicy, (copy) => (copy.wording['order-today']!.newsletter = {}));
    expect(checkPolicy(notice).ok).toBe(false);
  });
});

test('says what evaluation enforces, and changes nothing that shoppers read or pay', () => {
  let compared = 0;
  fc.assert(
    fc.property(randomPolicyWithZones, randomInput, (policy, input) => {
      const evaluation = evaluate(compilePolicy(policy), input);
      const written = changed(policy, (copy) => {
        const languages = Object.values(copy.markets).flatMap((market) => market.languages);
        for (const id of Object.keys(copy.offers))
          copy.wording[id] = {
            ...copy.wording[id],
            newsletter: { everyPlace: Object.fromEntries(languages.map((language) => [language, '{goal}'])) },
          };
      });
      expect(evaluate(compilePolicy(written), input)).toEqual(evaluation);
      for (const { offerId, goals } of evaluation.offers) {
        if (policy.offers[offerId]!.unlock.by === 'code') continue;
        for (const text of filled(written, offerId).filter(({ marketId }) => marketId === evaluation.marketId)) {
          const { currency } = policy.markets[text.marketId]!;
          const said = text.text!.split('\n');
          for (const { target, measure } of goals) {
            const amount =
              measure === 'value'
                ? formatMoney(target!, currency, text.language).replaceAll('\u00a0', ' ')
                : String(target);
            expect(said).toContain(amount);
            compared++;
          }
        }
      }
    }),
    { numRuns: 300 },
  );
  expect(compared).toBeGreaterThan(100);
  expect([isOutside('newsletter'), isOutside('reached')]).toEqual([true, false]);
});
