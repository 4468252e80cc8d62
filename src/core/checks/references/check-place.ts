import { isCountry } from '../../geography/country.ts';
import { closingMinute } from '../../time/openings.ts';
import { minuteOfDay } from '../../time/working-days.ts';
import { isTimeZone } from '../../time/time-zone-clock.ts';
import type { Fault } from '../../policy/fault.ts';
import type { PickUpPlace } from '../../policy/types.ts';

/** Its country and time zone exist; opening hours of a day run upward and do not overlap. */
export function checkPlace(id: string, { address, timeZone, hours }: PickUpPlace, fault: Fault): void {
  const at = `/places/${id}`;
  if (!isCountry(address.country)) fault(`${at}/address/country`, `${address.country} is not an ISO 3166-1 country`);
  if (timeZone !== undefined && !isTimeZone(timeZone)) fault(`${at}/timeZone`, 'is not an IANA time zone');
  for (const [weekday, spans] of Object.entries(hours ?? {})) {
    let last = 0;
    for (const [index, { from, to }] of (spans ?? []).entries()) {
      const [opens, closes] = [minuteOfDay(from), closingMinute(to)];
      if (closes <= opens) fault(`${at}/hours/${weekday}/${index}/to`, 'must be later than from');
      if (opens < last) fault(`${at}/hours/${weekday}/${index}/from`, 'must not be before the hours above it end');
      last = closes;
    }
  }
}
