import { describe, expect, test } from 'vitest';
import { offerState } from './offer-state.ts';

const clocks = { store: 'Europe/Amsterdam', market: 'Asia/Tokyo' };
const schedule = { readIn: 'store', from: '2026-03-26T00:00', until: '2026-03-29T00:00' } as const;
const at = (text: string) => Date.parse(text);

describe('the state of an offer', () => {
  test('off, whatever its days', () =>
    expect(offerState({ on: false, schedule }, at('2026-03-27T12:00Z'), clocks)).toEqual({ kind: 'off' }));
  test('planned to the last moment before it begins on the clock of its schedule', () => {
    expect(offerState({ on: true, schedule }, at('2026-03-25T22:59:59.999Z'), clocks)).toEqual({
      kind: 'planned',
      from: at('2026-03-25T23:00Z'),
    });
    expect(offerState({ on: true, schedule }, at('2026-03-25T23:00Z'), clocks).kind).toBe('on');
  });
  test('on until its end, and over from that moment', () => {
    const end = at('2026-03-28T23:00Z');
    expect(offerState({ on: true, schedule }, end - 1, clocks)).toEqual({ kind: 'on', until: end });
    expect(offerState({ on: true, schedule }, end, clocks)).toEqual({ kind: 'ended', until: end });
  });
  test('on without an end', () => expect(offerState({ on: true }, 0, clocks)).toEqual({ kind: 'on', until: null }));
});
