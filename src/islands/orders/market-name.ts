/** What a market of several countries is called at first: “Netherlands & Belgium”, “Germany and 3 more”. */
export function marketName(names: readonly string[]): string {
  const [first = '', second] = names;
  if (names.length > 2) return `${first.slice(0, 100)} and ${names.length - 1} more`;
  return second === undefined ? first.slice(0, 120) : `${first} & ${second}`.slice(0, 120);
}
