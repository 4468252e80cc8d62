import { isTimeZone } from '../time/time-zone-clock.ts';
import { unaccented } from '../unaccented.ts';

const plain = (text: string): string =>
  unaccented(text)
    .replace(/[\s_-]+/g, ' ')
    .trim();

/** An IANA time zone by its name or the city in it: “Europe/Oslo”, “oslo”, “New York”; null for neither. */
export function timeZoneByName(text: string): string | null {
  if (isTimeZone(text.trim()) && /[/]|^UTC$/.test(text.trim())) return text.trim();
  const wanted = plain(text);
  if (wanted === '') return null;
  const zones = Intl.supportedValuesOf('timeZone');
  return (
    zones.find((zone) => plain(zone) === wanted) ??
    zones.find((zone) => plain(zone.split('/').at(-1)!) === wanted) ??
    (isTimeZone(text.trim()) ? text.trim() : null)
  );
}
