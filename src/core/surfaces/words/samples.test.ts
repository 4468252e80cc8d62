import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { smallStore } from '../../../../tests/support/small-store.ts';
import type { Policy } from '../../policy/types.ts';
import { sourceWords } from './known-languages.ts';
import { surfaceTextSample } from './samples.ts';
import type { SurfaceTextId } from './surface-words.ts';
import { SurfaceWriter } from './surface-writer.ts';

const ids = Object.keys(sourceWords) as SurfaceTextId[];
const writerOf = (policy: Policy, market: string, language: string) =>
  new SurfaceWriter({ policy, catalogue: new Map() }, market, language);
const plain = (text: string | null) => text?.replace(/\s/g, ' ');

describe('a sample of a text', () => {
  test('is there for each of them, in every market and language, with no value left open', () => {
    for (const policy of [demoPolicy, smallStore])
      for (const [market, { languages }] of Object.entries(policy.markets))
        for (const language of languages)
          for (const id of ids) {
            const sample = surfaceTextSample(id, writerOf(policy, market, language));
            expect([market, language, id, sample]).toEqual([market, language, id, expect.stringMatching(/^[^{}]+$/)]);
            expect(sample).not.toMatch(/undefined|NaN|\[object/);
          }
  });
  test('is written as its market and language write it', () => {
    const dutch = writerOf(demoPolicy, 'nlbe', 'nl-NL');
    expect(plain(surfaceTextSample('bannerGoal', dutch))).toBe('Gratis bezorging vanaf € 75,00');
    expect(plain(surfaceTextSample('days', dutch))).toBe('3 werkdagen');
    expect(plain(surfaceTextSample('bannerGoal', writerOf(demoPolicy, 'jp', 'ja-JP')))).toContain('7,500');
    expect(plain(surfaceTextSample('perUnitBeyond', writerOf(demoPolicy, 'uk', 'en-GB')))).toBe(
      '£10.00 for each kg beyond 5 kg',
    );
  });
  test('shows the store’s own text in place of what ships', () => {
    const policy = { ...demoPolicy, surfaceTexts: { bannerGoal: { 'nl-NL': 'Niets te betalen vanaf {goal}!' } } };
    expect(plain(surfaceTextSample('bannerGoal', writerOf(policy, 'nlbe', 'nl-NL')))).toBe(
      'Niets te betalen vanaf € 75,00!',
    );
  });
});
