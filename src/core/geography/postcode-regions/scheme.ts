/**
 * How a country's postcodes tell the region (ISO 3166-2) that they lie in. Only for countries whose regions do not lie
 * within others: where they do, a store may name either, and one postcode cannot say which is meant.
 */
export interface PostcodeScheme {
  country: string;
  /** a whole postcode as it is compared; anything else tells nothing */
  whole: RegExp;
  /**
   * beginnings of postcodes by the region's code without its country, as in `005 100..149`; both ends are as long as each
   * other. `?` in place of a region: what begins so lies in several, or in none
   */
  regions: Readonly<Record<string, string>>;
}

/** Beginnings of one length: for each, the region. */
interface Beginnings {
  length: number;
  regionOf: Map<string, string | undefined>;
}

/** What stands for no region in a scheme. */
const undecided = '?';

/** @returns the region of a postcode as it is compared, by the longest beginning that is known */
export function readScheme({ country, whole, regions }: PostcodeScheme): (normal: string) => string | undefined {
  const byLength: Beginnings[] = [];
  const add = (beginning: string, region: string | undefined) => {
    const { length } = beginning;
    let level = byLength.find((one) => one.length === length);
    if (!level) {
      level = { length, regionOf: new Map() };
      byLength.push(level);
      byLength.sort((a, b) => b.length - a.length);
    }
    level.regionOf.set(beginning, region);
  };
  for (const [code, beginnings] of Object.entries(regions))
    for (const stretch of beginnings.split(' ')) {
      const [from, to = from] = stretch.split('..') as [string, string?];
      const region = code === undecided ? undefined : `${country}-${code}`;
      if (to === from) add(from, region);
      else for (let n = Number(from); n <= Number(to); n++) add(String(n).padStart(from.length, '0'), region);
    }
  return (normal) => {
    if (!whole.test(normal)) return undefined;
    for (const { length, regionOf } of byLength) {
      const beginning = normal.slice(0, length);
      if (regionOf.has(beginning)) return regionOf.get(beginning);
    }
    return undefined;
  };
}
