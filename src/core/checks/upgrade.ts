import { normalPostcode } from '../geography/postcode.ts';
import { currentVersion } from '../policy/version.ts';

type Json = Record<string, unknown>;

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const entriesOf = (value: unknown): Json[] => (isObject(value) ? Object.values(value).filter(isObject) : []);

/** What it takes to make a document of one version one of the next. */
const steps: Record<number, (document: Json) => Json> = {
  /**
   * Before version 2 all goods had one tax rate, which only delivery stated; offers were unlocked by their amount, did
   * not combine, and had one goal.
   */
  1: (document) => {
    const upgraded = structuredClone(document);
    for (const market of entriesOf(upgraded.markets))
      if (isObject(market.tax)) market.tax.classes ??= { standard: market.tax.delivery };
    for (const offer of entriesOf(upgraded.offers)) {
      offer.combines ??= false;
      offer.unlock ??= { by: 'amount' };
      for (const goal of entriesOf(offer.goals)) goal.then ??= 'replace';
    }
    return { ...upgraded, version: 2 };
  },
  /** Before version 3 each postcode pattern was a part of an area by itself, as it was typed. */
  2: (document) => {
    const upgraded = structuredClone(document);
    const parts = entriesOf(upgraded.zones).flatMap(({ area }) =>
      isObject(area) ? [...entriesOf(area.include), ...entriesOf(area.exclude)] : [],
    );
    for (const part of parts) {
      if (part.kind !== 'postcode' || typeof part.pattern !== 'string') continue;
      part.kind = 'postcodes';
      part.patterns = { [normalPostcode(part.pattern)]: true };
      delete part.pattern;
    }
    return { ...upgraded, version: 3 };
  },
  /** Before version 4 the last minute that a condition on the moment named was in; the first one that is out is named since. */
  3: (document) => {
    const upgraded = structuredClone(document);
    for (const node of objectsIn([upgraded.qualifiers, upgraded.options, upgraded.offers])) {
      if (node.kind === 'timeOfDay' && typeof node.to === 'string')
        node.to = minuteAfter(`2000-01-01T${node.to}`).slice(11);
      if (node.kind !== 'instant') continue;
      if (node.operator === 'after' && typeof node.at === 'string') node.at = minuteAfter(node.at);
      if (node.operator === 'between') node.to = minuteAfter(String(node.to ?? node.at));
    }
    return { ...upgraded, version: 4 };
  },
};

/** Every object inside a value, whatever it stands in. */
function objectsIn(value: unknown): Json[] {
  if (Array.isArray(value)) return value.flatMap(objectsIn);
  return isObject(value) ? [value, ...Object.values(value).flatMap(objectsIn)] : [];
}

/** The next minute on a clock face; what is no local time stays as it is. */
function minuteAfter(local: string): string {
  const at = Date.parse(`${local}Z`);
  return Number.isNaN(at) ? local : new Date(at + 60_000).toISOString().slice(0, 16);
}

/**
 * A policy document brought to the current version, by every step in between; one of this version, or of one that is
 * not known, is returned as it is, for `checkPolicy` to judge. The document handed in stays as it is.
 */
export function upgradePolicy(document: unknown): unknown {
  let upgraded = document;
  while (isObject(upgraded) && typeof upgraded.version === 'number' && upgraded.version < currentVersion) {
    const step = steps[upgraded.version];
    if (!step) return upgraded;
    upgraded = step(upgraded);
  }
  return upgraded;
}
