import { timeZoneByName } from '../../../core/geography/zone-by-name.ts';
import type { SearchEntry } from '../../../ui/best-matches.ts';
import { CodeChoice, type CodeChoiceProps } from './CodeChoice.tsx';

/** A time zone, by its city; the browser's list, which may not know the newest names, is not the last word. */
export function ClockChoice({ first = [], ...props }: CodeChoiceProps & { first?: readonly SearchEntry<string>[] }) {
  return (
    <CodeChoice
      {...props}
      placeholder="A city, such as Oslo"
      entries={() => [
        ...first,
        ...['UTC', ...Intl.supportedValuesOf('timeZone')].map((zone) => ({
          value: zone,
          name: zone.split('/').at(-1)!.replaceAll('_', ' '),
          hint: zone,
          also: zone.replaceAll('/', ' '),
        })),
      ]}
      nameOf={(zone) => zone}
      own={timeZoneByName}
    />
  );
}
