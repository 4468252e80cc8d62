import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { evaluateLines } from '../../../../tests/support/evaluate-store.ts';
import { compareOrder } from './compare-order.ts';
import { outcomeOf, redeemedOffers } from './outcome.ts';

const offered = (...given: Parameters<typeof evaluateLines>) => outcomeOf(evaluateLines(...given));
const small = offered(demoPolicy, { 'tidewing-16': 1 });
const large = offered(demoPolicy, { 'night-heron': 2 });
const door = ({ options }: typeof small) => options.find(({ option }) => option === 'nlbe-door')!;

describe('what was charged for an order, beside the rules', () => {
  test('agrees, or is more or less, to the cent', () => {
    const { after } = door(small);
    expect(after).toBeGreaterThan(0);
    const charged = (delivery: number) => compareOrder(small, { option: 'nlbe-door', delivery });
    expect(charged(after)).toEqual({ verdict: 'agrees', because: null, offer: null, expected: after });
    expect(charged(after + 1)).toMatchObject({ verdict: 'more', expected: after });
    expect(charged(0)).toMatchObject({ verdict: 'less', expected: after });
    expect(compareOrder(large, { option: 'nlbe-door', delivery: 0 })).toMatchObject({ verdict: 'agrees', expected: 0 });
  });
  test('names an offer that was not due, and none that was', () => {
    const ordered = (evaluation: typeof small, offers: string[]) =>
      compareOrder(evaluation, { option: 'nlbe-door', delivery: door(evaluation).after, offers });
    expect(ordered(large, ['free-delivery'])).toMatchObject({ verdict: 'agrees', offer: null });
    expect(ordered(small, ['free-delivery'])).toMatchObject({ verdict: 'offerNotDue', offer: 'free-delivery' });
    expect(ordered(large, [])).toMatchObject({ verdict: 'agrees' });
  });
  test('says why an option is not offered', () => {
    expect(compareOrder(small, { option: 'deat-door', delivery: 0 })).toEqual({
      verdict: 'notOffered',
      because: 'notInZone',
      offer: null,
      expected: null,
    });
    const nowhere = offered(demoPolicy, { 'tidewing-16': 1 }, { destination: { country: 'CA', postcode: '' } });
    expect(compareOrder(nowhere, { option: 'nlbe-door', delivery: 0 })).toMatchObject({
      verdict: 'notOffered',
      because: nowhere.noOptions,
    });
  });
  test('a carrier that was not asked leaves it open', () => {
    const island = offered(demoPolicy, { 'tidewing-16': 1 }, { destination: { country: 'NL', postcode: '8893 AB' } });
    const waiting = island.unavailable.find(({ reason }) => reason === 'carrierSilent')!;
    expect(compareOrder(island, { option: waiting.option, delivery: 995 })).toMatchObject({
      verdict: 'notCompared',
      because: 'carrierSilent',
    });
  });
  test('an order that nothing is delivered of', () => {
    const download = offered(demoPolicy, { 'gift-card-25': 1 });
    expect(download.noOptions).toBe('nothingToDeliver');
    expect(compareOrder(download, { option: null, delivery: 0 })).toMatchObject({ verdict: 'agrees', expected: 0 });
    expect(compareOrder(download, { option: null, delivery: 5 })).toMatchObject({ verdict: 'more', expected: 0 });
    expect(compareOrder(small, { option: null, delivery: 0 })).toMatchObject({
      verdict: 'notOffered',
      because: 'notDelivered',
    });
  });
});

test('offers are redeemed where they set the price of what is taken, or give goods', () => {
  expect(redeemedOffers(large, 'nlbe-door')).toContain('free-delivery');
  expect(redeemedOffers(small, 'nlbe-door')).not.toContain('free-delivery');
  expect(redeemedOffers(large)).toEqual(
    expect.arrayContaining(large.options.flatMap(({ option }) => redeemedOffers(large, option))),
  );
  expect(redeemedOffers({ ...large, offers: ['gift'] }, null)).toEqual(['gift']);
});
