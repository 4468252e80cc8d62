/**
 * A CSV file by RFC 4180 with CRLF and a heading. Text that a spreadsheet would take for a formula gets an apostrophe in
 * front, so that opening the file runs nothing; numbers are left alone.
 */
export function csvOf(heading: readonly string[], rows: Iterable<readonly (string | number | null)[]>): string {
  let text = csvLine(heading);
  for (const row of rows) text += csvLine(row);
  return text;
}

export function csvLine(cells: readonly (string | number | null)[]): string {
  return `${cells.map(csvCell).join(',')}\r\n`;
}

function csvCell(value: string | number | null): string {
  if (value === null) return '';
  if (typeof value === 'number') return String(value);
  const safe = /^[=+\-@\t\r]/.test(value) && !/^-?\d+([.,]\d+)?$/.test(value) ? `'${value}` : value;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}
