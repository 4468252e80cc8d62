import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { emptyPolicy } from '../../policy/empty.ts';
import { checkPolicy } from '../../checks/validate.ts';
import type { Policy } from '../../policy/types.ts';
import { targetIn } from '../target.ts';
import { startOffer } from './starter-offers.ts';
import { starterOffers } from './starters.ts';

const put = (policy: Policy, started: ReturnType<typeof startOffer>): Policy => ({
  ...policy,
  offers: { ...policy.offers, started: { order: 999, ...started.offer } },
  wording: { ...policy.wording, started: started.wording },
});

describe.each(starterOffers)('$name', (starter) => {
  test('is a valid offer of the demo store, off, and says what it did', () => {
    const started = startOffer(starter, demoPolicy, 'GUST', 'en-GB');
    const check = checkPolicy(put(demoPolicy, started));
    expect(check.ok ? [] : check.faults).toEqual([]);
    expect(started.offer.on).toBe(false);
    expect(started.did.join(' ')).toMatch(/\d|GUST|three/);
    expect(started.did.at(-1)).toContain('It is off');
  });
  test('and of a store without markets', () => {
    const empty = emptyPolicy();
    const check = checkPolicy(put(empty, startOffer(starter, empty, 'GUST', 'en-GB')));
    expect(check.ok ? [] : check.faults).toEqual([]);
  });
});

test('amounts follow the base currency, rounded up to five; markets without a rate are named and left out', () => {
  const { CHF: _, ...rates } = demoPolicy.rates!;
  const policy = { ...demoPolicy, rates };
  const started = startOffer(starterOffers[0]!, policy, '', 'en-GB');
  const amount = (market: string) => targetIn(put(policy, started), 'started', 'first', market);
  expect([amount('nlbe'), amount('deat'), amount('ch')]).toEqual([6000, 6000, null]);
  expect(amount('dk')! % 500).toBe(0);
  expect(amount('jp')! % 500).toBe(0);
  expect(started.did.join(' ')).toContain('Without an adopted rate and so not offered: Switzerland');
});
test('English is written where a market reads it; other languages are named', () => {
  const { wording, did } = startOffer(starterOffers[0]!, demoPolicy, '', 'en-GB');
  expect(Object.keys(wording.reached!.everyPlace!).sort()).toEqual(['en-GB', 'en-US']);
  expect(did.join(' ')).toMatch(/To be written before it goes live: .*nl-NL/);
});

test('what holds on certain days or for certain shoppers comes before what holds always', () => {
  for (const id of ['weekend', 'membersSooner'] as const) {
    const { offer } = startOffer(
      starterOffers.find((starter) => starter.id === id)!,
      demoPolicy,
      '',
      'en-GB',
    );
    expect(offer.priority).toBeGreaterThan(
      Math.max(...Object.values(demoPolicy.offers).map(({ priority }) => priority)),
    );
  }
});

test('no two offers get one name, and amounts are said in each currency', () => {
  const once = put(demoPolicy, startOffer(starterOffers[0]!, demoPolicy, '', 'en-GB'));
  const again = startOffer(starterOffers[0]!, once, '', 'en-GB');
  expect([once.offers.started!.name, again.offer.name]).toEqual(['One goal for everyone', 'One goal for everyone 2']);
  expect(again.did[0]).toMatch(/€60\.00 .*£.*DKK/);
});
