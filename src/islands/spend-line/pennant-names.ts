/** A pennant whose name is to be read: where its pole stands, in px. */
export interface NamedPennant {
  name: string;
  x: number;
}

/** Where a name stands: how many lines above the lowest, and on which side of the pole. */
export interface NamePlace {
  level: number;
  side: 'right' | 'left';
  /** as much of the name as fits */
  text: string;
}

/** px: of a letter of fine print on average, between pole and name, and a flag's */
const letter = 5.4;
const gap = 14;
const apart = 6;
const longestName = 22;
export const mostLevels = 5;

/**
 * Places names beside pennants so that none lies over another or over a pole that stands higher; who finds no room has no name,
 * which its title still tells. From right to left, the lowest free line first, so that names pass over the flags they reach.
 *
 * @param right the end of the picture, px
 */
export function placeNames(pennants: readonly NamedPennant[], right: number): (NamePlace | null)[] {
  const taken: { level: number; from: number; to: number }[] = [];
  const poles: { level: number; x: number }[] = [];
  const result = new Array<NamePlace | null>(pennants.length).fill(null);
  const order = pennants.map(({ x }, index) => ({ x, index })).sort((a, b) => b.x - a.x || a.index - b.index);
  for (const { x, index } of order) {
    const { name } = pennants[index]!;
    const text = name.length > longestName ? `${name.slice(0, longestName - 1).trimEnd()}…` : name;
    const width = text.length * letter;
    const side = x + gap + width > right ? 'left' : 'right';
    const [from, to] = side === 'right' ? [x - apart, x + gap + width] : [x - apart - width, x + gap];
    for (let level = 0; level < mostLevels; level++) {
      const free =
        taken.every((other) => other.level !== level || other.to + apart < from || other.from > to + apart) &&
        // A pole goes up through the lines below its own flag.
        poles.every((pole) => pole.level < level || pole.x + apart < from || pole.x > to) &&
        taken.every((other) => other.level >= level || x < other.from || x > other.to);
      if (!free) continue;
      taken.push({ level, from, to });
      poles.push({ level, x });
      result[index] = { level, side, text };
      break;
    }
  }
  return result;
}
