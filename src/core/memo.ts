/**
 * Remembers what was last made of an object and of its sources: asked again with the same, it gives the same thing. Policies
 * are never changed in place, so that between two states of a draft nearly everything is the same object, and need not be
 * compiled anew. `make` is given the object and the sources and nothing else, so what it makes cannot rest on anything that is
 * not compared.
 */
export class Memo<Key extends object, Sources extends object, Made> {
  private readonly known = new WeakMap<Key, { from: Sources; made: Made }>();

  constructor(private readonly make: (key: Key, from: Sources) => Made) {}

  get(key: Key, from: Sources): Made {
    const last = this.known.get(key);
    if (last && sameMembers(last.from, from, isSame)) return last.made;
    const made = this.make(key, from);
    this.known.set(key, { from, made });
    return made;
  }
}

/** The same thing, or a list or plain object of the same things. */
const isSame = (one: unknown, other: unknown): boolean =>
  one === other || (isPlain(one) && isPlain(other) && sameMembers(one, other, Object.is));

const isPlain = (value: unknown): value is object => {
  if (typeof value !== 'object' || value === null) return false;
  const prototype: unknown = Object.getPrototypeOf(value);
  return prototype === Object.prototype || prototype === Array.prototype;
};

function sameMembers<Whole extends object>(
  one: Whole,
  other: Whole,
  same: (part: unknown, otherPart: unknown) => boolean,
): boolean {
  const keys = Object.keys(one) as (keyof Whole)[];
  return (
    keys.length === Object.keys(other).length &&
    keys.every((key) => Object.hasOwn(other, key) && same(one[key], other[key]))
  );
}
