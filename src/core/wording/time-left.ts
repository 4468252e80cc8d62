/** Two days and more are told in days and hours, less in hours and minutes. */
const manyMinutes = 48 * 60;

interface Written {
  day: Intl.NumberFormat;
  hour: Intl.NumberFormat;
  minute: Intl.NumberFormat;
  list: Intl.ListFormat;
}
const known = new Map<string, Written>();

function writtenIn(language: string): Written {
  let written = known.get(language);
  if (!written) {
    const unit = (name: string) => new Intl.NumberFormat(language, { style: 'unit', unit: name, unitDisplay: 'short' });
    const list = new Intl.ListFormat(language, { type: 'unit', style: 'narrow' });
    known.set(language, (written = { day: unit('day'), hour: unit('hour'), minute: unit('minute'), list }));
  }
  return written;
}

/** A stretch of time as a language writes it in short: “2 hr 10 min”, “3 days 4 hr”. A part that is nothing is left out. */
export function timeLeftInWords(minutes: number, language: string): string {
  const { day, hour, minute, list } = writtenIn(language);
  const hours = Math.floor(minutes / 60);
  const parts: (readonly [number, Intl.NumberFormat])[] =
    minutes >= manyMinutes
      ? [
          [Math.floor(hours / 24), day],
          [hours % 24, hour],
        ]
      : [
          [hours, hour],
          [minutes % 60, minute],
        ];
  const said = parts.filter(([count]) => count > 0).map(([count, format]) => format.format(count));
  return said.length > 0 ? list.format(said) : minute.format(0);
}
