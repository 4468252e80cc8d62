/** Verbs of the clauses in which conditions are read out, and what each is where it is not so. */
const denials: readonly (readonly [so: string, not: string])[] = [
  ['contains nothing but', 'does not contain nothing but'],
  ['contains none of', 'contains some of'],
  ['is known and is not', 'is not known, or is'],
  ['is not', 'is'],
  ['is', 'is not'],
  ['matches', 'does not match'],
  ['contains', 'does not contain'],
  ['buys', 'does not buy'],
  ['has', 'does not have'],
  ['are', 'are not'],
];

/** A clause that is not so, in words: “the shopper is signed in” gives “the shopper is not signed in”. What stands in quotation marks is left alone. */
export function denied(clause: string): string {
  const quoted = clause.indexOf('“');
  const plain = quoted < 0 ? clause : clause.slice(0, quoted);
  const found = denials
    .map(([so, not]) => ({ so, not, at: ` ${plain} `.indexOf(` ${so} `) }))
    .filter(({ at }) => at >= 0)
    .sort((a, b) => a.at - b.at || b.so.length - a.so.length)[0];
  if (!found) return `not so that ${clause}`;
  return `${clause.slice(0, found.at)}${found.not}${clause.slice(found.at + found.so.length)}`.replace(
    /, which is at (?:least|most) [^,]*$/,
    '',
  );
}
