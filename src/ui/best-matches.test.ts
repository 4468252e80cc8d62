import { describe, expect, test } from 'vitest';
import { bestMatches, type SearchEntry } from './best-matches.ts';

const entries: SearchEntry<string>[] = [
  { value: 'us', name: 'United States & elsewhere', also: 'free delivery goals' },
  { value: 'words', name: 'Wording of Free delivery' },
  { value: 'free', name: 'Free delivery' },
  { value: 'curacao', name: 'Curaçao', hint: 'CW' },
  { value: 'post', name: 'Islands by postcode' },
];
const found = (text: string, most = 10) => bestMatches(entries, text, most).map(({ value }) => value);

describe('what is found by typing', () => {
  test('begins with what is called just that, then what begins so, then what has the words', () =>
    expect(found('free delivery')).toEqual(['free', 'words', 'us']));
  test('by beginnings of words in any order', () => expect(found('del fr')).toEqual(['words', 'free', 'us']));
  test('without accents, and by what stands beside the name', () =>
    expect([found('curacao'), found('cw')]).toEqual([['curacao'], ['curacao']]));
  test('never what lacks one of the words', () => expect(found('free kites')).toEqual([]));
  test('all, as listed, where nothing is typed, and never more than are wanted', () =>
    expect([found(' '), found('', 2)]).toEqual([entries.map(({ value }) => value), ['us', 'words']]));
});
