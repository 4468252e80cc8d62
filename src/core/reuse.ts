/**
 * Remembers what was made of an object, together with what else it was made from: asked again with all of these the
 * same, it gives the same thing. Policies are never changed in place, so that between two states of a draft nearly
 * everything is the same object, and need not be compiled anew.
 */
export class Reuse<Key extends object, Made> {
  private readonly known = new WeakMap<Key, { from: readonly unknown[]; made: Made }>();

  get(key: Key, from: readonly unknown[], make: () => Made): Made {
    const last = this.known.get(key);
    if (last && last.from.length === from.length && last.from.every((part, index) => part === from[index]))
      return last.made;
    const made = make();
    this.known.set(key, { from, made });
    return made;
  }
}
