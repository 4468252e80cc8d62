import type { Parsed } from '../../ui/TypedField.tsx';

export const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

type Span = { from: string; to: string };

/** The end of the day is 24:00 to people, and 00:00 of the next day where it is kept. */
const written = ({ from, to }: Span): string =>
  from === '00:00' && to === '00:00' ? 'all day' : `${from}–${to === '00:00' ? '24:00' : to}`;

export const hoursInText = (spans: readonly Span[]): string => spans.map(written).join(', ');

/** Reads opening hours such as “09:30–12:30, 13:15-17:30”, “10-18”, “all day”; empty and “closed” are closed. */
export function readHours(text: string): Parsed<Span[]> {
  const spans: Span[] = [];
  const plain = text.trim().toLowerCase();
  if (plain === 'closed' || plain === '–' || plain === '-') return { ok: true, value: [] };
  if (plain === 'all day' || plain === 'always' || plain === '24 h' || plain === '24h')
    return { ok: true, value: [{ from: '00:00', to: '00:00' }] };
  for (const part of plain
    .split(/[,;]/)
    .map((one) => one.trim())
    .filter(Boolean)) {
    const match = /^(\d{1,2})[:.]?(\d{2})?\s*(?:–|—|-|to|until)\s*(\d{1,2})[:.]?(\d{2})?$/.exec(part);
    const time = (hours: string, minutes: string | undefined) => `${hours.padStart(2, '0')}:${minutes ?? '00'}`;
    const end = match && time(match[3]!, match[4]);
    const span = match && { from: time(match[1]!, match[2]), to: end === '24:00' || end === '23:59' ? '00:00' : end! };
    if (!span || ![span.from, span.to].every((one) => /^([01]\d|2[0-3]):[0-5]\d$/.test(one)))
      return { ok: false, reason: 'Hours such as 9–18, or 09:30–12:30, 13:15–17:30; “closed” or “all day”.' };
    spans.push(span);
  }
  return spans.length > 4 ? { ok: false, reason: 'At most four stretches a day.' } : { ok: true, value: spans };
}
