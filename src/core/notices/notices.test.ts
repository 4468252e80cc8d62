import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { changed, evaluateLines } from '../../../tests/support/evaluate-store.ts';
import { checkPolicy } from '../checks/validate.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { renderLead } from '../wording/render.ts';
import type { Notice, Policy } from '../policy/types.ts';
import { starterNotices, startNotice } from './starter-notices.ts';

/** The demo store with these notices, and without offers unless they are asked for. */
const storeWith = (notices: Record<string, Partial<Notice>>, offers: Policy['offers'] = {}): Policy =>
  changed(demoPolicy, (copy) => {
    const of = (id: string) => ({ notice: { everyPlace: { 'nl-NL': `${id} {items}` } } });
    copy.offers = offers;
    copy.testCarts = {};
    copy.textNotes = {};
    copy.wording = {
      ...Object.fromEntries(Object.entries(copy.wording).filter(([id]) => id in offers)),
      ...Object.fromEntries(Object.keys(notices).map((id) => [id, of(id)])),
    };
    copy.notices = Object.fromEntries(
      Object.entries(notices).map(([id, notice], order) => [
        id,
        { order, name: id, note: '', on: true, priority: 0, ...notice },
      ]),
    );
  });
const read = (policy: Policy, at = '2026-11-24T11:00Z', goods: Record<string, number> = { winder: 1 }) => {
  const evaluation = evaluateLines(policy, goods, { instant: Date.parse(at) });
  return renderLead(compilePolicy(policy), evaluation, 'strip', 'nl-NL')?.text ?? null;
};

describe('a notice', () => {
  test('is said by priority, to whom and when it is for', () => {
    const policy = storeWith({
      low: {},
      high: { priority: 5, schedule: { readIn: 'store', from: '2026-11-25T00:00' } },
      elsewhere: { priority: 9, markets: { uk: true } },
      off: { priority: 9, on: false },
    });
    expect(checkPolicy(policy)).toMatchObject({ ok: true });
    expect([read(policy), read(policy, '2026-11-24T23:00Z')]).toEqual(['low 1', 'high 1']);
  });
  test('waits for every offer that has something to say, also for one that gives', () => {
    const free = { 'free-delivery': demoPolicy.offers['free-delivery']! };
    const policy = storeWith({ notice: { priority: 1000 } }, free);
    expect(read(policy, undefined, { winder: 1 })).toContain('gratis bezorging');
    expect(read(policy, undefined, { 'petrel-stunt': 1 })).not.toBe('notice 1');
  });
  test('never says free where nothing is free', () => {
    const policy = changed(storeWith({ it: {} }), (copy) => {
      copy.wording.it!.notice!.everyPlace = { 'nl-NL': 'Deze week gratis bezorging' };
    });
    expect(read(policy)).toBeNull();
  });
  test('counts down to the next cut-off of an option that can be chosen, and is silent before its hours and in its last minute', () => {
    const policy = changed(
      storeWith({ it: { countdown: { to: 'cutOff', on: { by: 'kind', kinds: ['parcel'] }, withinHours: 6 } } }),
      (copy) => (copy.wording.it!.notice!.everyPlace = { 'nl-NL': '{cutOff}, {arrives}' }),
    );
    // A Tuesday; parcels leave until 16:00 in Amsterdam, which is 15:00 in Greenwich, and take a day or two.
    expect(read(policy, '2026-11-24T12:50Z')).toBe('2 uur en 10 minuten, donderdag 26 november');
    expect(read(policy, '2026-11-24T09:00Z')).toBe('6 uur, donderdag 26 november');
    expect([read(policy, '2026-11-24T08:59Z'), read(policy, '2026-11-24T14:59:30Z')]).toEqual([null, null]);
    // What takes days to prepare arrives later, and has to be ordered by the same minute.
    expect(read(policy, '2026-11-24T12:50Z', { 'windsock-mast': 1 })).toBe('2 uur en 10 minuten, maandag 30 november');
  });
  test('counts down to a moment on a clock, whatever can be chosen', () => {
    const policy = changed(
      storeWith({ it: { countdown: { to: 'moment', at: '2026-12-24T16:00', readIn: 'store' } } }),
      (copy) => (copy.wording.it!.notice!.everyPlace = { 'nl-NL': '{cutOff}' }),
    );
    expect(read(policy, '2026-12-21T14:00Z')).toBe('3 dagen en 1 uur');
    expect([read(policy, '2026-12-24T14:59Z'), read(policy, '2026-12-24T15:00Z')]).toEqual(['1 minuut', null]);
  });
});

describe('checks', () => {
  const faults = (policy: Policy) => {
    const check = checkPolicy(policy);
    return check.ok ? [] : check.faults.map(({ pointer }) => pointer);
  };
  test('a notice is not called like an offer, names what exists, and has texts of its own state alone', () => {
    const base = storeWith({ it: { markets: { nowhere: true } } }, { campaign: demoPolicy.offers.campaign! });
    expect(faults(base)).toContain('/notices/it/markets/nowhere');
    const twice = changed(base, (copy) => (copy.notices!.campaign = { ...copy.notices!.it!, order: 9 }));
    expect(faults(twice)).toContain('/notices/campaign');
    const reached = changed(base, (copy) => (copy.wording.it!.reached = { everyPlace: { 'nl-NL': 'x' } }));
    expect(faults(reached)).toContain('/wording/it/reached');
  });
});

test.each(starterNotices)('$name begins off, valid, with texts in the languages of the store', (starter) => {
  const started = startNotice(starter, demoPolicy, '2026-11-24');
  const policy = changed(demoPolicy, (copy) => {
    copy.notices = { ...copy.notices, begun: { ...started.notice, order: 99 } };
    copy.wording.begun = started.wording;
  });
  expect(checkPolicy(policy)).toMatchObject({ ok: true });
  expect(started.notice.on).toBe(false);
  const languages = new Set(Object.values(demoPolicy.markets).flatMap(({ languages: of }) => of));
  expect(new Set(Object.keys(started.wording.notice!.everyPlace!))).toEqual(languages);
});
