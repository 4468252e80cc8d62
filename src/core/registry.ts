/** What comes in kinds, a record each, in the order in which they are offered. Everything that walks it knows what is added. */
export class Registry<R> {
  readonly #called: string;
  readonly #keyOf: (record: R) => string;
  readonly #records: R[] = [];
  readonly #byKey = new Map<string, R>();

  /** @param called what one of them is, as errors name it */
  constructor(called: string, keyOf: (record: R) => string, records: readonly R[]) {
    this.#called = called;
    this.#keyOf = keyOf;
    for (const record of records) this.add(record);
  }

  get all(): readonly R[] {
    return this.#records;
  }

  /** @throws RangeError when there is one of that key already */
  add(record: R): void {
    const key = this.#keyOf(record);
    if (this.#byKey.has(key)) throw new RangeError(`there is a ${this.#called} "${key}" already`);
    this.#records.push(record);
    this.#byKey.set(key, record);
  }

  /** Undefined for what is none of them. */
  named(key: string): R | undefined {
    return this.#byKey.get(key);
  }

  /** @throws RangeError when there is none */
  of(key: string): R {
    const record = this.#byKey.get(key);
    if (record === undefined) throw new RangeError(`there is no ${this.#called} "${key}"`);
    return record;
  }
}
