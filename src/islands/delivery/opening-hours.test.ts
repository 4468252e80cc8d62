import { expect, test } from 'vitest';
import { hoursInText, readHours } from './opening-hours.ts';

test('hours are read as people write them, and written back', () => {
  const read = readHours('9:00-12:30, 1315–1730');
  expect(read).toEqual({
    ok: true,
    value: [
      { from: '09:00', to: '12:30' },
      { from: '13:15', to: '17:30' },
    ],
  });
  expect(read.ok && hoursInText(read.value)).toBe('09:00–12:30, 13:15–17:30');
  expect(readHours('')).toEqual({ ok: true, value: [] });
});
test.each(['nine to five', '25:00-26:00', '09:00', '01:00-02:00,03:00-04:00,05:00-06:00,07:00-08:00,09:00-10:00'])(
  '%s cannot be read',
  (text) => expect(readHours(text).ok).toBe(false),
);
test('as people say them', () => {
  expect(readHours('10-18')).toEqual({ ok: true, value: [{ from: '10:00', to: '18:00' }] });
  expect(readHours('Closed')).toEqual({ ok: true, value: [] });
  expect(readHours('9.30 to 24:00')).toEqual({ ok: true, value: [{ from: '09:30', to: '00:00' }] });
  expect(hoursInText([{ from: '09:30', to: '00:00' }])).toBe('09:30–24:00');
  expect(hoursInText([{ from: '00:00', to: '00:00' }])).toBe('all day');
});
