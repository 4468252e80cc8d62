/**
 * The order numbers of a file with the line where each first stood, in about 30 bytes an order: numbers are kept as 53-bit
 * hashes. Two different numbers among a million share one with a chance below one in ten thousand; the later would be taken
 * for a repetition and reported, never lost in silence.
 */
export class SeenNumbers {
  #hashes = new Float64Array(1 << 12);
  #lines = new Uint32Array(1 << 12);
  #count = 0;

  /** @returns the line where the number stood before; 0 when it is new, and then remembered */
  lineBefore(number: string, line: number): number {
    if (this.#count * 1.7 > this.#hashes.length) this.#grow();
    const hash = hash53(number);
    const slot = this.#slotOf(hash);
    if (this.#hashes[slot] === hash) return this.#lines[slot]!;
    this.#hashes[slot] = hash;
    this.#lines[slot] = line;
    this.#count++;
    return 0;
  }

  #slotOf(hash: number): number {
    const mask = this.#hashes.length - 1;
    let slot = (hash % 4294967296) & mask;
    while (this.#hashes[slot] !== 0 && this.#hashes[slot] !== hash) slot = (slot + 1) & mask;
    return slot;
  }

  #grow(): void {
    const hashes = this.#hashes;
    const lines = this.#lines;
    this.#hashes = new Float64Array(hashes.length * 2);
    this.#lines = new Uint32Array(lines.length * 2);
    for (let i = 0; i < hashes.length; i++) {
      if (hashes[i] === 0) continue;
      const slot = this.#slotOf(hashes[i]!);
      this.#hashes[slot] = hashes[i]!;
      this.#lines[slot] = lines[i]!;
    }
  }
}

/** Never 0. Source: FNV-1a in 32 bits (Fowler, Noll, Vo), twice with different starts, each mixed as in MurmurHash3. */
function hash53(text: string): number {
  let low = 0x811c9dc5;
  let high = 0x9747b28c;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    low = Math.imul(low ^ unit, 0x01000193);
    high = Math.imul(high ^ unit, 0x01000193) + i;
  }
  return (mix(high) & 0x1fffff) * 4294967296 + (mix(low) >>> 0) + 1;
}

function mix(value: number): number {
  let h = value;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return h ^ (h >>> 16);
}
