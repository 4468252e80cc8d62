import type { Parsed } from '../../ui/TypedField.tsx';

export const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

type Span = { from: string; to: string };

export const hoursInText = (spans: readonly Span[]): string => spans.map(({ from, to }) => `${from}–${to}`).join(', ');

/** Reads opening hours such as “09:30–12:30, 13:15-17:30”; empty is closed. */
export function readHours(text: string): Parsed<Span[]> {
  const spans: Span[] = [];
  for (const part of text.split(',').map((one) => one.trim()).filter(Boolean)) {
    const match = /^(\d{1,2}):?(\d{2})\s*[–-]\s*(\d{1,2}):?(\d{2})$/.exec(part);
    const time = (hours: string, minutes: string) => `${hours.padStart(2, '0')}:${minutes}`;
    const span = match && { from: time(match[1]!, match[2]!), to: time(match[3]!, match[4]!) };
    if (!span || ![span.from, span.to].every((one) => /^([01]\d|2[0-3]):[0-5]\d$/.test(one))) return { ok: false, reason: 'Hours such as 09:30–12:30, 13:15–17:30.' };
    spans.push(span);
  }
  return spans.length > 4 ? { ok: false, reason: 'At most four stretches a day.' } : { ok: true, value: spans };
}
