import { describe, expect, test } from 'vitest';
import {
  changed as changedPolicy,
  evaluateLines,
  linesOf,
  pricesOf,
  tuesday,
} from '../../../tests/support/evaluate-store.ts';
import { smallStore } from '../../../tests/support/small-store.ts';
import type { Policy } from '../policy/types.ts';
import { renderLead } from '../wording/render.ts';
import { compilePolicy } from './compile.ts';
import { evaluate } from './evaluate.ts';

const changed = (change: (policy: Policy) => void): Policy => changedPolicy(smallStore, change);

function quote(lines: Record<string, number>, country = 'NL', policy: Policy = smallStore) {
  const evaluation = evaluateLines(policy, lines, { destination: { country, postcode: '' } });
  return { evaluation, compiled: compilePolicy(policy), prices: pricesOf(evaluation) };
}

describe('a small store', () => {
  test('below the goal: the step’s price, the flat price, the remainder in the shopper’s language', () => {
    const { evaluation, compiled, prices } = quote({ 'tidewing-16': 1, 'line-50': 1, winder: 2 });
    expect(evaluation.measures!.goodsValue).toBe(3995 + 1195 + 2 * 495);
    expect(prices).toEqual([
      [595, 595],
      [450, 450],
    ]);
    expect(evaluation.lead).toMatchObject({ state: 'progress', arguments: { remaining: 1320, percent: 82 } });
    expect(renderLead(compiled, evaluation, 'strip', 'nl-NL')!.text).toBe('Nog €\u00a013,20 tot gratis bezorging.');
    expect(evaluation.totals!.toPay).toBe(6180 + 595);
  });
  test('at the goal delivery is free: at least, not more than', () => {
    const at = (target: number) =>
      quote(
        { 'petrel-stunt': 1 },
        'BE',
        changed((policy) => (policy.offers['free-delivery']!.goals.first!.targets.nlbe = { exact: target })),
      ).prices;
    expect(at(8495)).toEqual([
      [595, 0],
      [450, 0],
    ]);
    expect(at(8496)).toEqual([
      [595, 595],
      [450, 450],
    ]);
  });
  test('a gift card does not count toward the goal', () => {
    const { evaluation } = quote({ 'gift-card-50': 1, 'tidewing-16': 1 });
    expect(evaluation.measures).toMatchObject({ goodsValue: 8995, countedValue: 3995 });
    expect(evaluation.lead!.arguments.remaining).toBe(3505);
  });
  test('only downloads: nothing to deliver, nothing to choose, nothing promised', () => {
    const { evaluation } = quote({ 'plan-box': 20 });
    expect(evaluation).toMatchObject({ noOptions: 'nothingToDeliver', options: [], lead: null });
  });
  test('everything ships free: parcels cost nothing before any offer', () => {
    expect(quote({ 'sticker-sheet': 1 }).prices).toEqual([
      [0, 0],
      [0, 0],
    ]);
  });
  test('goods with an own delivery price keep it when the goal is reached, unless the reward covers it', () => {
    expect(quote({ 'beach-shelter': 2 }).prices).toEqual([
      [4900, 4900],
      [4900, 4900],
    ]);
    const covering = changed((policy) =>
      Object.assign(policy.offers['free-delivery']!.goals.first!.rewards.delivery!, { coversOwnDelivery: true }),
    );
    expect(quote({ 'beach-shelter': 2 }, 'NL', covering).prices).toEqual([
      [4900, 0],
      [4900, 0],
    ]);
    expect(quote({ 'beach-shelter': 1, 'pocket-tern': 1 }).prices).toEqual([
      [2450 + 695, 2450],
      [2450 + 450, 2450],
    ]);
  });
  test('a country without a market and a market without a zone are said to be so', () => {
    expect(quote({ winder: 1 }, 'CA').evaluation).toMatchObject({ marketId: null, noOptions: 'noMarket', lead: null });
    const off = changed((policy) => (policy.zones['uk-all']!.on = false));
    expect(quote({ winder: 1 }, 'GB', off).evaluation).toMatchObject({
      marketId: 'uk',
      noOptions: 'noZone',
      options: [],
    });
  });
  test('a zone that names the country wins over the whole market', () => {
    const special = changed((policy) => {
      policy.zones['be-only'] = {
        order: 9,
        market: 'nlbe',
        name: 'Belgium',
        on: true,
        area: { include: { be: { kind: 'country', country: 'BE' } } },
      };
      policy.options['be-door'] = { ...structuredClone(policy.options['nlbe-parcel-shop']!), zone: 'be-only' };
    });
    expect(quote({ winder: 1 }, 'BE', special).evaluation.options.map(({ optionId }) => optionId)).toEqual(['be-door']);
    expect(quote({ winder: 1 }, 'NL', special).evaluation.zoneId).toBe('nlbe-all');
  });
  test('the first option or the cheapest is chosen at first, as the market says', () => {
    expect(quote({ winder: 1 }).evaluation.preselected).toBe('nlbe-door');
    expect(quote({ winder: 1 }, 'GB').evaluation.preselected).toBe('uk-collection');
  });
  test('an offer that is off, or has no goal here, says and gives nothing', () => {
    expect(
      quote(
        { 'skua-power': 1 },
        'NL',
        changed((policy) => (policy.offers['free-delivery']!.on = false)),
      ).evaluation,
    ).toMatchObject({ offers: [], lead: null });
    expect(
      quote(
        { 'skua-power': 1 },
        'GB',
        changed((policy) => delete policy.offers['free-delivery']!.goals.first!.targets.uk),
      ).evaluation,
    ).toMatchObject({ offers: [], lead: null });
  });
  test('the same input gives the same result, and the trace is built only when asked', () => {
    const again = quote({ 'gull-delta': 2 });
    expect(quote({ 'gull-delta': 2 }).evaluation).toEqual(again.evaluation);
    expect(
      evaluate(again.compiled, {
        cart: { lines: linesOf({}) },
        destination: { country: 'NL', postcode: '' },
        instant: tuesday,
      }).trace,
    ).toBeNull();
  });
});

test('of several offers not yet reached the one of highest priority speaks, unless another asks less for as much or delivery is free already', () => {
  const two = changed((policy) => {
    policy.wording.bigger = policy.wording['free-delivery']!;
    const other = structuredClone(policy.offers['free-delivery']!);
    other.priority = 20;
    other.goals.first!.targets.nlbe = { exact: 20_000 };
    policy.offers.bigger = other;
  });
  expect(quote({ winder: 1 }, 'NL', two).evaluation.speakers.map(({ speakerId, state }) => [speakerId, state])).toEqual(
    [
      ['free-delivery', 'progress'],
      ['bigger', 'progress'],
    ],
  );
  expect(quote({ 'skua-power': 1 }, 'NL', two).evaluation.lead).toMatchObject({
    speakerId: 'free-delivery',
    state: 'reached',
  });
  expect(quote({ 'skua-power': 2 }, 'NL', two).evaluation.lead).toMatchObject({
    speakerId: 'bigger',
    state: 'reached',
  });
});
