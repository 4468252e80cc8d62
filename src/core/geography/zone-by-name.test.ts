import { expect, test } from 'vitest';
import { timeZoneByName } from './zone-by-name.ts';

test.each([
  ['Europe/Oslo', 'Europe/Oslo'],
  ['oslo', 'Europe/Oslo'],
  ['New York', 'America/New_York'],
  ['são paulo', 'America/Sao_Paulo'],
  ['UTC', 'UTC'],
  ['Atlantis', null],
  ['', null],
])('“%s” is %s', (text, zone) => expect(timeZoneByName(text)).toBe(zone));
